import { expect, test } from '@jest/globals';
import type { StoredEvent } from '@morning-crock/core/contract';
import { foldReadable } from './readable.ts';

const entry = (streamId: string, seq: number): StoredEvent => ({ streamId, seq }) as unknown as StoredEvent;
/** A fold that counts entries and fails at those of some streams. */
const failingAt = (...bad: string[]) => ({
  fold: (events: readonly StoredEvent[]): number => {
    if (events.some((e) => bad.includes(e.streamId) && e.seq > 2)) throw new RangeError('beyond numbers');
    return events.length;
  },
});
const LOG = ['A', 'B', 'A', 'C', 'B', 'D'].map((stream, i) => entry(stream, i + 1));

test('streams that cannot be folded are left out, all others stand', () => {
  expect(foldReadable(failingAt(), LOG)).toEqual({ state: 6, unreadable: new Set() });
  expect(foldReadable(failingAt('B'), LOG)).toEqual({ state: 4, unreadable: new Set(['B']) });
  expect(foldReadable(failingAt('A', 'D'), LOG)).toEqual({ state: 3, unreadable: new Set(['A', 'D']) });
});

test('a fold that fails at nothing in particular says so', () => {
  const never = {
    fold: (): never => {
      throw new Error('broken');
    },
  };
  expect(() => foldReadable(never, LOG)).toThrow('broken');
});

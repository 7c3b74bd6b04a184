import { expect, test } from '@jest/globals';
import type { StoredEvent } from '@morning-crock/core/contract';
import { inSlices } from '../../breathe.ts';
import { foldingReadable } from './readable.ts';

const entry = (streamId: string, seq: number): StoredEvent =>
  ({
    id: `${streamId}${seq}`,
    streamId,
    seq,
    type: 'noted',
    at: new Date(seq * 1000).toISOString(),
  }) as StoredEvent;
/** A register that lists what was carried out, and fails at the later entries of some streams. */
const failingAt = (...bad: string[]) => ({
  open: (): string[] => [],
  apply: (state: string[], { id, streamId, seq }: StoredEvent): void => {
    if (bad.includes(streamId) && seq > 2) throw new RangeError('beyond numbers');
    state.push(id);
  },
});
const LOG = ['A', 'B', 'A', 'C', 'B', 'D'].map((stream, i) => entry(stream, i + 1));

test('streams that cannot be folded are left out, all others stand', async () => {
  const folded = async (...bad: string[]) => {
    const { state, unreadable } = await inSlices(foldingReadable(failingAt(...bad), LOG));
    return [state.join(' '), [...unreadable].join(' ')];
  };
  expect(await folded()).toEqual(['A1 B2 A3 C4 B5 D6', '']);
  expect(await folded('B')).toEqual(['A1 A3 C4 D6', 'B']);
  expect(await folded('A', 'D')).toEqual(['B2 C4 B5', 'A D']);
});

test('others have their turn while a long log is folded', async () => {
  const slow = {
    open: () => ({ n: 0 }),
    apply: (state: { n: number }): void => {
      for (const until = performance.now() + 0.3; performance.now() < until;);
      state.n++;
    },
  };
  let turns = 0;
  const timer = setInterval(() => turns++, 1);
  const long = Array.from({ length: 400 }, (_, i) => entry('A', i + 1));
  expect((await inSlices(foldingReadable(slow, long))).state.n).toBe(400);
  clearInterval(timer);
  expect(turns).toBeGreaterThan(2);
});

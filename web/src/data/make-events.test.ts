import { expect, test } from '@jest/globals';
import type { DraftEvent, StoredEvent } from '@morning-crock/core/contract';
import { makeEvents } from './make-events.ts';
import type { KeptEntry } from './outbox.ts';

const AT = '2026-03-02T06:00:00.000Z';
const entry = (n: number, makeId: string, type: 'noted' | 'step-done' = 'step-done'): DraftEvent =>
  ({
    id: `01HYYYYYYYYYYYYYYYYYYYYY${String(n).padStart(2, '0')}`,
    streamId: makeId,
    at: AT,
    cookId: null,
    deviceId: 'tablet',
    version: 4,
    type,
    data: type === 'noted' ? { text: 'stirred' } : { step: 'pour' },
  }) as DraftEvent;
const stored = (draft: DraftEvent, seq: number): StoredEvent => ({ ...draft, seq, receivedAt: AT });
const kept = (draft: DraftEvent, refused: KeptEntry['refused'] = null): KeptEntry => ({
  draft,
  refused,
  aside: null,
});

test('an entry kept here and the same one stored are one entry: nothing is worked out again by it', () => {
  const make = '01HZZZZZZZZZZZZZZZZZZZZZZA';
  const [first, mine] = [stored(entry(1, make), 1), entry(2, make)];
  const waiting = makeEvents(make, [first], [kept(mine)]);
  expect(waiting.events.map(({ id }) => id)).toEqual([first.id, mine.id]);
  // Stored, and for a moment still in the outbox; then only stored.
  const both = makeEvents(make, [first, stored(mine, 2)], [kept(mine)]);
  expect(both).toBe(waiting);
  expect(makeEvents(make, [first, stored(mine, 2)], [])).toBe(waiting);
});

test('a note shapes nothing: what a forecast follows from stays the same list', () => {
  const make = '01HZZZZZZZZZZZZZZZZZZZZZZB';
  const first = stored(entry(1, make), 1);
  const before = makeEvents(make, [first], []);
  const after = makeEvents(make, [first, stored(entry(2, make, 'noted'), 2)], []);
  expect(after.events).toHaveLength(2);
  expect(after.shaping).toBe(before.shaping);
});

test('what the server refused is not part of the log, nor what is of another make', () => {
  const make = '01HZZZZZZZZZZZZZZZZZZZZZZC';
  const refused = kept(entry(1, make), { code: 'bad-input', message: '', next: '', details: [] });
  expect(makeEvents(make, undefined, [refused, kept(entry(2, 'another'))]).events).toEqual([]);
});

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { EVENT_TYPES } from '../contract/index.ts';
import { keptEvents } from '../fixtures/kept-kitchen.ts';
import {
  beginsMake,
  effectiveEvents,
  EVENT_FACTS,
  eventsThat,
  feeding,
  isChange,
  voidedIds,
} from './index.ts';

describe('the facts of entries', () => {
  test('hold together', () => {
    for (const type of EVENT_TYPES) {
      const facts = EVENT_FACTS[type];
      expect(facts.of.length).toBeGreaterThan(0);
      // What is one of thousands shapes nothing, and what begins a stream is in no other.
      expect(facts.bounded === true && facts.shapes === true).toBe(false);
      if (facts.begins) expect(facts.of).toHaveLength(1);
      // What no forecast follows from teaches nothing either.
      expect(facts.aside === true && facts.teaches === true).toBe(false);
    }
    expect(eventsThat((facts) => facts.changes)).toEqual(['corrected', 'voided']);
    expect(EVENT_TYPES.filter(beginsMake)).toEqual(['make-started', 'waking-started']);
    // A register that hears of a beginning hears of its undoing.
    for (const register of ['milk', 'cultures', 'larder'] as const)
      expect(feeding(register)).toEqual(expect.arrayContaining(['corrected', 'voided']));
  });
});

describe('what counts of a log', () => {
  const log = keptEvents();

  test('is the same whatever the order it arrives in, and however often', () => {
    const counts = effectiveEvents(log);
    fc.assert(
      fc.property(fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })), (stream) => {
        const keyed = [...log, ...log.slice(0, 50)].map((event) => ({
          event,
          key: stream.next().value as number,
        }));
        const shuffled = keyed.sort((a, b) => a.key - b.key).map(({ event }) => event);
        expect(effectiveEvents(shuffled)).toEqual(counts);
      }),
      { numRuns: 12 },
    );
  });

  test('holds every entry but those taken back and those that change others', () => {
    const gone = voidedIds(log);
    expect(gone.size).toBeGreaterThan(0);
    const expected = log.filter((e) => !isChange(e) && !gone.has(e.id)).map((e) => e.id);
    expect(new Set(effectiveEvents(log).map((e) => e.id))).toEqual(new Set(expected));
    const corrected = log.find((e) => e.type === 'corrected')!;
    const target = effectiveEvents(log).find((e) => e.id === (corrected.data as { target: string }).target)!;
    expect(target.data).toEqual((corrected.data as { data: unknown }).data);
  });
});

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { KitchenSettings } from '../contract/index.ts';
import { attendance, defaultKitchen, nobodyThere } from '../kitchen/index.ts';
import { pointForecast, stateOfPlan } from '../make/index.ts';
import { defaultPlan } from '../products/index.ts';
import { planBackwards } from './index.ts';
import { HOUR_MS } from '../science/units/index.ts';

const NOW = Date.parse('2026-03-02T06:00:00.000Z');
const BASE = defaultKitchen('UTC');

/** Any wish, any night, any leave to change things. */
const wishes = fc.record({
  inHours: fc.double({ min: 2, max: 60, noNaN: true }),
  goal: fc.constantFrom('eat', 'set'),
  litres: fc.integer({ min: 5, max: 60 }).map((n) => n / 10),
  place: fc.integer({ min: 0, max: BASE.places.length - 1 }),
  sleepFrom: fc.constantFrom('20:30', '22:30', '01:00'),
  sleepTo: fc.constantFrom('05:30', '08:00'),
  allowed: fc.record({
    dose: fc.boolean(),
    place: fc.boolean(),
    heat: fc.boolean(),
    bath: fc.boolean(),
    sourer: fc.boolean(),
  }),
} as const);

describe('whatever is wished for', () => {
  test('an offer keeps its word, or there is none and a reason', () => {
    const seen = { offers: 0, none: 0, changed: 0 };
    fc.assert(
      fc.property(wishes, ({ inHours, goal, litres, place, sleepFrom, sleepTo, allowed }) => {
        const kitchen: KitchenSettings = { ...BASE, cooks: [{ ...BASE.cooks[0]!, sleepFrom, sleepTo }] };
        const byMs = Math.round(NOW + inHours * HOUR_MS);
        const plan = {
          ...defaultPlan(kitchen, new Date(NOW).toISOString(), litres),
          place: BASE.places[place]!,
        };
        const answer = planBackwards({
          state: stateOfPlan(plan),
          begun: false,
          kitchen,
          factors: [],
          wish: { goal, byMs },
          allowed,
          nowMs: NOW,
        });
        if (answer.outcome === 'none') {
          expect(answer.reason).not.toBeNull();
          expect(answer.offers).toEqual([]);
          seen.none++;
          return;
        }
        expect(answer.offers.length).toBeGreaterThan(0);
        seen.offers += answer.offers.length;
        for (const offer of answer.offers) {
          const point = pointForecast(stateOfPlan(offer.plan), offer.startMs);
          const hands = point.steps.filter((s) =>
            ['pour', 'heat', 'hold', 'cool', 'inoculate'].includes(s.id),
          );
          for (const ms of [offer.startMs, ...hands.map((s) => s.endMs)])
            expect(nobodyThere(kitchen, ms)).toBe(false);
          if (goal === 'eat') expect(offer.takenOutMs + 4 * HOUR_MS).toBeLessThanOrEqual(byMs + 10 * 60_000);
          // Only what was allowed is asked for.
          for (const price of offer.prices) {
            if (price.kind === 'start') continue;
            seen.changed++;
            expect(allowed[price.kind]).toBe(true);
          }
          expect(offer.plan.milk).toEqual(plan.milk);
        }
      }),
      { numRuns: 12, seed: 20260302 },
    );
    // Each kind of answer must have come up, or this shows nothing.
    expect(seen.offers).toBeGreaterThan(5);
    expect(seen.none).toBeGreaterThan(0);
    expect(seen.changed).toBeGreaterThan(0);
  });
});

test('attendance is the same as asking each time, for any hours', () => {
  const hour = fc.integer({ min: 0, max: 23 }).map((h) => `${String(h).padStart(2, '0')}:00`);
  fc.assert(
    fc.property(
      hour,
      hour,
      hour,
      hour,
      fc.subarray([0, 1, 2, 3, 4, 5, 6], { minLength: 1 }),
      (sf, st, af, at, days) => {
        const kitchen: KitchenSettings = {
          ...BASE,
          cooks: [{ ...BASE.cooks[0]!, sleepFrom: sf, sleepTo: st }],
          absences: [{ id: BASE.pots[0]!.id, cookId: BASE.cooks[0]!.id, name: 'x', days, from: af, to: at }],
        };
        const there = attendance(kitchen, NOW, NOW + 48 * HOUR_MS);
        for (let h = 0; h < 48; h += 1.25)
          expect(there.at(NOW + h * HOUR_MS)).toBe(!nobodyThere(kitchen, NOW + h * HOUR_MS));
      },
    ),
    { numRuns: 40 },
  );
});

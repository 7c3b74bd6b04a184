import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { PRODUCT_TAKES, makePlan, method, PRODUCT_IDS } from '../../contract/index.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import { alarmsOf, makeFlow, pointForecast, safetyOf, stateOfPlan } from '../../make/index.ts';
import { massFlow, methodSteps, planOfMethod, PRODUCTS } from '../index.ts';
import { SHIPPED_METHODS, usualMethod } from './shipped.ts';

const AT = '2026-03-05T08:00:00.000Z';
const NOW = Date.parse(AT);
const kitchenAt = (roomC: number, altitudeM: number) => {
  const kitchen = defaultKitchen('UTC');
  return {
    ...kitchen,
    site: { ...kitchen.site, roomC, altitudeM },
    pots: [{ ...kitchen.pots[0]!, litres: 60 }],
  };
};

test('every product that is planned by a method has one, and no two methods share a name', () => {
  expect(new Set(SHIPPED_METHODS.map(({ id }) => id)).size).toBe(SHIPPED_METHODS.length);
  for (const id of PRODUCT_IDS) if (id !== 'waking') expect(usualMethod(id)).not.toBeNull();
});

describe.each(SHIPPED_METHODS.map((m) => [m.id, m] as const))('%s', (_id, shipped) => {
  test('is a whole method that its product can be made by', () => {
    expect(method.parse(shipped)).toEqual(shipped);
    const plan = makePlan.parse(planOfMethod(shipped, kitchenAt(20, 100), AT));
    const steps = methodSteps(plan);
    expect(steps.length).toBeGreaterThan(3);
    for (const step of steps) expect(step.title && step.doneWords).toBeTruthy();
    const { starters } = PRODUCTS[shipped.product];
    if (steps.some(({ facts }) => facts.sours)) expect(starters).toContain(plan.starter.kind);
  });

  test('forecasts without fault from half a litre to forty, 12 to 32 °C, up to 3,000 m', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.double({ min: 12, max: 32, noNaN: true }),
        fc.integer({ min: 0, max: 3000 }),
        (litres, roomC, altitudeM) => {
          const kitchen = kitchenAt(roomC, altitudeM);
          const plan = makePlan.parse(planOfMethod(shipped, kitchen, AT, litres));
          const state = stateOfPlan(plan);
          const point = pointForecast(state, NOW);
          const ends = point.steps.map(({ endMs }) => endMs);
          expect(ends).toHaveLength(state.steps.length);
          for (const [i, end] of ends.entries()) {
            expect(Number.isFinite(end)).toBe(true);
            expect(end).toBeGreaterThanOrEqual(ends[i - 1] ?? NOW);
          }
          // Water boils away below that; what is left of butter is hotter.
          const hottest = PRODUCT_TAKES[shipped.product] === 'butter' ? 121 : 111;
          // One look at the whole curve: an assertion a point takes longer than the forecast.
          expect(
            point.temperature.filter(([ms, c]) => !Number.isFinite(ms) || !(c > -20 && c < hottest)),
          ).toEqual([]);
          expect(
            alarmsOf(
              state,
              {
                ...point,
                point,
                steps: [],
                band: [],
                neverSets: 0,
                contradiction: null,
                ambientSigmaC: 0,
                marks: [],
                stats: { members: 0, effectiveMembers: 0, rounds: 0, seed: 0 },
              },
              safetyOf(state, point.temperature, NOW, null),
            ),
          ).toBeDefined();
        },
      ),
      { numRuns: 3 },
    );
  });

  test('loses no mass, no fat and no protein', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 2, max: 60, noNaN: true }),
        (litres, denatured, gelH) => {
          const plan = planOfMethod(shipped, kitchenAt(20, 100), AT, litres);
          const { wentIn, out, off, added } = massFlow(plan, { denatured, gelH });
          const parts = [out, ...off];
          const sum = (of: (part: (typeof parts)[number]) => number) => parts.reduce((s, p) => s + of(p), 0);
          const addedKg = added.reduce((s, a) => s + a.massKg, 0);
          expect(sum((p) => p.massKg)).toBeCloseTo(wentIn.massKg + addedKg, 9);
          expect(sum((p) => p.massKg * p.fatFraction)).toBeCloseTo(wentIn.massKg * wentIn.fatFraction, 9);
          expect(sum((p) => p.massKg * p.proteinFraction)).toBeCloseTo(
            wentIn.massKg * wentIn.proteinFraction,
            9,
          );
          for (const { massKg, fatFraction, proteinFraction } of parts) {
            expect(massKg).toBeGreaterThanOrEqual(0);
            expect(fatFraction).toBeGreaterThanOrEqual(-1e-12);
            expect(proteinFraction).toBeGreaterThanOrEqual(-1e-12);
          }
        },
      ),
      { numRuns: 30 },
    );
  });

  test('the flow of a make is that of its plan', () => {
    const plan = planOfMethod(shipped, kitchenAt(20, 100), AT);
    expect(makeFlow(stateOfPlan(plan), 0.9).out).toEqual(massFlow(plan, { denatured: 0.9 }).out);
  });
});

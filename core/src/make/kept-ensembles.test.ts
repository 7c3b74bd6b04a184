import { describe, expect, test } from '@jest/globals';
import { defaultKitchen } from '../kitchen/index.ts';
import { planOfMethod } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import { forecasting, stateOfPlan, stateWith, type BandForecast, type MakeState } from './index.ts';
import { KeptEnsembles } from './kept-ensembles.ts';

const START = '2026-03-03T07:00:00.000Z';
const NOW = Date.parse(START);
const MEMBERS = 300;
const yogurt = stateOfPlan(
  planOfMethod(
    SHIPPED_METHODS.find(({ id }) => id === 'yogurt')!,
    defaultKitchen('UTC'),
    START,
    2,
  ),
);
/** The forecast, and how many breaths it took: of what is found again nothing is drawn. */
function asked(state: MakeState, nowMs: number, kept?: KeptEnsembles, seed = 7) {
  const work = forecasting(state, nowMs, seed, MEMBERS, kept);
  for (let breaths = 0; ; breaths++) {
    const step = work.next();
    if (step.done === true) return { forecast: step.value satisfies BandForecast, breaths };
  }
}
const inoculated = stateWith(
  yogurt,
  'starter-added',
  { massKg: 0.05, statedRatio: null, typed: null },
  NOW + HOUR_MS,
);
const read = (ph: number, hours: number): MakeState =>
  stateWith(
    inoculated,
    'ph-read',
    { ph, instrument: 'meter', sigma: null, typed: { value: ph, unit: 'pH' } },
    NOW + hours * HOUR_MS,
  );

describe('ensembles that are kept', () => {
  test('make no difference to any forecast, whatever was asked before', () => {
    const kept = new KeptEnsembles(4);
    for (const [state, hours] of [
      [yogurt, 0],
      [inoculated, 1.2],
      [inoculated, 2],
      [read(5.9, 3), 3],
      [read(6.4, 3), 3.1],
      [inoculated, 4],
      [yogurt, 0.1],
    ] as const)
      expect(asked(state, NOW + hours * HOUR_MS, kept).forecast).toEqual(
        asked(state, NOW + hours * HOUR_MS).forecast,
      );
  });

  test('draw nothing anew while time passes, and nothing but the weights when the pH is read', () => {
    const kept = new KeptEnsembles(4);
    expect(asked(inoculated, NOW + 1.2 * HOUR_MS, kept).breaths).toBe(MEMBERS / 100);
    expect(asked(inoculated, NOW + 2 * HOUR_MS, kept).breaths).toBe(0);
    expect(asked(read(6.3, 2), NOW + 2 * HOUR_MS, kept).breaths).toBeLessThan(MEMBERS / 100);
    // Another batch, or another dose, is drawn for itself.
    expect(asked(inoculated, NOW + 2 * HOUR_MS, kept, 8).breaths).toBe(MEMBERS / 100);
    const more = stateWith(
      yogurt,
      'starter-added',
      { massKg: 0.06, statedRatio: null, typed: null },
      NOW + HOUR_MS,
    );
    expect(asked(more, NOW + 2 * HOUR_MS, kept).breaths).toBe(MEMBERS / 100);
  });

  test('are few: the one asked for longest ago goes', () => {
    const kept = new KeptEnsembles(2);
    const breaths = (seed: number): number => asked(inoculated, NOW + 2 * HOUR_MS, kept, seed).breaths;
    expect([1, 2, 1, 3, 1, 2].map(breaths).map((n) => n > 0)).toEqual([true, true, false, true, false, true]);
  });
});

import { describe, expect, test } from '@jest/globals';
import type { ProductId } from '../contract/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import type { LoggedEvent } from '../log/index.ts';
import { beginPlan } from '../products/index.ts';
import { createLog, MAKE_ID, START } from './fixtures/make-events.ts';
import { begunTooEarly, datedTooEarly, foldMake, incubationOf, pointForecast, walkThermal } from './index.ts';
import { DAY_MIN } from '../science/units/index.ts';

/** A tablet whose clock was never set. */
const UNSET_MIN = (Date.UTC(1970, 0, 2) - START) / 60_000;
const NOW = START + 130 * 60_000;
const typed = { value: 20, unit: 'C' as const };
const planOf = (product: ProductId) =>
  beginPlan(product, defaultKitchen('UTC'), new Date(START).toISOString(), 3);

describe('a log that holds an entry of 1970 still folds and is forecast', () => {
  test.each(['skyr', 'cultured-cream', 'yogurt', 'kefir', 'cheese', 'waking'] as const)('%s', (product) => {
    const plan = planOf(product);
    const log = createLog();
    const events: LoggedEvent[] = [
      log(0, 'make-started', { plan }),
      ...plan.method.steps.slice(0, 2).map(({ id }, i) => log(UNSET_MIN + i, 'step-done', { step: id })),
      log(UNSET_MIN + 5, 'starter-added', {
        massKg: 0.09,
        statedRatio: null,
        typed: { value: 90, unit: 'g' },
      }),
      log(100, 'temperature-read', { celsius: 20, instrument: 'hand', typed }),
      log(120, 'ph-read', { ph: 5.4, instrument: 'meter', sigma: null, typed: { value: 5.4, unit: 'pH' } }),
    ];
    const state = foldMake(MAKE_ID, events)!;
    const incubation = incubationOf(state, walkThermal(state, NOW));
    // A point a quarter of an hour up to where nobody looks any more, and each reading.
    if (incubation) expect(incubation.course.length).toBeLessThan(4 * incubation.horizonH + 20);
    expect(pointForecast(state, NOW).steps.length).toBeGreaterThan(0);
  });
});

describe('entries are held against their batch', () => {
  test('as long before it as its method takes, a day at least, and never a year', () => {
    const early = (product: ProductId, daysBefore: number): boolean =>
      datedTooEarly(planOf(product), START, START - daysBefore * DAY_MIN * 60_000);
    expect(early('yogurt', -400)).toBe(false);
    expect(early('yogurt', 0.9)).toBe(false);
    expect(early('yogurt', 3)).toBe(true);
    // A pressed cheese takes weeks.
    expect(early('cheese', 3)).toBe(false);
    expect(early('cheese', 367)).toBe(true);
    expect(early('butter', 56 * 365)).toBe(true);
  });

  test('and a batch against today', () => {
    expect(begunTooEarly(START, START)).toBe(false);
    expect(begunTooEarly(START - 360 * DAY_MIN * 60_000, START)).toBe(false);
    expect(begunTooEarly(0, START)).toBe(true);
  });
});

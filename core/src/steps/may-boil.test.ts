import { expect, test } from '@jest/globals';
import type { MakePlan } from '../contract/index.ts';
import { createLog, MAKE_ID, START, testPlan } from '../make/fixtures/make-events.ts';
import { alarmsOf, bandForecast, dueMs, foldMake, safetyOf } from '../make/index.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** Milk that is on the fire since minute five, and when it may boil, ms. */
function onTheFire(plan: MakePlan) {
  const log = createLog();
  const state = foldMake(MAKE_ID, [log(0, 'make-started', { plan }), log(5, 'step-done', { step: 'pour' })])!;
  const nowMs = START + 6 * MINUTE_MS;
  const forecast = bandForecast(state, nowMs, 1, 20);
  const safety = safetyOf(state, forecast.point.temperature, nowMs, null);
  const bell = alarmsOf(state, forecast, safety).find(({ id }) => id === 'may-boil');
  return { hotMs: dueMs(state)!, boilsMs: bell?.dueAtMs ?? null };
}

test('milk left on its flame is told when it may boil, some minutes after it was hot enough', () => {
  const full = testPlan({ heat: { ...testPlan().heat, flame: 'full' } });
  const { hotMs, boilsMs } = onTheFire(full);
  expect(boilsMs!).toBeGreaterThan(hotMs + MINUTE_MS);
  expect(boilsMs!).toBeLessThan(hotMs + 40 * MINUTE_MS);
  const onAHill = onTheFire({ ...full, altitudeM: 2500 });
  expect(onAHill.boilsMs! - onAHill.hotMs).toBeLessThan(boilsMs! - hotMs);
});

test('what is to boil is not warned of boiling, nor what its flame never brings there', () => {
  const plan = testPlan();
  expect(onTheFire({ ...plan, heat: { ...plan.heat, kind: 'boil' } }).boilsMs).toBeNull();
  const weak = { ...plan, burner: { ...plan.burner, powerKw: 0.45 }, heat: { ...plan.heat, targetC: 45 } };
  expect(onTheFire(weak).boilsMs).toBeNull();
});

import { expect, test } from '@jest/globals';
import { defaultKitchen } from '../../kitchen/index.ts';
import type { LoggedEvent } from '../../log/index.ts';
import { beginPlan } from '../../products/index.ts';
import { createLog, MAKE_ID, START } from '../../make/fixtures/make-events.ts';
import { alarmsOf, bandForecast, foldMake, safetyOf, type MakeState, makeAt } from '../../make/index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';
import { fatBalance, slowChurning } from '../index.ts';

const plan = beginPlan('butter', defaultKitchen('UTC'), new Date(START).toISOString());
const churning = (
  begunC: number,
  more: (log: ReturnType<typeof createLog>) => LoggedEvent[] = () => [],
): MakeState => {
  const log = createLog();
  const read = (minute: number, celsius: number) =>
    log(minute, 'temperature-read', { celsius, instrument: 'hand', typed: { value: celsius, unit: 'C' } });
  return foldMake(MAKE_ID, [
    log(0, 'make-started', { plan }),
    log(2, 'step-done', { step: 'take-out' }),
    read(59, begunC),
    log(60, 'step-done', { step: 'temper' }),
    ...more(log),
  ])!;
};

test('a churning is too long after twice the longest it should take; then it asks how warm it is', () => {
  const state = churning(12);
  const slow = slowChurning(makeAt(state, START + 61 * MINUTE_MS))!;
  expect(slow).toMatchObject({ late: 'froth', heatC: null, causes: [], remedies: [] });
  expect(slow.sinceMs).toBeLessThan(START + 70 * MINUTE_MS);
  const forecast = bandForecast(state, START + 61 * MINUTE_MS, 1, 20);
  const alarms = alarmsOf(
    state,
    forecast,
    safetyOf(state, forecast.point.temperature, START + 61 * MINUTE_MS, null),
  );
  // First whether its next stage is there; long after it, that all of it takes too long.
  expect(alarms.find((a) => a.id === 'late-froth')).toMatchObject({
    dueAtMs: slow.sinceMs,
    title: 'Still liquid?',
    mustAct: false,
  });
  const tooLong = alarms.find((a) => a.id === 'slow-churning')!;
  expect(tooLong.dueAtMs).toBeGreaterThan(START + 90 * MINUTE_MS);
  expect(slowChurning(makeAt(state, tooLong.dueAtMs + MINUTE_MS))!.late).toBeNull();
});

test('once it was measured it says why, and what could be done about it', () => {
  const cold = (minute: number) =>
    churning(6, (log) => [
      log(minute, 'temperature-read', { celsius: 7.5, instrument: 'hand', typed: { value: 7.5, unit: 'C' } }),
    ]);
  const { sinceMs } = slowChurning(makeAt(cold(70), START + 61 * MINUTE_MS))!;
  const late = Math.ceil((sinceMs - START) / MINUTE_MS) + 2;
  const slow = slowChurning(makeAt(cold(late), START + (late + 1) * MINUTE_MS))!;
  expect(slow.heatC).toBe(7.5);
  expect(slow.causes[0]).toBe('cold');
  expect(slow.remedies[0]!.what).toBe('warm-bath');
  // A reading of half an hour ago says nothing of now.
  expect(slowChurning(makeAt(cold(late), START + (late + 31) * MINUTE_MS))!.heatC).toBeNull();
});

test('what broke, or is no churning, is never too long', () => {
  const log = createLog();
  const over = churning(12, (own) => [own(80, 'step-done', { step: 'churn' })]);
  expect(slowChurning(makeAt(over, START + 300 * MINUTE_MS))).toBeNull();
  const yogurt = beginPlan('yogurt', defaultKitchen('UTC'), new Date(START).toISOString());
  expect(
    slowChurning(makeAt(foldMake(MAKE_ID, [log(0, 'make-started', { plan: yogurt })])!, START)),
  ).toBeNull();
});

test('however long it is churned, there is never more butter in it than its fat makes, and never none at all', () => {
  for (const minutes of [20, 60, 180, 310, 900]) {
    const { likelyKg, possibleKg, buttermilkFatFraction } = fatBalance(
      makeAt(churning(12), START + (60 + minutes) * MINUTE_MS),
    )!;
    expect(likelyKg).toBeLessThanOrEqual(possibleKg);
    expect(likelyKg).toBeGreaterThan(0.8 * possibleKg);
    expect(buttermilkFatFraction).toBeLessThan(0.06);
  }
});

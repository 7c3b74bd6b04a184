import { describe, expect, test } from '@jest/globals';
import type { LoggedEvent } from '../../log/index.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import { adviseOn, beginPlan } from '../../products/index.ts';
import { withLoads, PAN_TOLD, butterKeepsAt, told, churnedOf, fatBalance } from '../index.ts';
import { createLog, MAKE_ID, START } from '../../make/fixtures/make-events.ts';
import { foldMake, planAgain, stateOfPlan, type MakeState, makeAt } from '../../make/index.ts';

const kitchen = defaultKitchen('UTC');
const plan = withLoads(beginPlan('butter', kitchen, new Date(START).toISOString()));
type Log = ReturnType<typeof createLog>;
function churned(more: (log: Log) => LoggedEvent[] = () => []): MakeState {
  const log = createLog();
  return foldMake(MAKE_ID, [
    log(0, 'make-started', { plan }),
    log(2, 'step-done', { step: 'take-out' }),
    log(59, 'temperature-read', { celsius: 13.4, instrument: 'hand', typed: { value: 13.4, unit: 'C' } }),
    log(60, 'step-done', { step: 'temper' }),
    log(85, 'stage-seen', { stage: 'broken' }),
    log(86, 'step-done', { step: 'churn' }),
    log(90, 'weighed', { massKg: 0.56, typed: { value: 560, unit: 'g' }, of: 'buttermilk' }),
    ...more(log),
  ])!;
}

describe('a churning in a line', () => {
  test('its heat, its minutes, and where the fat went', () => {
    const state = churned((log) => [log(120, 'weighed', { massKg: 0.38, typed: { value: 380, unit: 'g' } })]);
    const line = churnedOf(makeAt(state, state.finished?.atMs ?? state.startedAtMs))!;
    expect(line).toMatchObject({ startC: 13.4, minutes: 25, loads: 1, butterKg: 0.38, buttermilkKg: 0.56 });
    const fat = fatBalance(makeAt(state, START + 121 * 60_000))!;
    expect(line.lostFraction! * fat.fatKg).toBeCloseTo(fat.fatKg - fat.inButterKg!, 9);
    // Every gram is somewhere: butter, buttermilk, washing, and what is left of the rest.
    expect(fat.inButterKg! + fat.inButtermilkKg! + fat.elsewhereKg!).toBeCloseTo(fat.fatKg, 9);
    expect(fat.inWashKg!).toBeGreaterThanOrEqual(0);
    expect(fat.inWashKg!).toBeLessThanOrEqual(Math.max(0, fat.elsewhereKg!));
  });

  test('what was not churned has none', () => {
    expect(churnedOf(makeAt(stateOfPlan(plan), START))).toBeNull();
    expect(churnedOf(makeAt(stateOfPlan(beginPlan('yogurt', kitchen, plan.startAt)), START))).toBeNull();
  });
});

test('made again, it is begun as it was, not as it was planned', () => {
  const state = churned((log) => [
    ...[95, 99].map((minute) => log(minute, 'rinsed', { clear: minute === 99 })),
    log(110, 'salted', { massKg: 0.006, typed: { value: 6, unit: 'g' } }),
    log(120, 'weighed', { massKg: 0.4, typed: { value: 400, unit: 'g' } }),
  ]);
  const { steps } = planAgain(state).method;
  expect(steps.find((s) => s.kind === 'temper')).toMatchObject({ toC: 13.5 });
  expect(steps.find((s) => s.kind === 'wash')).toMatchObject({ washes: 2 });
  expect(steps.find((s) => s.kind === 'work')).toMatchObject({ saltFraction: 0.015 });
  // Another amount of cream makes other loads.
  expect(steps.find((s) => s.kind === 'churn')).not.toHaveProperty('loads');
  expect(planAgain(stateOfPlan(plan)).method.steps.find((s) => s.kind === 'wash')).toEqual(
    plan.method.steps.find((s) => s.kind === 'wash'),
  );
});

test('how long it keeps follows from what was done to it', () => {
  const clear = churned((log) => [log(95, 'rinsed', { clear: true })]);
  expect(butterKeepsAt(makeAt(clear, clear.finished?.atMs ?? clear.startedAtMs), 'cold')!.days).toEqual([
    14, 21,
  ]);
  expect(
    butterKeepsAt(makeAt(churned(), churned().finished?.atMs ?? churned().startedAtMs), 'cold')!.days,
  ).toEqual([5, 7]);
  const garlic = churned((log) => [
    log(95, 'rinsed', { clear: true }),
    log(96, 'flavoured', { with: 'garlic', text: '' }),
  ]);
  expect(butterKeepsAt(makeAt(garlic, garlic.finished?.atMs ?? garlic.startedAtMs), 'cold')!.days).toEqual([
    2, 4,
  ]);
  expect(
    butterKeepsAt(
      makeAt(
        stateOfPlan(beginPlan('yogurt', kitchen, plan.startAt)),
        stateOfPlan(beginPlan('yogurt', kitchen, plan.startAt)).finished?.atMs ??
          stateOfPlan(beginPlan('yogurt', kitchen, plan.startAt)).startedAtMs,
      ),
      'cold',
    ),
  ).toBeNull();
});

test('soured milk churned whole: lean, warned of what stays behind, and not called no cream', () => {
  const curd = { ...plan, milk: { ...plan.milk, fatFraction: 0.042, soured: true, wholeCurd: true } };
  const advice = adviseOn(curd);
  expect(advice.some((a) => a.text.includes('a quarter to half of its fat'))).toBe(true);
  expect(advice.filter((a) => a.severity === 'stop')).toEqual([]);
  const fat = fatBalance(makeAt(stateOfPlan(curd), START))!;
  const left = (fat.buttermilkFatFraction * (fat.creamKg - fat.likelyKg)) / fat.fatKg;
  expect(left).toBeGreaterThan(0.2);
  expect(left).toBeLessThan(0.6);
  const cream = { ...plan, milk: { ...plan.milk, fatFraction: 0.042 } };
  expect(adviseOn(cream).some((a) => a.severity === 'stop')).toBe(true);
});

test('solids stuck and it went on in another pan: what it weighs is told on, no water is lost by pouring', () => {
  const log = createLog();
  const ghee = beginPlan('ghee', kitchen, new Date(START).toISOString(), 0.8);
  const weigh = (minute: number, massKg: number) =>
    log(minute, 'pan-weighed', { massKg, typed: { value: massKg, unit: 'kg' } });
  const state = foldMake(MAKE_ID, [
    log(0, 'make-started', { plan: ghee }),
    weigh(1, 2),
    weigh(10, 1.95),
    log(11, 'pan-changed', {}),
    weigh(12, 1.6),
    weigh(20, 1.57),
  ])!;
  expect(told(state, PAN_TOLD).weighed.map((p) => Math.round(1000 * p.massKg))).toEqual([
    2000, 1950, 1950, 1920,
  ]);
});

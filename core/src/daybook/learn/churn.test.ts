import { expect, test } from '@jest/globals';
import { churnForecast } from '../../science/butter/index.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import { foldMake, pointForecast, stateOfPlan, type MakeState } from '../../make/index.ts';
import { createLog, START } from '../../make/fixtures/make-events.ts';
import { batchOf } from '../../setup/index.ts';
import { beginPlan } from '../../products/index.ts';
import { factorsFor, factorWords, learnFactors, withFactors } from './index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';

const kitchen = defaultKitchen('UTC');
const plan = beginPlan('butter', kitchen, new Date(START).toISOString());
const churn = plan.method.steps.find((s) => s.kind === 'churn')!;
const bookMin = churnForecast({
  churn: churn.churn,
  speed: churn.speed,
  startC: 12,
  fatFraction: batchOf(plan).composition.fatFraction,
  fillFraction: batchOf(plan).litres / churn.litres,
  litres: batchOf(plan).litres,
  roomC: plan.roomC,
  ripened: false,
  wholeCurd: false,
  treatment: plan.milk.treatment,
  agedCold: true,
}).minutes;

/** A churning in a churn that takes some times as long as the book. */
function churned(n: number, slower: number, { read = true } = {}): MakeState {
  const log = createLog();
  const id = `01HZZZZZZZZZZZZZZZZZZZZZ${String(n).padStart(2, '0')}`;
  const at = 60 + bookMin * slower;
  return foldMake(
    id,
    [
      log(0, 'make-started', { plan: { ...plan, name: `Churning ${n}` } }),
      log(2, 'step-done', { step: 'take-out' }),
      ...(read
        ? [log(59, 'temperature-read', { celsius: 12, instrument: 'hand', typed: { value: 12, unit: 'C' } })]
        : []),
      log(60, 'step-done', { step: 'temper' }),
      log(at, 'stage-seen', { stage: 'broken' }),
      log(at + 1, 'step-done', { step: 'churn' }),
      log(at + 60, 'finished', { verdict: 'kept', reason: '' }),
    ].map((event) => ({ ...event, streamId: id })),
  )!;
}

test('what its churnings took teaches a churn, at its speed, with shrinkage, in words', () => {
  const factors = learnFactors(
    [1, 2, 3].map((n) => churned(n, 1.5)),
    kitchen,
  );
  const [factor] = factors.filter((f) => f.kind === 'churn');
  expect(factor).toMatchObject({ thing: `medium ${churn.name}`, name: churn.name, makes: 3 });
  // Work grows a little faster than time: half as long again is a little more than half as much work again.
  expect(factor!.mean).toBeGreaterThan(0.7 * Math.log(1.5));
  expect(factor!.mean).toBeLessThan(1.5 * Math.log(1.5));
  expect(factor!.sigma).toBeLessThan(0.2);
  expect(factorWords(factor!, 'C')).toMatch(/^\d+ % longer to break than usual \(3 batches, ± \d+ %\)$/);
});

test('the next one in it is forecast by that, and in a narrower band', () => {
  const factors = learnFactors(
    [1, 2, 3, 4].map((n) => churned(n, 1.5)),
    kitchen,
  );
  const minutesOf = (of: typeof plan) => {
    const time = pointForecast(stateOfPlan(of), START).steps.find((s) => s.id === 'churn')!;
    return { minutes: (time.endMs - time.startMs) / MINUTE_MS, sigma: time.sigmaMin };
  };
  const [book, own] = [minutesOf(plan), minutesOf(withFactors(plan, factors))];
  expect(own.minutes).toBeGreaterThan(1.25 * book.minutes);
  expect(own.minutes).toBeLessThan(1.6 * book.minutes);
  expect(own.sigma / own.minutes).toBeLessThan(book.sigma / book.minutes);
  // Another churn, or another speed of it, is another thing.
  const high = plan.method.steps.map((s) => (s.kind === 'churn' ? { ...s, speed: 'high' as const } : s));
  expect(factorsFor({ ...plan, method: { ...plan.method, steps: high } }, factors).churn).toBeUndefined();
});

test('nobody read how warm it was: it teaches nothing', () => {
  const factors = learnFactors([churned(1, 1.5, { read: false })], kitchen);
  expect(factors.filter((f) => f.kind === 'churn')).toEqual([]);
});

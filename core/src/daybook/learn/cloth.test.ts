import { expect, test } from '@jest/globals';
import { drainedAfter } from '../../science/curd/index.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import type { LoggedEvent } from '../../log/index.ts';
import { createLog, MAKE_ID, START } from '../../make/fixtures/make-events.ts';
import { foldMake, makeFlow, pointForecast, stateOfPlan, type MakeState, makeAt } from '../../make/index.ts';
import { planOfMethod } from '../../products/index.ts';
import { SHIPPED_METHODS } from '../../products/methods/index.ts';
import { drainingOf, NOTHING_SEEN, drainingNow } from '../../steps/index.ts';
import { factorsFor, factorWords, learnFactors, withFactors } from './index.ts';

const KITCHEN = defaultKitchen('UTC');
const plan = planOfMethod(
  SHIPPED_METHODS.find((m) => m.id === 'yogurt-strained')!,
  KITCHEN,
  new Date(START).toISOString(),
  2,
);
const HUNG_MIN = 900;

/** A finished make whose cloth is slower than the book by a factor, weighed after four hours. */
function drained(slower: number): MakeState {
  const steps = plan.method.steps.map(({ id }) => id);
  const until = steps.slice(0, steps.indexOf('strain'));
  const log = createLog();
  const events: LoggedEvent[] = [
    log(0, 'make-started', { plan }),
    ...until.map((step, i) => log(((i + 1) * HUNG_MIN) / until.length, 'step-done', { step })),
  ];
  const hanging = foldMake(MAKE_ID, events)!;
  const { denatured } = pointForecast(hanging, START + HUNG_MIN * 60_000);
  const step = plan.method.steps.find((s) => s.kind === 'strain')!;
  const { draining } = drainingOf(
    plan,
    { step, goods: { into: 'milk', out: 'yogurt' } },
    { curd: makeFlow(hanging, denatured).into.get('strain')!, denatured, startMs: START, seen: NOTHING_SEEN },
  );
  const { wheyKg } = drainedAfter({ ...draining, tauAt6CH: draining.tauAt6CH * slower }, 4);
  return foldMake(MAKE_ID, [
    ...events,
    log(HUNG_MIN + 240, 'drain-weighed', {
      step: 'strain',
      massKg: wheyKg,
      of: 'whey',
      typed: { value: 1, unit: 'g' },
    }),
    log(HUNG_MIN + 300, 'step-done', { step: 'strain' }),
    log(HUNG_MIN + 310, 'finished', { verdict: 'kept', reason: '' }),
  ])!;
}

test('a cloth that lets its whey go slowly is learned from what was weighed, and the next draining counts with it', () => {
  const makes = [1, 2, 3].map((n) => ({ ...drained(1.4), id: `make ${n}` }));
  const factors = learnFactors(makes, KITCHEN);
  const cloth = factors.find((f) => f.kind === 'cloth')!;
  expect(cloth).toMatchObject({ thing: 'cloth', makes: 3 });
  expect(cloth.mean).toBeGreaterThan(0.8 * Math.log(1.4));
  expect(cloth.mean).toBeLessThanOrEqual(Math.log(1.4) + 1e-6);
  expect(factorWords(cloth, 'C')).toMatch(/% slower to drain than usual \(3 batches/);
  expect(factorsFor(plan, factors).cloth).toMatchObject({ value: cloth.mean, makes: 3 });
  const minutes = (of: typeof plan): number => {
    const time = pointForecast(stateOfPlan(of), START).steps.find((s) => s.id === 'strain')!;
    return time.endMs - time.startMs;
  };
  expect(minutes(withFactors(plan, factors)) / minutes(plan)).toBeCloseTo(Math.exp(cloth.mean), 2);
});

test('without a weighing nothing is learned; a thing of the make is found again in its draining now', () => {
  const bare = drained(1);
  const unweighed = foldMake(
    MAKE_ID,
    bare.events.filter((e) => e.type !== 'drain-weighed'),
  )!;
  expect(learnFactors([unweighed], KITCHEN).filter((f) => f.kind === 'cloth')).toEqual([]);
  expect(drainingNow(makeAt(bare, START), 0.9)).not.toBeNull();
});

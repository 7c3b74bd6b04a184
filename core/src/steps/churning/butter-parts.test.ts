import { describe, expect, test } from '@jest/globals';
import type { LoggedEvent } from '../../log/index.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import { batchOf } from '../../setup/index.ts';
import { beginPlan } from '../../products/index.ts';
import { createLog, MAKE_ID, START } from '../../make/fixtures/make-events.ts';
import { foldMake, mayPartLoads, maySplit, splitMake, type MakeState, makeAt } from '../../make/index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';
import { churnLoads, fatBalance } from '../index.ts';

const CHILD_ID = '01H00000000000000000000002';
const begun = beginPlan('butter', defaultKitchen('UTC'), new Date(START).toISOString());
/** Churned in three loads. */
const plan = {
  ...begun,
  method: {
    ...begun.method,
    steps: begun.method.steps.map((step) => (step.kind === 'churn' ? { ...step, loads: 3 } : step)),
  },
};
type Log = ReturnType<typeof createLog>;
function churned(more: (log: Log) => LoggedEvent[] = () => []): MakeState {
  const log = createLog();
  return foldMake(MAKE_ID, [
    log(0, 'make-started', { plan }),
    log(2, 'step-done', { step: 'take-out' }),
    log(60, 'step-done', { step: 'temper' }),
    log(80, 'stage-seen', { stage: 'broken' }),
    log(84, 'load-begun', { load: 2 }),
    log(104, 'stage-seen', { stage: 'broken' }),
    log(108, 'load-begun', { load: 3 }),
    log(128, 'stage-seen', { stage: 'broken' }),
    log(129, 'step-done', { step: 'churn' }),
    log(132, 'weighed', { massKg: 0.9, typed: { value: 900, unit: 'g' }, of: 'buttermilk' }),
    ...more(log),
  ])!;
}
const finishedOtherwise = (state: MakeState) => ({
  ...state.plan.method,
  product: state.plan.product,
  steps: state.plan.method.steps.map((step) =>
    step.kind === 'wash'
      ? { ...step, washes: 1 }
      : step.kind === 'work'
        ? { ...step, saltFraction: 0 }
        : step,
  ),
});
/** One load of three parted off: both as they are folded afterwards. */
function parted(): { readonly whole: MakeState; readonly rest: MakeState; readonly part: MakeState } {
  const whole = churned();
  const entries = splitMake(
    whole,
    { id: CHILD_ID, name: 'For ghee', share: 1 / 3, jars: [], method: finishedOtherwise(whole) },
    START + 140 * MINUTE_MS,
  );
  const folded = (id: string, before: readonly LoggedEvent[]): MakeState => {
    const log = createLog(id);
    // Identities follow one another: those of what was there are taken.
    for (const _ of before) log(0, 'noted', { text: 'taken' });
    const own = entries
      .filter(({ streamId }) => streamId === id)
      .map((entry) => log((entry.atMs - START) / MINUTE_MS, entry.type, entry.data as never));
    return foldMake(id, [...before, ...own])!;
  };
  return { whole, rest: folded(MAKE_ID, whole.events), part: folded(CHILD_ID, []) };
}

describe('each load of butter may have its own end', () => {
  test('from when it is churned until it is salted, cut or weighed', () => {
    const log = createLog();
    expect(mayPartLoads(foldMake(MAKE_ID, [log(0, 'make-started', { plan })])!)).toBe(false);
    expect(mayPartLoads(churned())).toBe(true);
    expect(maySplit(churned())).toBe(false);
    for (const over of [
      (l: Log) => [l(150, 'salted', { massKg: 0.01, typed: { value: 10, unit: 'g' } })],
      (l: Log) => [l(150, 'weighed', { massKg: 0.8, typed: { value: 800, unit: 'g' } })],
    ])
      expect(mayPartLoads(churned(over))).toBe(false);
  });

  test('cream, fat and buttermilk of both are those of the whole', () => {
    const { whole, rest, part } = parted();
    expect(batchOf(rest.plan).massKg + batchOf(part.plan).massKg).toBeCloseTo(batchOf(whole.plan).massKg, 9);
    expect(batchOf(part.plan).massKg).toBeCloseTo(batchOf(whole.plan).massKg / 3, 9);
    const at = START + 141 * MINUTE_MS;
    const fat = (state: MakeState): number => fatBalance(makeAt(state, at))!.fatKg;
    expect(fat(rest) + fat(part)).toBeCloseTo(fat(whole), 9);
    // The jug with the buttermilk stays with the rest, as much of it as its cream gave.
    expect(rest.byProductsKg.buttermilk).toBeCloseTo(0.6, 9);
    expect(part.byProductsKg.buttermilk).toBeUndefined();
  });

  test('the part is washed and salted its own way from where the whole stands', () => {
    const { rest, part } = parted();
    expect(part.current?.step.id).toBe(rest.current?.step.id);
    expect(part.plan.method.steps.find((s) => s.kind === 'wash')).toMatchObject({ washes: 1 });
    expect(part.plan.method.steps.find((s) => s.kind === 'work')).toMatchObject({ saltFraction: 0 });
    expect(rest.plan.method.steps).toEqual(
      plan.method.steps.map((step) => (step.kind === 'churn' ? { ...step, loads: 2 } : step)),
    );
    expect(part.plan.splitFrom).toBe(MAKE_ID);
  });

  test('what a load held stays what it was: the churn is learned from as it was filled', () => {
    const { whole, rest } = parted();
    const litres = (state: MakeState): number =>
      churnLoads(makeAt(state, START + 141 * MINUTE_MS))!.now.run.churning.litres;
    expect(litres(rest)).toBeCloseTo(litres(whole), 9);
  });
});

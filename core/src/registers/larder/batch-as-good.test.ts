import { describe, expect, test } from '@jest/globals';
import { makePlan } from '../../contract/index.ts';
import { createLog, MAKE_ID, START } from '../../make/fixtures/make-events.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import type { LoggedEvent } from '../../log/index.ts';
import { foldMake, type MakeState } from '../../make/index.ts';
import { batchOf } from '../../setup/index.ts';
import { beginPlan, planOfMethod } from '../../products/index.ts';
import { SHIPPED_METHODS } from '../../products/methods/index.ts';
import {
  batchAsGood,
  goodsAsStarter,
  goodsFor,
  goodToCome,
  isAllOf,
  mayGoInto,
  planFedBy,
  planFromGood,
} from './index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';

const KITCHEN = defaultKitchen('UTC');
const AT = new Date(START).toISOString();
const GOOD_ID = '01HGGGGGGGGGGGGGGGGGGGGG01';
const [milk, butter, ghee] = (['yogurt', 'butter', 'ghee'] as const).map((id) =>
  beginPlan(id, KITCHEN, AT),
) as [ReturnType<typeof beginPlan>, ReturnType<typeof beginPlan>, ReturnType<typeof beginPlan>];

type Log = ReturnType<typeof createLog>;
/** Two litres of clabber, inoculated after half an hour. */
function clabber(...more: ((log: Log) => LoggedEvent)[]): MakeState {
  const plan = planOfMethod(
    SHIPPED_METHODS.find(({ id }) => id === 'clabber-spoon')!,
    KITCHEN,
    AT,
    2,
  );
  const log = createLog();
  return foldMake(MAKE_ID, [
    log(0, 'make-started', { plan }),
    ...plan.method.steps
      .slice(
        0,
        plan.method.steps.findIndex(({ kind }) => kind === 'incubate'),
      )
      .map(({ id }) => log(30, 'step-done', { step: id })),
    ...more.map((one) => one(log)),
  ])!;
}
const seenSet = (log: Log) => log(24 * 60, 'cue-seen', { cue: 'set', cleanSmell: true });
const good = (state: MakeState, putUp: Parameters<typeof batchAsGood>[4] = []) =>
  batchAsGood(state, GOOD_ID, 'A1B2C3', START + 25 * 60 * MINUTE_MS, putUp);

describe('a batch under way as something to make from', () => {
  test('curd that still sours may go once it was seen set, and not before', () => {
    expect(mayGoInto(clabber())).toBe(false);
    expect(good(clabber())).toBeNull();
    const set = good(clabber(seenSet))!;
    expect(set).toMatchObject({ what: 'clabber', makeId: MAKE_ID, milk: { raw: true } });
    // All that went in, its starter too.
    const { massKg } = batchOf(clabber().plan);
    expect(set.stocks[0]!.massKg).toBeCloseTo(massKg + (clabber().dose.massKg ?? 0), 6);
  });

  test('it is churned whole, as raw and as sour as it is', () => {
    const [input] = goodsFor(butter, [good(clabber(seenSet))!]);
    const plan = planFromGood(butter, input!, 1.5);
    expect(makePlan.safeParse(plan).error?.issues).toBeUndefined();
    expect(plan.milk).toMatchObject({ wholeCurd: true, soured: true, treatment: 'raw' });
    expect(plan.milk.goods).toMatchObject([{ goodId: GOOD_ID, massKg: 1.5 }]);
  });

  test('what was put up of it already is not there twice; nothing is left of what was all put up', () => {
    const whole = good(clabber(seenSet))!.stocks[0]!.massKg;
    const put = { makeId: MAKE_ID, what: 'clabber' as const, putUpKg: 0.5 };
    expect(good(clabber(seenSet), [put])!.stocks[0]!.massKg).toBeCloseTo(whole - 0.5, 9);
    expect(good(clabber(seenSet), [{ ...put, putUpKg: whole }])).toBeNull();
    // Of other batches, or of something else that came out of it, nothing is taken off.
    expect(good(clabber(seenSet), [{ ...put, makeId: GOOD_ID }])!.stocks[0]!.massKg).toBe(whole);
  });

  test('finished, it is goods of the larder or nothing', () => {
    const over = clabber(seenSet, (log) => log(25 * 60, 'finished', { verdict: 'kept', reason: '' }));
    expect(mayGoInto(over)).toBe(false);
  });

  test('butter goes into ghee as soon as it is churned', () => {
    const log = createLog();
    const events = [
      log(0, 'make-started', { plan: butter }),
      log(2, 'step-done', { step: 'take-out' }),
      log(60, 'step-done', { step: 'temper' }),
    ];
    expect(mayGoInto(foldMake(MAKE_ID, events)!)).toBe(false);
    const churned = foldMake(MAKE_ID, [
      ...events,
      log(85, 'stage-seen', { stage: 'broken' }),
      log(86, 'step-done', { step: 'churn' }),
    ])!;
    const [input] = goodsFor(ghee, [good(churned)!]);
    expect(input!.good.what).toBe('butter');
    expect(planFromGood(ghee, input!, 0.2).milk.goods).toMatchObject([{ massKg: 0.2 }]);
  });

  test('yogurt that is done is a starter; nearly all of it is all of it', () => {
    const log = createLog();
    const steps = milk.method.steps.map(({ id }) => id);
    const yogurt = foldMake(MAKE_ID, [
      log(0, 'make-started', { plan: milk }),
      ...steps
        .slice(0, steps.indexOf('incubate') + 1)
        .map((step, i) => log(60 * (i + 1), 'step-done', { step })),
    ])!;
    const one = good(yogurt)!;
    expect(goodsAsStarter(milk, [one]).map((input) => input.good.id)).toEqual([GOOD_ID]);
    const kg = one.stocks[0]!.massKg;
    expect(isAllOf(one, 0.99 * kg)).toBe(true);
    expect(isAllOf(one, 0.9 * kg)).toBe(false);
  });
});

describe('what another batch gave, poured into a plan', () => {
  test('what will come of a batch nobody has begun is told by its plan, as much as its batch would give', () => {
    const will = goodToCome(butter, 'of the plan')!;
    expect(will).toMatchObject({ what: 'butter', makeId: 'of the plan', milk: { kind: butter.milk.kind } });
    expect(will.madeMs).toBeGreaterThan(START);
    const creamKg = batchOf(butter).massKg;
    expect(will.putUpKg).toBeGreaterThan(0.2 * creamKg);
    expect(will.putUpKg).toBeLessThan(0.5 * creamKg);
    // Buttermilk goes into the milk room, and is poured from there.
    expect(goodToCome(beginPlan('buttermilk', KITCHEN, AT), 'b')).toBeNull();
  });

  test('as much as was planned, all of it where little would be left over, and nothing of another batch', () => {
    const set = good(clabber(seenSet))!;
    const there = set.stocks[0]!.massKg;
    const churned = beginPlan('butter', KITCHEN, AT);
    const some = (share: number) =>
      planFromGood(churned, { good: set, stock: set.stocks[0]! }, share * there);
    const kgOf = (plan: ReturnType<typeof planFedBy>) => plan?.milk.goods?.[0]?.massKg;
    expect(kgOf(planFedBy(some(0.5), [set], MAKE_ID))).toBeCloseTo(0.5 * there, 6);
    expect(kgOf(planFedBy(some(0.9), [set], MAKE_ID))).toBeCloseTo(there, 6);
    // Less came of it than was thought.
    const less = { ...set, stocks: [{ ...set.stocks[0]!, massKg: 0.4 * there }] };
    expect(kgOf(planFedBy(some(1), [less], MAKE_ID))).toBeCloseTo(0.4 * there, 6);
    expect(planFedBy(some(1), [set], 'another')).toBeNull();
  });
});

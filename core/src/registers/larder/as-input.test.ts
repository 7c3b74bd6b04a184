import { describe, expect, test } from '@jest/globals';
import { makePlan, type Good, type GoodKind, type LarderPlace } from '../../contract/index.ts';
import { goodLike } from '../../fixtures/goods.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import { batchOf } from '../../setup/index.ts';
import { beginPlan } from '../../products/index.ts';
import { goodsAsStarter, goodsFor, goodsTaken, planFromGood, starterFromGood } from './index.ts';
import { DAY_MS } from '../../science/units/index.ts';

const AT = '2026-03-10T06:00:00.000Z';
const KITCHEN = defaultKitchen('UTC');
const planOf = (product: Parameters<typeof beginPlan>[0]) => beginPlan(product, KITCHEN, AT);

/** Some goods made so many days ago, standing at a place. */
function goods(what: GoodKind, n: number, massKg = 1, place: LarderPlace = 'cold', daysAgo = 3): Good {
  const madeMs = Date.parse(AT) - daysAgo * DAY_MS;
  return {
    ...goodLike({ what, name: what, milk: { kind: 'cow-lean', raw: true } }),
    id: `01HGGGGGGGGGGGGGGGGGGGGG${String(n).padStart(2, '0')}`,
    madeMs,
    putUpMs: madeMs,
    sizesKg: [massKg],
    putUpKg: massKg,
    stocks: [{ place, size: 0, massKg, sinceMs: madeMs, used: [0, 0], thawed: false, thawFor: null }],
  };
}
const LARDER = [
  goods('butter', 1, 0.4),
  goods('clabber', 2, 2),
  goods('yogurt', 3, 0.9),
  goods('cultured-cream', 4, 0.6),
  goods('butter', 5, 0.5, 'freezer'),
  goods('butter', 6, 0.3, 'cold', 9),
  goods('cheese', 7),
];
const names = (product: Parameters<typeof beginPlan>[0]) =>
  goodsFor(planOf(product), LARDER).map(({ good }) => good.id.slice(-1));

describe('from the larder', () => {
  test('what fits, the oldest first; what is frozen stands out of it', () => {
    expect(names('ghee')).toEqual(['6', '1']);
    expect(names('butter')).toEqual(['2', '3', '4']);
    expect(names('frozen-yogurt')).toEqual(['3']);
    expect(names('cultured-cream')).toEqual([]);
  });

  test('a clabber is churned whole, raw and soured as it was; every gram of it', () => {
    const [input] = goodsFor(planOf('butter'), LARDER);
    const plan = planFromGood(planOf('butter'), input!, 2);
    expect(makePlan.safeParse(plan).error?.issues).toBeUndefined();
    expect(plan.milk).toMatchObject({ wholeCurd: true, soured: true, treatment: 'raw' });
    expect(batchOf(plan).massKg).toBeCloseTo(2, 3);
    expect(goodsTaken(plan)).toMatchObject([{ goodId: input!.good.id, massKg: 2 }]);
  });

  test('ripened cream keeps its acid, butter its fat', () => {
    const cream = planFromGood(planOf('butter'), goodsFor(planOf('butter'), LARDER)[2]!, 0.6);
    expect(cream.milk.ph).toBeLessThan(5);
    const ghee = planFromGood(planOf('ghee'), goodsFor(planOf('ghee'), LARDER)[1]!, 0.4);
    expect(makePlan.safeParse(ghee).error?.issues).toBeUndefined();
    expect(batchOf(ghee).massKg).toBeCloseTo(0.4, 3);
    expect(batchOf(ghee).composition.fatFraction).toBeGreaterThan(0.75);
  });

  test('what does not go into it is refused, and so is nothing', () => {
    const cheese = { good: LARDER[6]!, stock: LARDER[6]!.stocks[0]! };
    expect(() => planFromGood(planOf('ghee'), cheese, 0.4)).toThrow(RangeError);
    expect(() => planFromGood(planOf('ghee'), goodsFor(planOf('ghee'), LARDER)[0]!, 0)).toThrow(RangeError);
  });

  test('yogurt is a starter as old as it is, and leaves with its dose', () => {
    const plan = planOf('yogurt');
    const input = goodsAsStarter(plan, LARDER).find(({ good }) => good.what === 'yogurt');
    const starter = starterFromGood(plan, input!)!;
    expect(starter).toMatchObject({ kind: 'fresh-yogurt', ageD: 3 });
    const dosed = { ...plan, starter: { ...starter, massKg: 0.05 } };
    expect(makePlan.safeParse(dosed).error?.issues).toBeUndefined();
    expect(goodsTaken(dosed)).toMatchObject([{ goodId: input!.good.id, massKg: 0.05 }]);
    expect(starterFromGood(plan, { good: LARDER[6]!, stock: LARDER[6]!.stocks[0]! })).toBeNull();
  });
});

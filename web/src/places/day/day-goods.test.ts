import { describe, expect, test } from '@jest/globals';
import { batchOf, defaultKitchen, goodToCome, planOfMethod, SHIPPED_METHODS } from '@morning-crock/core';
import type { Good, MakePlan } from '@morning-crock/core/contract';
import { goodLike } from '@morning-crock/core/fixtures';
import {
  amountOf,
  amountOfChoice,
  amountOfLitres,
  chosenAs,
  dayGoodsFor,
  feedersFor,
  goodsToCome,
  plansOfGoods,
} from './day-goods.ts';

const KITCHEN = defaultKitchen('UTC');
const AT = '2026-03-02T07:00:00.000Z';
const MADE_MS = Date.parse(AT) - 2 * 86_400_000;
const good = (n: number, what: Good['what'], massKg: number, makeId: string | null = null): Good => ({
  ...goodLike({ what, name: `${what} ${n}`, makeId }),
  id: `01HGGGGGGGGGGGGGGGGGGGGG0${n}`,
  madeMs: MADE_MS + n,
  putUpMs: MADE_MS + n,
  sizesKg: [massKg],
  putUpKg: massKg,
  stocks: [{ place: 'cold', size: 0, massKg, sinceMs: MADE_MS, used: [0, 0], thawed: false, thawFor: null }],
});
const BUTTER = good(1, 'butter', 0.6);
const CRUMB = good(2, 'butter', 0.05);
const YOGURT = good(3, 'yogurt', 3);
const LARDER = [BUTTER, CRUMB, YOGURT];
const plan = (product: string, litres: number): MakePlan =>
  planOfMethod(
    SHIPPED_METHODS.find((m) => m.product === product)!,
    KITCHEN,
    AT,
    litres,
  );
/** Plans of a day with what they are made of, in their order. */
const laid = (
  wanted: readonly Omit<Parameters<typeof plansOfGoods>[0][number], 'id'>[],
  goods: readonly Good[],
) => [
  ...plansOfGoods(
    wanted.map((one, i) => ({ id: String(i), ...one })),
    goods,
  ).values(),
];
const chosen = (of: MakePlan, good: Good) =>
  chosenAs(dayGoodsFor(of, LARDER).find((input) => input.good === good)!);

describe('a batch of a day is made of what is here', () => {
  test('only of what goes into it, and of no crumbs', () => {
    expect(dayGoodsFor(plan('ghee', 1), LARDER).map(({ good: own }) => own)).toEqual([BUTTER]);
    expect(dayGoodsFor(plan('frozen-yogurt', 1), LARDER).map(({ good: own }) => own)).toEqual([YOGURT]);
    expect(dayGoodsFor(plan('cultured-cream', 1), LARDER)).toEqual([]);
  });

  test('all the butter there is, and as much yogurt as was wanted', () => {
    const ghee = plan('ghee', 0.2);
    const [butter] = dayGoodsFor(ghee, LARDER);
    const [own] = laid(
      [
        {
          plan: plan('ghee', amountOfChoice(ghee, butter!)),
          goods: chosenAs(butter!),
        },
      ],
      LARDER,
    );
    expect(batchOf(own!.plan).massKg).toBeCloseTo(0.6, 6);
    expect(own!.plan.milk.goods).toEqual([
      { goodId: BUTTER.id, name: 'butter 1', place: 'cold', size: 0, massKg: 0.6 },
    ]);
    expect(amountOf(own!.plan)).toBeCloseTo(0.6, 3);
    const frozen = plan('frozen-yogurt', 1);
    expect(amountOfChoice(frozen, dayGoodsFor(frozen, LARDER)[0]!)).toBeCloseTo(1, 1);
  });

  test('butter is asked for by weight, also as much of it as last time', () => {
    const method = (product: string) => SHIPPED_METHODS.find((m) => m.product === product)!;
    expect(amountOfLitres(method('yogurt'), KITCHEN, 2)).toBe(2);
    const { massKg, litres } = batchOf(plan('ghee', 0.8));
    expect(massKg).toBeCloseTo(0.8, 6);
    expect(amountOfLitres(method('ghee'), KITCHEN, litres)).toBeCloseTo(0.8, 3);
  });

  test('what one batch takes another has not, and no more is taken than there is', () => {
    const ghee = plan('ghee', 0.4);
    const goods = chosen(ghee, BUTTER);
    const asked = batchOf(ghee).massKg;
    const three = laid(
      [
        { plan: ghee, goods },
        { plan: plan('ghee', 3), goods },
        { plan: ghee, goods },
        { plan: ghee, goods: undefined },
      ],
      LARDER,
    );
    const taken = three.map(({ plan: own }) => own.milk.goods?.[0]?.massKg ?? 0);
    expect(taken[0]).toBeCloseTo(asked, 6);
    expect(taken[0]! + taken[1]!).toBeCloseTo(0.6, 6);
    expect(taken.slice(2)).toEqual([0, 0]);
    expect(three[1]!.thereKg).toBeCloseTo(0.6 - asked, 6);
    // The third finds nothing left, and is as its method has it; the fourth asked for none.
    expect([three[2]!.thereKg, three[3]!.thereKg]).toEqual([0, null]);
    expect(three[2]!.plan).toBe(ghee);
  });

  test('what is gone is gone; what still stands in a batch is found by that batch', () => {
    const ghee = plan('ghee', 0.4);
    const goods = chosen(ghee, BUTTER);
    expect(laid([{ plan: ghee, goods }], [YOGURT])).toEqual([{ plan: ghee, thereKg: null }]);
    const batch = good(4, 'butter', 0.5, '01HMMMMMMMMMMMMMMMMMMMMM01');
    const before = chosenAs({ good: batch, stock: batch.stocks[0]! });
    // The page was loaded anew: it calls the same butter otherwise.
    const renamed = { ...batch, id: '01HGGGGGGGGGGGGGGGGGGGGG09' };
    const [own] = laid([{ plan: ghee, goods: before }], [renamed]);
    expect(own!.plan.milk.goods?.[0]?.goodId).toBe(renamed.id);
  });
});

describe('a batch of a day is made from another one of it', () => {
  const butter = plan('butter', 2);
  const ghee = plan('ghee', 3);
  const wanted = [
    { id: 'ghee', plan: ghee, fedBy: 'butter' },
    { id: 'butter', plan: butter },
  ];

  test('of what that will give: all of it where more was asked for', () => {
    const day = plansOfGoods(wanted, LARDER);
    const will = goodToCome(butter, 'butter')!;
    const own = day.get('ghee')!;
    expect(own.fedBy).toBe('butter');
    expect(own.thereKg).toBe(will.putUpKg);
    expect(batchOf(own.plan).massKg).toBeCloseTo(will.putUpKg, 6);
    expect(will.putUpKg).toBeGreaterThan(0.5);
    expect(will.putUpKg).toBeLessThan(batchOf(butter).massKg / 2);
    // Less is less.
    const some = plansOfGoods([{ id: 'ghee', plan: plan('ghee', 0.4), fedBy: 'butter' }, wanted[1]!], LARDER);
    expect(batchOf(some.get('ghee')!.plan).massKg).toBeCloseTo(batchOf(plan('ghee', 0.4)).massKg, 6);
  });

  test('of a batch that is not in the plan, or gives nothing of the kind, as its method has it', () => {
    expect(plansOfGoods([{ ...wanted[0]!, fedBy: 'gone' }], LARDER).get('ghee')).toEqual({
      plan: ghee,
      thereKg: null,
    });
    const yogurt = plansOfGoods(
      [
        { ...wanted[0]!, fedBy: 'yogurt' },
        { id: 'yogurt', plan: plan('yogurt', 2) },
      ],
      [],
    );
    expect(yogurt.get('ghee')!.fedBy).toBeUndefined();
    // Cream that was soured goes into the milk room, and is poured from there.
    expect(goodToCome(plan('cultured-cream', 1), 'cream')).toBeNull();
  });

  test('offered are batches that give what goes in, that feed no other, and are not made from it', () => {
    const others = new Map([
      ['butter', butter],
      ['second', plan('butter', 1)],
      ['clabber', plan('clabber', 4)],
      ['ghee', ghee],
    ]);
    const offered = (id: string, fedBy: readonly (readonly [string, string])[]): string[] =>
      feedersFor(id, others.get(id)!, goodsToCome(others), new Map(fedBy)).map(({ good: own }) => own.id);
    expect(offered('ghee', []).sort()).toEqual(['butter', 'second']);
    expect(offered('ghee', [['ghee', 'butter']]).sort()).toEqual(['butter', 'second']);
    expect(offered('ghee', [['other', 'second']])).toEqual(['butter']);
    expect(offered('butter', [])).toEqual(['clabber']);
    expect(offered('butter', [['clabber', 'butter']])).toEqual([]);
    // Of what nothing else is made nobody asks what it will give.
    expect(
      goodsToCome(
        new Map([
          ['ghee', ghee],
          ['kefir', plan('kefir', 2)],
        ]),
      ),
    ).toEqual([]);
  });
});

import { HAND_WORKED_FAT } from '../../science/butter/index.ts';
import {
  PRODUCT_TAKES,
  PRODUCT_IDS,
  type Good,
  type GoodKind,
  type GoodPart,
  type GoodStock,
  type MakePlan,
  type ProductId,
} from '../../contract/index.ts';
import { massOfLitresKg, MILK_FACTS, withFat, type Composition } from '../../science/milk/index.ts';
import { batchOf } from '../../setup/index.ts';
import { withLoadsAnew } from '../../steps/index.ts';
import { butterPour, PRODUCTS, productOf, type PoursAs } from '../../products/index.ts';
import { GOOD_FACTS } from './kinds.ts';
import { DAY_MS } from '../../science/units/index.ts';

/** Water of butter nobody tested, and fat of soured cream nobody knows. */
const BUTTER_WATER = 0.17;
const SOURED_CREAM_FAT = 0.3;
/** pH of what is called sour, as churning wants it. */
const SOUR_PH = 4.5;

/** Some goods that stand somewhere in the kitchen, thawed. */
export interface GoodInput {
  readonly good: Good;
  readonly stock: GoodStock;
}

const standing = (goods: readonly Good[]): GoodInput[] =>
  goods.flatMap((good) =>
    good.stocks
      .filter(({ place, massKg }) => place !== 'freezer' && place !== 'stall' && massKg > 0.001)
      .map((stock) => ({ good, stock })),
  );

/** As which of what its product can be made from some goods may be poured; `undefined` for none. */
const poursInto = (plan: MakePlan, what: GoodKind): PoursAs | undefined =>
  productOf(plan).madeFrom?.find((as) => GOOD_FACTS[what].pours?.includes(as));

/**
 * The goods a plan can be made from, what was made first in front.
 * @example goodsFor(ghee, larder.goods).map(({ good }) => good.name) // ['Barrel butter']
 */
export const goodsFor = (plan: MakePlan, goods: readonly Good[]): GoodInput[] =>
  standing(goods)
    .filter(({ good }) => poursInto(plan, good.what) !== undefined)
    .sort((a, b) => a.good.madeMs - b.good.madeMs);

/** What goods are made of. Estimates: nobody weighed their fat. */
function compositionOf({ milk }: Good, as: PoursAs): Composition {
  const usual = MILK_FACTS[milk?.kind ?? 'cow-lean'].composition;
  return as === 'ripened-cream' ? withFat(usual, SOURED_CREAM_FAT) : usual;
}

/** What can be made from goods of a kind. @example madeFromKind('yogurt') // ['butter', 'frozen-yogurt'] */
export const madeFromKind = (what: GoodKind): ProductId[] =>
  PRODUCT_IDS.filter((id) => PRODUCTS[id].madeFrom?.some((as) => GOOD_FACTS[what].pours?.includes(as)));

const partOf = ({ good, stock }: GoodInput, massKg: number): GoodPart => ({
  goodId: good.id,
  name: good.name,
  place: stock.place,
  size: stock.size,
  massKg,
});

/**
 * A plan with some goods of the larder as what goes in: their amount, kind, treatment and souring.
 * @throws RangeError for nothing, or goods that do not go into it
 * @example planFromGood(ghee, { good: butter, stock }, 0.4).milk.goods // [{ goodId, massKg: 0.4, … }]
 */
export function planFromGood(plan: MakePlan, input: GoodInput, massKg: number): MakePlan {
  if (!(massKg > 0)) throw new RangeError('an amount must be above 0');
  const { good } = input;
  const as = poursInto(plan, good.what);
  if (as === undefined) throw new RangeError(`${good.name} does not go into this`);
  const { lots: _lots, soured: _soured, wholeCurd: _whole, ph: _ph, ...milk } = plan.milk;
  const typed = { value: Math.round(massKg * 1000), unit: 'g' } as const;
  const common = {
    ...milk,
    kind: good.milk?.kind ?? milk.kind,
    treatment: good.milk?.raw ? ('raw' as const) : ('pasteurised' as const),
    goods: [partOf(input, massKg)],
  };
  if (PRODUCT_TAKES[plan.product] === 'butter') {
    const salt = good.saltFraction ?? 0;
    return {
      ...plan,
      milk: {
        ...common,
        ...butterPour(massKg, BUTTER_WATER, Math.min(HAND_WORKED_FAT, 1 - BUTTER_WATER - salt), typed),
      },
      method: {
        ...plan.method,
        steps: plan.method.steps.map((step) =>
          'school' in step ? { ...step, moistureFraction: BUTTER_WATER } : step,
        ),
      },
    };
  }
  const composition = compositionOf(good, as);
  const litres = massKg / massOfLitresKg(1, composition);
  return withLoadsAnew({
    ...plan,
    milk: {
      ...common,
      litres,
      typed: { value: Math.round(litres * 100) / 100, unit: 'L' },
      fatFraction: composition.fatFraction,
      composition,
      ...(as === 'curd' ? { soured: true, wholeCurd: true } : {}),
      ...(as === 'ripened-cream' ? { soured: true, ph: SOUR_PH } : {}),
    },
  });
}

/** So little left over is no batch of its own: it all goes in [judgement]. */
const NEARLY_ALL = 0.85;

/**
 * A plan with what another batch really gave poured in: as much as was planned, or all of it where little would be left.
 * @param plan as it was thought to be
 * @param goods what there is of the kitchen's goods, and of its batches under way
 * @returns `null` while there is nothing of that batch
 * @example planFedBy(ghee, larder.goods, butterMakeId)?.milk.goods // [{ massKg: 0.81, … }]
 */
export function planFedBy(plan: MakePlan, goods: readonly Good[], makeId: string): MakePlan | null {
  const input = goodsFor(plan, goods).find(({ good }) => good.makeId === makeId);
  if (!input) return null;
  const there = input.stock.massKg;
  const wanted = batchOf(plan).massKg;
  return planFromGood(plan, input, wanted < NEARLY_ALL * there ? wanted : there);
}

/** The goods that bring along a culture a plan can be soured with, the freshest first. */
export const goodsAsStarter = (plan: MakePlan, goods: readonly Good[]): GoodInput[] =>
  standing(goods)
    .filter(({ good }) => {
      const kind = GOOD_FACTS[good.what].starts;
      return kind !== undefined && productOf(plan).starters.includes(kind);
    })
    .sort((a, b) => b.good.madeMs - a.good.madeMs);

/**
 * The starter of a plan taken from goods of the larder: its kind, its age at the start, as much as the plan wants of it.
 * @returns `null` for goods that bring no culture
 */
export function starterFromGood(plan: MakePlan, input: GoodInput): MakePlan['starter'] | null {
  const kind = GOOD_FACTS[input.good.what].starts;
  if (kind === undefined) return null;
  const massKg = Math.min(input.stock.massKg, plan.starter.massKg ?? 0.04);
  return {
    kind,
    ageD: Math.max(0, Math.round((Date.parse(plan.startAt) - input.good.madeMs) / DAY_MS)),
    massKg,
    statedRatio: null,
    typed: { value: Math.round(massKg * 1000), unit: 'g' },
    good: partOf(input, massKg),
  };
}

/** What a plan takes of the larder when it begins: what goes in, and its starter as it is dosed. */
export function goodsTaken({ milk, starter }: Pick<MakePlan, 'milk' | 'starter'>): GoodPart[] {
  return [
    ...(milk.goods ?? []),
    ...(starter.good ? [{ ...starter.good, massKg: starter.massKg ?? starter.good.massKg }] : []),
  ];
}

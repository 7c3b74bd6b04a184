import {
  batchOf,
  goodsFor,
  goodToCome,
  madeFromKind,
  planFromGood,
  planOfMethod,
  type GoodInput,
} from '@morning-crock/core';
import {
  PRODUCT_TAKES,
  type Good,
  type KitchenSettings,
  type MakePlan,
  type Method,
  type ProductId,
} from '@morning-crock/core/contract';
import { goodKey } from '../../parts/goods/goods-group.ts';
import type { DayDraft } from './day-draft.ts';

/** What a day is told in amounts of at least so much, kg. */
const LEAST_KG = 0.12;
/** Nearly all of it is all of it. */
const ALL = 0.99;

/** Which goods a batch of a day is made of; of what still stands in a batch, which batch that is. */
export type GoodsChosen = NonNullable<DayDraft['makes'][number]['goods']>;

/** The goods that a plan of a day may be made from. */
export const dayGoodsFor = (plan: MakePlan, goods: readonly Good[]): GoodInput[] =>
  goodsFor(plan, goods).filter(({ stock }) => stock.massKg >= LEAST_KG);

/** What was chosen, where it still stands; what is taken of a batch has another identity after a reload. */
const chosenOf = (
  plan: MakePlan,
  goods: readonly Good[],
  { goodId, place, size, makeId }: GoodsChosen,
): GoodInput | undefined => {
  const inputs = dayGoodsFor(plan, goods);
  return (
    inputs.find(({ good, stock }) => good.id === goodId && stock.place === place && stock.size === size) ??
    inputs.find(({ good }) => makeId !== null && good.makeId === makeId)
  );
};

/** A choice as the draft keeps it. */
export const chosenAs = ({ good, stock }: GoodInput): GoodsChosen => ({
  goodId: good.id,
  place: stock.place,
  size: stock.size,
  makeId: good.makeId,
});

/** A plan of a day, and how much there is for it of what it is made from; `null` where that is the milk room, or bought. */
export interface PlanOfGoods {
  readonly plan: MakePlan;
  readonly thereKg: number | null;
  /** The batch of the same day that it is made from. */
  readonly fedBy?: string;
}

/** A plan as its method has it, with what was chosen for it: goods, or another batch of the day. */
interface WantedOfGoods {
  readonly id: string;
  readonly plan: MakePlan;
  readonly goods?: GoodsChosen | undefined;
  readonly fedBy?: string | undefined;
}

/** Plans of a day with what was chosen for them poured in, the first first: what one takes, the next one has not. */
export function plansOfGoods(
  wanted: readonly WantedOfGoods[],
  goods: readonly Good[],
): ReadonlyMap<string, PlanOfGoods> {
  const takenKg = new Map<string, number>();
  const byId = new Map(wanted.map((one) => [one.id, one]));
  const found = new Map<string, PlanOfGoods>();
  /** What another batch will give. @param on batches that wait for this: none is made from itself */
  const givenBy = (fedBy: string, on: readonly string[]): Good | null => {
    const feeder = on.includes(fedBy) ? undefined : byId.get(fedBy);
    return feeder ? goodToCome(planned(feeder, on).plan, fedBy) : null;
  };
  const planned = ({ id, plan, goods: chosen, fedBy }: WantedOfGoods, on: readonly string[]): PlanOfGoods => {
    const known = found.get(id);
    if (known) return known;
    const fed = fedBy === undefined ? null : givenBy(fedBy, [...on, id]);
    const input = fed ? dayGoodsFor(plan, [fed])[0] : chosen && chosenOf(plan, goods, chosen);
    const own = input ? poured(plan, input) : { plan, thereKg: null };
    const of = { ...own, ...(fed && own.plan.milk.goods && fedBy !== undefined ? { fedBy } : {}) };
    found.set(id, of);
    return of;
  };
  const poured = (plan: MakePlan, input: GoodInput): PlanOfGoods => {
    const key = goodKey(input);
    const before = takenKg.get(key) ?? 0;
    const thereKg = Math.max(0, input.stock.massKg - before);
    if (thereKg < LEAST_KG) return { plan, thereKg };
    const asked = batchOf(plan).massKg;
    const massKg = asked > thereKg * ALL ? thereKg : asked;
    takenKg.set(key, before + massKg);
    return { plan: planFromGood(plan, input, massKg), thereKg };
  };
  return new Map(wanted.map((one) => [one.id, planned(one, [])]));
}

/** What the batches of a plan will give, by an estimate, of those that another one of it could be made from. */
export const goodsToCome = (plans: ReadonlyMap<string, MakePlan>): Good[] =>
  [...plans].flatMap(([id, plan]) => {
    const into = madeFromKind(plan.product);
    const isWanted = [...plans].some(([other, { product }]) => other !== id && into.includes(product));
    return (isWanted ? goodToCome(plan, id) : null) ?? [];
  });

/**
 * The other batches of a plan that one may be made from, and only where no other one takes it.
 * @param coming what the batches of the plan will give
 */
export function feedersFor(
  id: string,
  plan: MakePlan,
  coming: readonly Good[],
  fedBy: ReadonlyMap<string, string>,
): GoodInput[] {
  const taken = new Set([...fedBy].flatMap(([eater, of]) => (eater === id ? [] : [of])));
  /** Made from this one, at however many removes. */
  const comesOf = (other: string): boolean => {
    const of = fedBy.get(other);
    return of !== undefined && (of === id || comesOf(of));
  };
  return dayGoodsFor(
    plan,
    coming.filter(({ id: other }) => other !== id && !taken.has(other) && !comesOf(other)),
  );
}

/** Butter is asked for by weight: its amount is told in kilograms, that of all else in litres. */
export const isWeighed = (product: ProductId): boolean => PRODUCT_TAKES[product] === 'butter';

/** Of what is weighed, as much as some litres of it are. */
export function amountOfLitres(method: Method, kitchen: KitchenSettings, litres: number): number {
  if (!isWeighed(method.product)) return litres;
  // A batch of one kilogram: how many litres that is, its fat says.
  const one = batchOf(planOfMethod(method, kitchen, new Date(0).toISOString(), 1));
  return Math.round((litres * one.massKg * 1000) / one.litres) / 1000;
}

/** The amount of a plan, as a day asks for it. */
export function amountOf(plan: MakePlan): number {
  const { massKg, litres } = batchOf(plan);
  return Math.round((isWeighed(plan.product) ? massKg : litres) * 1000) / 1000;
}

/** How much a batch is when some goods are chosen for it: all the butter there is, of anything else as much as was wanted. */
export function amountOfChoice(plan: MakePlan, input: GoodInput): number {
  const most = isWeighed(plan.product) ? Number.POSITIVE_INFINITY : batchOf(plan).massKg;
  return amountOf(planFromGood(plan, input, Math.min(input.stock.massKg, most)));
}

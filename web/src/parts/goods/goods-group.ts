import { goodsFor, isAllOf, planFromGood, type GoodInput } from '@morning-crock/core';
import type { Good, GoodPart, MakePlan } from '@morning-crock/core/contract';
import type { Units } from '../../data/units-of.ts';
import { stockWords } from '../words/stock-words.ts';
import type { GoodsHere } from './use-goods.ts';

/** Some goods of the larder, as a choice says which. */
export const goodKey = ({ good, stock }: GoodInput): string => `${good.id} ${stock.place} ${stock.size}`;

/** The goods that a plan is made from now, as a choice says which; `null` when it is made from none. */
export const goodKeyOf = ({ milk }: Pick<MakePlan, 'milk'>): string | null => partKey(milk.goods?.[0]);

/** Goods that are in a plan already, as a choice says which. */
export const partKey = (part: GoodPart | undefined): string | null =>
  part ? `${part.goodId} ${part.place} ${part.size}` : null;

/** Groups of a choice: goods of the larder, and batches under way of which some may be taken; only those that have something. */
export const goodsGroups = (
  { larder, batches }: GoodsHere,
  fitting: (goods: readonly Good[]) => readonly GoodInput[],
  units: Units,
) =>
  [
    { group: 'Larder', inputs: fitting(larder) },
    { group: 'Batches under way', inputs: fitting(batches) },
  ]
    .filter(({ inputs }) => inputs.length > 0)
    .map(({ group, inputs }) => ({
      group,
      items: inputs.map((input) => ({
        value: goodKey(input),
        label: `${input.good.name}, ${stockWords(input.good, input.stock, units)}`,
      })),
    }));

/** The plan made from the goods of a choice, all of them or as much as it wants; `null` for another choice. */
export function planOfChoice(
  plan: MakePlan,
  goods: readonly Good[],
  value: string,
  wantedKg: number,
): MakePlan | null {
  const input = goodsFor(plan, goods).find((one) => goodKey(one) === value);
  return input ? planFromGood(plan, input, Math.min(input.stock.massKg, wantedKg)) : null;
}

/** More of some goods than there is of them, in a sentence; `null` when there is enough. */
export function shortGoods(plan: MakePlan, goods: readonly Good[], units: Units): string | null {
  const part = plan.milk.goods?.[0];
  const input = part && goodsFor(plan, goods).find((one) => goodKey(one) === goodKeyOf(plan));
  if (!part || !input) return null;
  return part.massKg > input.stock.massKg * 1.005
    ? `Only ${units.mass(input.stock.massKg)} of ${part.name} is left: ${units.mass(part.massKg - input.stock.massKg)} short.`
    : null;
}

/** What becomes of the batch that a plan is made from, in a sentence; `null` where it is made from none. */
export function leavesWords(
  part: GoodPart | undefined,
  batches: readonly Good[],
  units: Units,
): string | null {
  const batch = batches.find(({ id }) => id === part?.goodId);
  if (!part || !batch) return null;
  return isAllOf(batch, part.massKg)
    ? `Starting this batch uses up ${part.name} and finishes it.`
    : `Starting this batch takes ${units.mass(part.massKg)} from ${part.name}. The rest stays in that batch.`;
}

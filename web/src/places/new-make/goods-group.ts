import { goodsFor, planFromGood, type GoodInput } from '@morning-crock/core';
import type { Good, GoodPart, MakePlan } from '@morning-crock/core/contract';
import type { Units } from '../../data/units-of.ts';
import { stockWords } from '../../parts/stock-words.ts';

/** Some goods of the larder, as a choice says which. */
export const goodKey = ({ good, stock }: GoodInput): string => `${good.id} ${stock.place} ${stock.size}`;

/** The goods that a plan is made from now, as a choice says which; `null` when it is made from none. */
export const goodKeyOf = ({ milk }: Pick<MakePlan, 'milk'>): string | null => partKey(milk.goods?.[0]);

/** Goods that are in a plan already, as a choice says which. */
export const partKey = (part: GoodPart | undefined): string | null =>
  part ? `${part.goodId} ${part.place} ${part.size}` : null;

/** A group of a choice: what of the larder a plan can be made from; nothing when there is none. */
export function goodsGroup(plan: MakePlan, goods: readonly Good[], units: Units) {
  const inputs = goodsFor(plan, goods);
  return inputs.length === 0
    ? []
    : [
        {
          group: 'Larder',
          items: inputs.map((input) => ({
            value: goodKey(input),
            label: `${input.good.name}, ${stockWords(input.good, input.stock, units)}`,
          })),
        },
      ];
}

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
    ? `Only ${units.mass(input.stock.massKg)} of ${part.name} in the larder: short of ${units.mass(part.massKg - input.stock.massKg)}.`
    : null;
}

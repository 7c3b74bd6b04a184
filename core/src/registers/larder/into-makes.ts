import type { Good, LarderLine } from '../../contract/index.ts';
import type { TakenGoods } from '../../daybook/worth/index.ts';

/** Goods that went into makes, by make: how much of each, and what it cost. @example goodsIntoMakes(goods, lines).get(gheeId) */
export function goodsIntoMakes(
  goods: Iterable<Pick<Good, 'id' | 'costPerKg'>>,
  lines: readonly Pick<LarderLine, 'goodId' | 'into' | 'massKg'>[],
): ReadonlyMap<string, readonly TakenGoods[]> {
  const costs = new Map([...goods].map(({ id, costPerKg }) => [id, costPerKg]));
  const makes = new Map<string, TakenGoods[]>();
  for (const { goodId, into, massKg } of lines)
    if (into !== null)
      makes.set(into, [...(makes.get(into) ?? []), { massKg, costPerKg: costs.get(goodId) ?? null }]);
  return makes;
}

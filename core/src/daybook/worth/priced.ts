import type { KitchenSettings, MakePlan } from '../../contract/index.ts';

/**
 * A plan with the kitchen's prices of this moment, as it is begun with: history does not change when they do.
 * @example priced(plan, kitchen).prices?.energyPerKwh // 0.31
 */
export function priced(plan: MakePlan, { prices }: Pick<KitchenSettings, 'prices'>): MakePlan {
  const { shop, ...paid } = prices;
  const shopPerKg = shop.find(({ product }) => product === plan.product)?.perKg ?? null;
  const known = shopPerKg !== null || Object.values(paid).some((price) => price !== null);
  const { prices: _before, ...rest } = plan;
  return known ? { ...rest, prices: { ...paid, shopPerKg } } : rest;
}

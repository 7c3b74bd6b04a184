import {
  beginPlan,
  changedFor,
  planAgain,
  roomOf,
  withoutCulture,
  withoutLots,
  type CauseId,
  type MakeState,
} from '@morning-crock/core';
import type { KitchenSettings, MakePlan, ProductId } from '@morning-crock/core/contract';

/**
 * The plan a new make starts from: an earlier make's with today's kitchen, or the product's usual one.
 * @param change what went wrong with the earlier one: the one thing that asks for is changed
 */
export function startingPlan(
  kitchen: KitchenSettings,
  repeated: MakeState | null,
  startMs: number,
  product: ProductId,
  change: CauseId | null = null,
): MakePlan {
  const startAt = new Date(startMs).toISOString();
  const fresh = beginPlan(product, kitchen, startAt);
  if (!repeated) return fresh;
  const { roomByUtcHour: _room, factors: _factors, ...plan } = withoutCulture(planAgain(repeated));
  const again: MakePlan = {
    ...plan,
    // Milk and culture of then are gone: they are chosen anew.
    milk: withoutLots(plan.milk),
    startAt,
    repeatOf: repeated.id,
    // The kitchen's own things may have changed since: what is still there is taken as it is now.
    pot: kitchen.pots.find((p) => p.id === plan.pot.id) ?? plan.pot,
    burner: kitchen.burners.find((b) => b.id === plan.burner.id) ?? plan.burner,
    place: kitchen.places.find((p) => p.id === plan.place.id) ?? plan.place,
    ...roomOf(kitchen.site, startMs),
    altitudeM: kitchen.site.altitudeM,
  };
  return (change && changedFor(again, change)) ?? again;
}

import { milkFromLots, poursFor, type DayPours } from '@morning-crock/core';
import { PRODUCT_TAKES, type Lot, type MakePlan } from '@morning-crock/core/contract';

/** The milk of a batch as it comes out of its lots; `null` where they are not there or not enough. */
export function milkOf(
  id: string,
  plan: MakePlan,
  pours: DayPours | null,
  lots: readonly Lot[],
  atMs: number,
): MakePlan['milk'] | null {
  const poured = pours ? poursFor(pours, id) : [];
  const takes = PRODUCT_TAKES[plan.product];
  const from = poured.flatMap((part) => part.from);
  // What comes of a skimming has no lot yet: it is chosen when it is poured.
  const there = poured.length > 0 && from.every(({ lotId }) => !pours?.readyMs.has(lotId));
  const short = poured.some(({ shortKg }) => shortKg > 0);
  if (!there || short || (takes !== 'milk' && takes !== 'cream')) return null;
  return milkFromLots(plan.milk, lots, from, takes, atMs);
}

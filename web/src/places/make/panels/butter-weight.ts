import {
  butterDoubt,
  CHURN_TOLD,
  makeAt,
  mostButtermilkKg,
  told,
  type ButterDoubt,
  type MakeState,
} from '@morning-crock/core';
import type { ByProduct, TypedQuantity } from '@morning-crock/core/contract';
import type { Units } from '../../../data/units-of.ts';

/** Why so much butter cannot be, with the likely slip. */
function doubtWords({ why, mostKg, gramsMeant }: ButterDoubt, units: Units): string {
  const most = `${units.mass(mostKg)} at most`;
  if (gramsMeant) return `That cannot be right (${most}). Did you mean grams, not ounces?`;
  return why === 'more-than-cream'
    ? `That is more than the cream weighed (${most}). Check the unit, or take off the weight of the bowl.`
    : `That is more butter than the fat allows (${most}, even wet and unworked). Drain and work the butter first, or weigh without the bowl.`;
}

/**
 * Why so much butter, or so much buttermilk, cannot have come of a churning, in words; `null` when it can, and for what is no
 * churning.
 */
export function butterWeightFault(
  state: MakeState,
  massKg: number,
  typed: TypedQuantity,
  by: ByProduct | undefined,
  atMs: number,
  units: Units,
): string | null {
  const at = makeAt(state, atMs);
  const mostKg = by === 'buttermilk' ? mostButtermilkKg(at) : null;
  if (mostKg !== null && massKg > mostKg)
    return told(state, CHURN_TOLD).poured.length > 0
      ? `That is more than the cream and water together (${units.mass(mostKg)} at most). Take off the weight of the bowl.`
      : `That is more than the cream (${units.mass(mostKg)} at most). If you added water, enter it first. Or take off the weight of the bowl.`;
  const doubt = by ? null : butterDoubt(at, massKg, typed);
  return doubt && doubtWords(doubt, units);
}

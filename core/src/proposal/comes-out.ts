import type { ByProduct, MakePlan } from '../contract/index.ts';
import { likelyKg, stateOfPlan } from '../make/index.ts';
import { besidesOf, massFlow } from '../products/index.ts';

/** What a plan is likely to give. */
export interface ComesOut {
  readonly productKg: number;
  /** Buttermilk or whey, kg. */
  readonly besides: readonly { readonly what: ByProduct; readonly massKg: number }[];
}

/** What comes out of a plan, an estimate. @example comesOut(butterOfTwoLitres).productKg // 0.79 */
export function comesOut(plan: MakePlan): ComesOut {
  const { out, off } = massFlow(plan);
  const besides = new Map<ByProduct, number>();
  // What a step knows of it is all of it; what is parted off is told where no step says.
  const own = besidesOf(plan);
  for (const { what, massKg } of own ? [own] : off)
    // Grains go into the next milk.
    if (what !== 'grains') besides.set(what, (besides.get(what) ?? 0) + massKg);
  return {
    productKg: likelyKg(stateOfPlan(plan)) ?? out.massKg,
    besides: [...besides].map(([what, massKg]) => ({ what, massKg })),
  };
}

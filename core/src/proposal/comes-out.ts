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
  for (const { what, massKg } of [besidesOf(plan) ?? [], off].flat())
    besides.set(what, (besides.get(what) ?? 0) + massKg);
  return {
    productKg: likelyKg(stateOfPlan(plan)) ?? out.massKg,
    besides: [...besides].map(([what, massKg]) => ({ what, massKg })),
  };
}

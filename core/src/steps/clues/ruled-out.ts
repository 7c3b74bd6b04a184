import type { CauseId } from '../../science/causes/index.ts';
import type { MakeView } from '../make-view.ts';

/**
 * Causes that cannot be behind a fault by the way a batch is made: how often each is one, times nothing.
 * @example ruledOut(brined) // { unheated: 0, lean: 0 }: heat would have spoilt its break, and a cloth thickens it
 */
export function ruledOut({ steps, plan }: Pick<MakeView, 'steps' | 'plan'>): Partial<Record<CauseId, 0>> {
  const has = (kind: string): boolean => steps.some(({ step }) => step.kind === kind);
  const setByRennet = has('coagulate');
  return {
    // Milk that rennet sets must not be heated far; milk that acid sets may be, with a little rennet in it or none.
    ...(setByRennet ? { unheated: 0 } : {}),
    ...(has('add-rennet') && !setByRennet ? { 'milk-overheated': 0 } : {}),
    // Soured milk that is churned whole is no cream.
    ...(plan.milk.wholeCurd ? { 'thin-cream': 0 } : {}),
    // What is drained is as thick as it was left to be.
    ...(steps.some(({ step }) => step.facts.uses?.includes('cloth')) ? { lean: 0 } : {}),
  };
}

import type { Lot, MakePlan } from '@morning-crock/core/contract';

/** What goes into a plan, and where its milk may come from. */
export interface PourProps {
  readonly plan: MakePlan;
  readonly lots: readonly Lot[];
  readonly change: (part: Partial<MakePlan>) => void;
  readonly onFault: (field: string, faulty: boolean) => void;
  /** How often the amount was set by something else than its own field, and that it was now. */
  readonly renewed: number;
  readonly onRenew: () => void;
}

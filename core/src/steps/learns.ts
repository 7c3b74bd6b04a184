import type { FactorKind, MakePlan } from '../contract/index.ts';
import type { MakeAt } from './make-view.ts';

/** What a make says about a thing, ln against what the book says, and one σ of that. */
export interface Fit {
  readonly value: number;
  readonly sigma: number;
  /** How little was known before the first say, one σ; left out, as its kind has it. */
  readonly prior?: number;
}

/** What is learned of a thing of the kitchen from the makes that used it in a kind of step. */
export interface Learns {
  readonly factor: FactorKind;
  /** Which thing of a plan it is about; empty for none. */
  readonly thing: (plan: MakePlan) => string;
  /** What a finished make says; `null` when it says nothing. */
  readonly fit: (at: MakeAt) => Fit | null;
}

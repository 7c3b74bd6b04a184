import type { MakePlan, StepInstance } from '../contract/index.ts';

/** Steps in which a batch stands in the fridge. */
const COLD: ReadonlySet<StepInstance['kind']> = new Set(['chill', 'thicken']);

/** Whether a step's batch goes into the fridge next, and not into a cloth or through a sieve first. */
export function goesCold({ method: { steps } }: Pick<MakePlan, 'method'>, step: StepInstance): boolean {
  const next = steps[steps.findIndex(({ id }) => id === step.id) + 1];
  return next === undefined || COLD.has(next.kind);
}

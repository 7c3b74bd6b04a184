import type { MakePlan, StepInstance } from '../contract/index.ts';
import type { StepWords } from './step-facts.ts';

/** Steps in which a batch stands in the fridge. */
const COLD: ReadonlySet<StepInstance['kind']> = new Set(['chill', 'thicken']);

/** How a souring is called done: into the fridge where that comes next, and not where a cloth or a sieve does. */
export function souredWords(
  { method: { steps } }: Pick<MakePlan, 'method'>,
  step: StepInstance,
): Pick<StepWords, 'doneWords' | 'endWords'> {
  const next = steps[steps.findIndex(({ id }) => id === step.id) + 1];
  return next === undefined || COLD.has(next.kind)
    ? { doneWords: 'Move to fridge', endWords: 'into the fridge' }
    : { doneWords: 'Sour enough', endWords: 'sour enough' };
}

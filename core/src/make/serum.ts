import { KEEPING_SERUM } from '../science/butter/index.ts';
import { serumLeft } from '../steps/index.ts';
import type { MakeState } from './state.ts';

/** Buttermilk left in the butter of a make, share of what it carried, 0..1; water that ran clear says that it is enough. */
export function serumLeftIn({ steps, rinses }: Pick<MakeState, 'steps' | 'rinses'>): number {
  const wash = steps.find(({ step }) => step.facts.tells === 'rinses');
  if (!wash) return 1;
  const left = serumLeft({ step: wash.step.instance }, rinses.length);
  return rinses.at(-1)?.clear ? Math.min(left, KEEPING_SERUM) : left;
}

import { KEEPING_SERUM } from '../../science/butter/index.ts';
import { WASH_TOLD } from '../butter-told.ts';
import type { MakeView } from '../make-view.ts';
import { told } from '../told.ts';
import { serumLeft } from '../wash.ts';

/** Buttermilk left in the butter of a make, share of what it carried, 0..1; water that ran clear says that it is enough. */
export function serumLeftIn(make: Pick<MakeView, 'steps' | 'events'>): number {
  const wash = make.steps.find(({ step }) => step.kind === 'wash');
  if (!wash) return 1;
  const { rinses } = told(make, WASH_TOLD);
  const left = serumLeft({ step: wash.step.instance }, rinses.length);
  return rinses.at(-1)?.clear ? Math.min(left, KEEPING_SERUM) : left;
}

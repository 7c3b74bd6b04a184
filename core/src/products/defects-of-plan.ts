import { PRODUCT_TAKES, type MakePlan } from '../contract/index.ts';
import { DEFECTS_OF, type Defect } from '../science/souring/index.ts';
import { makesGas } from '../steps/index.ts';
import { productOf } from './catalogue.ts';

/**
 * What may be wrong with what a plan makes, as it is tasted. What a culture makes fizzy is not told to be gassy.
 * @example defectsOf(butter) // ['weak', 'greasy', …]
 */
export function defectsOf(plan: MakePlan): readonly Defect[] {
  const { goods } = productOf(plan);
  const takes = PRODUCT_TAKES[plan.product];
  const of =
    goods.out === 'butter' ? 'butter' : takes === 'butter' ? 'ghee' : takes === 'cream' ? 'cream' : 'milk';
  return makesGas(plan.starter.kind)
    ? DEFECTS_OF[of].filter((defect) => defect !== 'gassy' && defect !== 'yeasty')
    : DEFECTS_OF[of];
}

import { PRODUCT_TAKES, type MakePlan, type ProductId, type StepKind } from '../contract/index.ts';
import type { FaultyKind } from '../science/causes/index.ts';
import { makesGas } from '../steps/index.ts';
import { productOf, typedSteps } from './catalogue.ts';

/** Steps that work on curd in a cloth, a mould or the pot. */
const OF_CURD: ReadonlySet<StepKind> = new Set<StepKind>(['add-rennet', 'strain', 'cut', 'press', 'acidify']);

/**
 * What of a plan may be complained of, the product itself first.
 * @example faultyKindsOf(churnedFromSourCream) // ['butter', 'cream']
 */
export function faultyKindsOf(plan: MakePlan): FaultyKind[] {
  const takes = PRODUCT_TAKES[plan.product];
  const { goods } = productOf(plan);
  const steps = typedSteps(plan);
  const sours = steps.some(({ type }) => type.facts.sours);
  const before: FaultyKind[] = !sours ? [] : [takes === 'cream' ? 'cream' : 'milk'];
  if (takes === 'butter') return ['ghee'];
  if (takes === 'packet') return ['culture'];
  if (goods.out === 'butter') return ['butter', ...before];
  if (makesGas(plan.starter.kind)) return ['kefir'];
  if (steps.some(({ type }) => OF_CURD.has(type.kind))) return [...before, 'curd'];
  return [takes === 'cream' ? 'cream' : 'milk'];
}

/** What stands for a kind of thing where nobody said which of it was made. */
export const STANDS_FOR: Readonly<Record<FaultyKind, ProductId>> = {
  milk: 'yogurt',
  cream: 'cultured-cream',
  butter: 'butter',
  ghee: 'ghee',
  curd: 'fresh-cheese',
  kefir: 'kefir',
  culture: 'yogurt',
};

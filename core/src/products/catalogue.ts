import type { MakePlan, ProductId } from '../contract/index.ts';
import { STEP_TYPES, stepFor, type MethodStep, type StepOf, type StepType } from '../steps/index.ts';
import { BUTTER } from './butter.ts';
import { CULTURED_CREAM } from './cultured-cream.ts';
import { GHEE } from './ghee.ts';
import type { Product } from './product.ts';
import { WAKING } from './waking.ts';
import { YOGURT } from './yogurt.ts';

/** One product a line: nothing else knows them by name. */
export const PRODUCTS: Readonly<Record<ProductId, Product>> = {
  yogurt: YOGURT,
  'cultured-cream': CULTURED_CREAM,
  butter: BUTTER,
  ghee: GHEE,
  waking: WAKING,
};

export const productOf = ({ product }: Pick<MakePlan, 'product'>): Product => PRODUCTS[product];

/** The steps of a plan with their types, those that this batch does not have left out. */
export function typedSteps(plan: MakePlan): { readonly type: StepType; readonly of: StepOf }[] {
  const { goods } = productOf(plan);
  return plan.method.steps
    .map((step) => ({ type: STEP_TYPES[step.kind], of: { step, goods } }))
    .filter(({ type }) => type.applies?.(plan) !== false);
}

/** The steps of a plan, in order. @example methodSteps(plan).map((s) => s.id) // ['pour', 'heat', …] */
export const methodSteps = (plan: MakePlan): MethodStep[] =>
  typedSteps(plan).flatMap(({ type, of }) => stepFor(type, plan, of) ?? []);

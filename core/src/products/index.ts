import type { MakePlan } from '../contract/index.ts';
import { STEP_TYPES, stepFor, type MethodStep } from '../steps/index.ts';
import { YOGURT } from './yogurt.ts';

/** One product a line. */
export const PRODUCTS = { [YOGURT.id]: YOGURT } as const;

/** The steps of a plan, in order. @example methodSteps(plan).map((s) => s.id) // ['pour', 'heat', …] */
export const methodSteps = (plan: MakePlan): MethodStep[] =>
  PRODUCTS[plan.product].steps.flatMap((kind) => stepFor(STEP_TYPES[kind], plan) ?? []);

import type { MakePlan, ProductId } from '../contract/index.ts';
import { STEP_TYPES, stepFor, type MethodStep, type StepOf, type StepType } from '../steps/index.ts';
import { BUTTER } from './butter.ts';
import { CULTURED_CREAM } from './cultured-cream.ts';
import { GHEE } from './ghee.ts';
import { SKYR } from './skyr.ts';
import { JAR_OF_TWO } from './jar-of-two.ts';
import { BUTTERMILK } from './buttermilk.ts';
import { KEFIR } from './kefir.ts';
import { CLABBER } from './clabber.ts';
import { FRESH_CHEESE } from './fresh-cheese.ts';
import { CHEESE } from './cheese.ts';
import { CREAMER } from './creamer.ts';
import { WHIPPED_CREAM } from './whipped-cream.ts';
import { FROZEN_YOGURT } from './frozen-yogurt.ts';
import type { Product } from './product.ts';
import { WAKING } from './waking.ts';
import { YOGURT } from './yogurt.ts';

/** One product a line: nothing else knows them by name. */
export const PRODUCTS: Readonly<Record<ProductId, Product>> = {
  yogurt: YOGURT,
  skyr: SKYR,
  kefir: KEFIR,
  buttermilk: BUTTERMILK,
  clabber: CLABBER,
  'jar-of-two': JAR_OF_TWO,
  'cultured-cream': CULTURED_CREAM,
  butter: BUTTER,
  ghee: GHEE,
  'fresh-cheese': FRESH_CHEESE,
  cheese: CHEESE,
  creamer: CREAMER,
  'whipped-cream': WHIPPED_CREAM,
  'frozen-yogurt': FROZEN_YOGURT,
  waking: WAKING,
};

/** What a recipe from elsewhere is of, by what it is called: its last word tells most. @example productCalled('Buttermilk cheese') // 'cheese' */
export function productCalled(name: string): ProductId {
  const found = Object.values(PRODUCTS).flatMap(({ id, calledBy }) => {
    const match = calledBy?.exec(name);
    return match ? [{ id, endsAt: match.index + match[0].length, long: match[0].length }] : [];
  });
  return found.sort((a, b) => b.endsAt - a.endsAt || b.long - a.long)[0]?.id ?? YOGURT.id;
}

export const productOf = ({ product }: Pick<MakePlan, 'product'>): Product => PRODUCTS[product];

/** The steps of a plan with their types, those that this batch does not have left out. */
export function typedSteps(plan: MakePlan): { readonly type: StepType; readonly of: StepOf }[] {
  const { goods } = productOf(plan);
  return plan.method.steps
    .map((step) => ({ type: STEP_TYPES[step.kind], of: { step, goods } }))
    .filter(({ type }) => type.applies?.(plan) !== false);
}

/** What is likely to come out besides the product, kg; `null` where no step says. */
export const besidesOf = (plan: MakePlan): ReturnType<NonNullable<StepType['besides']>> | null =>
  typedSteps(plan).flatMap(({ type }) => type.besides?.(plan) ?? [])[0] ?? null;

/** The steps of a plan, in order. @example methodSteps(plan).map((s) => s.id) // ['pour', 'heat', …] */
export const methodSteps = (plan: MakePlan): MethodStep[] =>
  typedSteps(plan).flatMap(({ type, of }) => stepFor(type, plan, of) ?? []);

export type { Gives, Product } from './product.ts';
export { defaultPlan } from './begin/yogurt.ts';
export { PRODUCTS, methodSteps, productOf } from './catalogue.ts';
export { adviseOn } from './advise.ts';
export { beginPlan } from './begin/index.ts';

export type { Gives, Product } from './product.ts';
export { defaultPlan } from './begin/yogurt.ts';
export { PRODUCTS, methodSteps, productOf } from './catalogue.ts';
export { massFlow, type FlowKnown, type MassFlow } from './flow.ts';
export { feedRows, milkForWaking, type FeedRow } from './feeds.ts';
export { adviseOn } from './advise.ts';
export { beginPlan, planOfMethod } from './begin/index.ts';
export { butterPour } from './begin/ghee.ts';
export { beginWaking, usualWaking, WAKES_AT_C } from './begin/waking.ts';

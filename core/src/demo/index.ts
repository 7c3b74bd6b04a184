export * from './demo-kitchen.ts';
export * from './truth.ts';
export * from './scenario.ts';
export * from './demo-milk.ts';
export * from './demo-cream.ts';
export * from './demo-cultures.ts';
export { demoKefir, demoMethods, demoShelf } from './demo-shelf.ts';

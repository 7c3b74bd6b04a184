export * from './kitchen.ts';
export * from './truth.ts';
export * from './scenario.ts';
export * from './milk.ts';
export * from './cream.ts';
export * from './cultures.ts';
export { demoKefir, demoMethods, demoShelf } from './shelf.ts';

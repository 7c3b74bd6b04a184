export * from './backwards.ts';
export { coldBath, type Allowed, type Price } from './variants.ts';

export * from './random.ts';
export * from './interpolate.ts';
export * from './roots.ts';
export * from './linear-algebra.ts';
export * from './least-squares.ts';
export * from './quantile.ts';
export * from './thin.ts';
export * from './belief.ts';

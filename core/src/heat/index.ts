export * from './water.ts';
export * from './vessel.ts';
export * from './warm-place.ts';
export * from './denature.ts';
export * from './pasteurise.ts';
export * from './refit.ts';

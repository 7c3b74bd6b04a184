export * from './composition.ts';
export * from './density.ts';
export * from './specific-heat.ts';
export * from './mix.ts';
export * from './settling.ts';
export * from './milk-keeps.ts';
export * from './lactation.ts';

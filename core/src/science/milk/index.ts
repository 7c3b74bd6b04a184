export * from './composition.ts';
export * from './density.ts';
export * from './specific-heat.ts';
export * from './mix.ts';
export * from './settling.ts';
export * from './keeping.ts';
export * from './lactation.ts';

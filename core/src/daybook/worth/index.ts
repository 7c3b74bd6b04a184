export * from './prices.ts';
export * from './energy.ts';
export * from './worth.ts';

export * from './priced.ts';
export * from './energy.ts';
export * from './worth.ts';

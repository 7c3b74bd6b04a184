export * from './units/index.ts';
export * from './numerics/index.ts';
export * from './milk/index.ts';
export * from './heat/index.ts';
export * from './culture/index.ts';
export * from './kitchen/index.ts';
export * from './method/index.ts';
export * from './make/index.ts';

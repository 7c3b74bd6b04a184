export * from './drain.ts';
export * from './rennet.ts';
export * from './cheese.ts';
export * from './layers.ts';
export * from './grains.ts';

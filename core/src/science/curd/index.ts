export * from './draining.ts';
export * from './setting.ts';
export * from './cheese-yield.ts';
export * from './layers.ts';
export * from './grains.ts';

export * from './kitchen.ts';
export * from './truth.ts';
export * from './scenario.ts';

export * from './quantities.ts';
export * from './kitchen.ts';
export * from './plan.ts';
export * from './events.ts';
export * from './errors.ts';
export * from './api.ts';
export * from './learning.ts';
export * from './trace.ts';

export * from './quantities.ts';
export * from './kitchen.ts';
export * from './plan.ts';
export * from './events.ts';
export * from './errors.ts';
export * from './api.ts';

export * from './kinds.ts';
export * from './keep.ts';
export * from './count.ts';
export * from './register.ts';
export * from './checks.ts';

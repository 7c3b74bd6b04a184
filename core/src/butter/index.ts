export * from './churns.ts';
export * from './churn.ts';
export * from './wash.ts';
export * from './salt.ts';
export * from './balance.ts';
export * from './stages.ts';
export * from './ghee.ts';
export * from './remedies.ts';

export * from './test-kitchen.ts';
export * from './drafts.ts';

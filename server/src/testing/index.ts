export * from './test-kitchen.ts';
export * from './drafts.ts';
export * from './read-routes.ts';
export { seedDemo } from '../demo/seed.ts';
export { newKitchenCode } from '../features/access/kitchen-code.ts';

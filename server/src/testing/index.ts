export * from './test-kitchen.ts';
export * from './drafts.ts';
export * from './read-routes.ts';
export { seedDemo } from '../demo/seed.ts';
export { CONNECTION_LIMITS } from '../app.ts';
export { openAuthority, type Authority } from '../features/secure/authority.ts';
export { secureServer, type SecureServer } from '../features/secure/secure-server.ts';
export { localNetwork } from '../local-network.ts';
export { newKitchenCode } from '../features/access/kitchen-code.ts';

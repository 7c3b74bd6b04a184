export * from './defaults.ts';
export * from './zone.ts';
export * from './away.ts';

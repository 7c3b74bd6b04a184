export * from './defaults.ts';
export * from './zone.ts';

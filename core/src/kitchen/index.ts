export * from './defaults.ts';
export * from './today.ts';
export * from './check-due.ts';
export * from './place-check.ts';
export * from './zone.ts';
export * from './away.ts';

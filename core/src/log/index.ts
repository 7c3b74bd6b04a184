export * from './facts.ts';
export * from './effective.ts';
export * from './replay.ts';

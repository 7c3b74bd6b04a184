export * from './facts.ts';
export * from './effective.ts';
export * from './replay.ts';
export { FOLD_MARK, FOLD_VERSION } from './fold-version.ts';

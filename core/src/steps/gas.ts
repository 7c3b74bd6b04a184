import type { StarterKind } from '../science/souring/index.ts';

/** Cultures that make gas: their lid is loose, and a fifth of the jar stays empty. */
export const makesGas = (kind: StarterKind): boolean => kind === 'milk-kefir' || kind === 'kefir-grains';

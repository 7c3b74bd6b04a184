import type { Want } from '../registers/milk/index.ts';

export const SORTS = ['milk', 'skimmed', 'cream'] as const satisfies readonly Want['sort'][];
export type PourSort = (typeof SORTS)[number];

/** Milk, skimmed milk and cream, L. */
export type BySort = Readonly<Record<PourSort, number>>;

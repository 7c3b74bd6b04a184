import type { StarterKind } from '../science/souring/index.ts';

/** As what goods of the larder may go into something else. */
export type PoursAs = 'milk' | 'curd' | 'ripened-cream' | 'set-milk' | 'butter';

/** How long goods keep, and what else may be made of them. */
export interface KeepsAs {
  /** Days it keeps cold at 5 °C or less, frozen, and in a cellar [judgement]. */
  readonly cold: readonly [number, number];
  readonly freezer: readonly [number, number] | null;
  readonly cellar: readonly [number, number] | null;
  readonly reason: string;
  /** What its ice is like; left out, that of milk. */
  readonly thawsAs?: 'cream' | 'butter';
  /** As what it may go into something else, and the culture it brings along as a starter. */
  readonly pours?: readonly PoursAs[];
  readonly starts?: StarterKind;
}

export const ACID_PRESERVES = 'the acid preserves it';

/** What was soured keeps so many days in the cold, a quarter of that in a cellar. @example soured([14, 21]).cellar // [4, 6] */
export const soured = (
  cold: readonly [number, number],
  freezer: KeepsAs['freezer'] = null,
): Pick<KeepsAs, 'cold' | 'freezer' | 'cellar' | 'reason'> => ({
  cold,
  freezer,
  cellar: [Math.ceil(cold[0] / 4), Math.ceil(cold[1] / 4)],
  reason: ACID_PRESERVES,
});

/** Water in butter worked by hand, 0..1: an estimate where nobody measured it. */
export const HAND_WORKED_WATER = 0.16;

/** Kinds of salt as a spoon measures them. */
export const SALT_KINDS = ['fine', 'coarse', 'flaky'] as const;
export type SaltKind = (typeof SALT_KINDS)[number];
/** What a litre of each weighs, kg, poured and levelled [judgement: it differs by maker]. */
export const SALT_KG_PER_LITRE: Readonly<Record<SaltKind, number>> = { fine: 1.2, coarse: 1.0, flaky: 0.55 };

/** What goes into butter besides salt. */
export const FLAVOURINGS = ['herbs', 'garlic', 'dry'] as const;
export type Flavouring = (typeof FLAVOURINGS)[number];

/** Salt by level spoons. @example saltOfSpoonsKg(2, 5, 'fine') // 0.012 */
export const saltOfSpoonsKg = (spoons: number, spoonMl: number, kind: SaltKind): number =>
  (spoons * spoonMl * SALT_KG_PER_LITRE[kind]) / 1000;

export interface Salted {
  /** Salt of the whole, 0..1. */
  readonly saltFraction: number;
  /** Salt of the brine that the butter's water makes with it, 0..1; from about 0.08 it keeps notably better. */
  readonly brineFraction: number;
}

/**
 * How salty butter is, and its water.
 * @param butterKg before salting @param moistureFraction water in it, 0..1
 * @example salted(0.43, 0.16, 0.0073).brineFraction // 0.0959
 */
export function salted(butterKg: number, moistureFraction: number, saltKg: number): Salted {
  if (saltKg === 0) return { saltFraction: 0, brineFraction: 0 };
  return {
    saltFraction: saltKg / (butterKg + saltKg),
    brineFraction: saltKg / (saltKg + moistureFraction * butterKg),
  };
}

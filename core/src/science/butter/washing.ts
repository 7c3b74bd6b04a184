/** Serum left in butter that is to keep, share of what was carried. */
export const KEEPING_SERUM = 0.03;

/** Buttermilk that drained butter carries, kg per kg [F]. */
export const DRAINED_SERUM = 0.25;

export interface Washing {
  /** Buttermilk between the grains, kg per kg of butter: drained about 0.25, squeezed 0.18 [F]. */
  readonly carriedKgPerKg: number;
  /** Water of one wash, kg per kg of butter. */
  readonly waterKgPerKg: number;
  /** How well one wash mixes, 0..1: rinsed under the tap about 0.4, pressed 0.6, kneaded 0.8 [F]. */
  readonly exchangeFraction: number;
}

/** What one wash leaves of the serum, 0..1. */
const leftByOne = ({ carriedKgPerKg, waterKgPerKg, exchangeFraction }: Washing): number =>
  1 - (exchangeFraction * waterKgPerKg) / (carriedKgPerKg + waterKgPerKg);

/**
 * Serum left after some washes, share of what was carried.
 * @example serumLeftFraction({ carriedKgPerKg: 0.25, waterKgPerKg: 1, exchangeFraction: 0.8 }, 2) // 0.1296
 */
export const serumLeftFraction = (washing: Washing, washes: number): number => leftByOne(washing) ** washes;

/**
 * Washes until the butter keeps; `null` when such a wash carries nothing off.
 * @example washesToKeep({ carriedKgPerKg: 0.25, waterKgPerKg: 1, exchangeFraction: 0.8 }) // 4
 */
export function washesToKeep(washing: Washing): number | null {
  const left = leftByOne(washing);
  if (left >= 1) return null;
  return left <= KEEPING_SERUM ? 1 : Math.ceil(Math.log(KEEPING_SERUM) / Math.log(left));
}

/** How long butter is to keep: it decides how often it is washed. */
export const KEEPING_PLANS = ['ghee', 'soon', 'keep'] as const;
export type KeepingPlan = (typeof KEEPING_PLANS)[number];

/**
 * Washes by what the butter is for: none where it goes into the pan for ghee, one where it is eaten within the week, else until
 * no more than 3 % of its buttermilk is left.
 * @example washesFor('keep', { carriedKgPerKg: 0.25, waterKgPerKg: 1, exchangeFraction: 0.8 }) // 4
 */
export const washesFor = (plan: KeepingPlan, washing: Washing): number =>
  plan === 'ghee' ? 0 : plan === 'soon' ? 1 : (washesToKeep(washing) ?? 1);

/** What so many washes are enough for. @example keepingPlanOf(1, washing) // 'soon' */
export const keepingPlanOf = (washes: number, washing: Washing): KeepingPlan =>
  washes === 0 ? 'ghee' : washes < (washesToKeep(washing) ?? 1) ? 'soon' : 'keep';

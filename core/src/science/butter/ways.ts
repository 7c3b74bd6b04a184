import { HAND_WORKED_FAT } from './churning.ts';

/** Butter holds this much that is neither fat nor water, 0..1. */
const BUTTER_SNF = 0.02;
/** With more water than this it is no butter, 0..1. */
export const MOST_BUTTER_WATER = 0.4;

/**
 * Water by a pan test: a little butter heated until it stops foaming, weighed before and after.
 * @param beforeKg and @param afterKg of butter, the pan's own weight taken off
 * @throws RangeError for a weight that is not above 0, or one that is more after than before
 * @example panMoisture(0.01, 0.0084) // 0.16
 */
export function panMoisture(beforeKg: number, afterKg: number): number {
  if (!(beforeKg > 0) || !(afterKg > 0)) throw new RangeError('both weights must be above 0');
  if (afterKg > beforeKg) throw new RangeError('the weight after cannot be more than the weight before');
  return (beforeKg - afterKg) / beforeKg;
}

/** Fat of butter whose water was measured; of hand-worked butter when nobody did. @example butterFat(0.16) // 0.82 */
export const butterFat = (moistureFraction: number | null): number =>
  moistureFraction === null ? HAND_WORKED_FAT : 1 - moistureFraction - BUTTER_SNF;

/** What came of a churning, as weighed. */
export interface ChurnWeights {
  readonly creamKg: number;
  readonly creamFatFraction: number;
  /** Without its salt; `null` until it is weighed. */
  readonly butterKg: number | null;
  /** Water in it by a pan test; `null` when nobody made one. */
  readonly moistureFraction: number | null;
  readonly buttermilkKg: number | null;
  readonly buttermilkFatFraction: number;
}

/** Where the fat went, kg. */
export interface FatWays {
  readonly fatKg: number;
  /** If all of it came into such butter. */
  readonly possibleKg: number;
  readonly inButterKg: number | null;
  readonly inButtermilkKg: number | null;
  /** In neither: churn, wash, spilled; or the cream was leaner than it was thought, and then less than nothing is lost. */
  readonly elsewhereKg: number | null;
  /** Butter over fat, less one. */
  readonly overrunFraction: number | null;
}

/**
 * The fat of a churning, in and out: what is in the butter, in the buttermilk and elsewhere is all the fat there was.
 * @example fatWays({ creamKg: 2, creamFatFraction: 0.35, butterKg: 0.82, moistureFraction: null, buttermilkKg: 1.1, buttermilkFatFraction: 0.008 }).elsewhereKg // 0.027
 */
export function fatWays(of: ChurnWeights): FatWays {
  const { creamKg, butterKg, buttermilkKg } = of;
  const fatKg = creamKg * of.creamFatFraction;
  const share = butterFat(of.moistureFraction);
  const inButterKg = butterKg === null ? null : Math.min(fatKg, butterKg * share);
  const inButtermilkKg =
    buttermilkKg === null
      ? null
      : Math.min(fatKg - (inButterKg ?? 0), buttermilkKg * of.buttermilkFatFraction);
  return {
    fatKg,
    possibleKg: fatKg / share,
    inButterKg,
    inButtermilkKg,
    elsewhereKg: inButterKg === null ? null : fatKg - inButterKg - (inButtermilkKg ?? 0),
    overrunFraction: butterKg === null || fatKg === 0 ? null : butterKg / fatKg - 1,
  };
}

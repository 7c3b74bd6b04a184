import { specificHeatKjPerKgK, type Composition } from '../milk/index.ts';

/** Specific heat of water, kJ/(kg K). */
const WATER_KJ = 4.18;

/**
 * Heat of cream when water is poured into it, °C: by heat and mass, nothing lost.
 * @param creamKg > 0 @param waterKg ≥ 0
 * @example wateredC({ creamKg: 2, composition, creamC: 17, waterKg: 0.4, waterC: 4 }) // 14.6
 */
export function wateredC(of: {
  readonly creamKg: number;
  readonly composition: Composition;
  readonly creamC: number;
  readonly waterKg: number;
  readonly waterC: number;
}): number {
  const cream = of.creamKg * specificHeatKjPerKgK(of.composition, of.creamC);
  const water = of.waterKg * WATER_KJ;
  return (cream * of.creamC + water * of.waterC) / (cream + water);
}

/**
 * Chilled water that brings cream down to a heat, kg; `null` where water of that heat cannot.
 * @example waterToCool({ creamKg: 2, composition, creamC: 18, waterC: 4 }, 13) // about 1
 */
export function waterToCool(
  of: {
    readonly creamKg: number;
    readonly composition: Composition;
    readonly creamC: number;
    readonly waterC: number;
  },
  toC: number,
): number | null {
  if (toC >= of.creamC || of.waterC >= toC) return null;
  return (
    (of.creamKg * specificHeatKjPerKgK(of.composition, of.creamC) * (of.creamC - toC)) /
    (WATER_KJ * (toC - of.waterC))
  );
}

/** Fat of buttermilk that water was poured to, 0..1. @example dilutedFat(0.006, 1.2, 0.3) // 0.0048 */
export const dilutedFat = (fatFraction: number, buttermilkKg: number, waterKg: number): number =>
  buttermilkKg + waterKg > 0 ? (fatFraction * buttermilkKg) / (buttermilkKg + waterKg) : fatFraction;

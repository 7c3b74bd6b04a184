import { specificHeatKjPerKgK, type Composition } from '../milk/index.ts';

const WATER_KJ_PER_KG_K = 4.18;
const GRAVITY_M_PER_S2 = 9.81;
/** Hours of brining per kg of wheel and inch of its height [judgement]. */
const BRINING_H_PER_KG_INCH = [5, 6] as const;
const CM_PER_INCH = 2.54;
/** A weaker brine keeps a cheese badly. */
export const WEAK_BRINE = 0.08;
/** Of the milk's protein, casein [F]; of its fat, what stays in the curd; lost from the casein, % of milk; salt and whey solids. */
const YIELD = { casein: 0.78, fatKept: 0.93, caseinLost: 0.001, solids: 1.09 } as const;

/** Whey drawn off and hot water poured in. */
export interface WheySwap {
  readonly composition: Composition;
  readonly massKg: number;
  readonly celsius: number;
  /** Share of the whole that is drawn off and put back as water, 0..0.8. */
  readonly drawFraction: number;
}

/**
 * How hot the water must be to bring curd and whey to a heat; by mass and heat. `null` when even boiling water does not.
 * @example swapWaterC({ composition, massKg: 4, celsius: 32, drawFraction: 0.3 }, 38) // about 51
 */
export function swapWaterC(
  { composition, massKg, celsius, drawFraction }: WheySwap,
  toC: number,
): number | null {
  const heat = specificHeatKjPerKgK(composition, celsius);
  const leftKg = massKg * (1 - drawFraction);
  const waterKg = massKg * drawFraction;
  if (waterKg <= 0) return toC === celsius ? celsius : null;
  const waterC = toC + (leftKg * heat * (toC - celsius)) / (waterKg * WATER_KJ_PER_KG_K);
  return waterC > 100 ? null : waterC;
}

/** °C a minute at which a burner warms some milk, losses left out. @param powerKw into the milk */
export const heatingPaceCPerMin = (
  composition: Composition,
  massKg: number,
  powerKw: number,
  celsius: number,
) => (60 * powerKw) / (massKg * specificHeatKjPerKgK(composition, celsius));

/** Pressure under a weight, kPa. @param diameterCm of the follower @example pressureKpa(10, 15) // 5.6 */
export const pressureKpa = (massKg: number, diameterCm: number): number =>
  (massKg * GRAVITY_M_PER_S2) / ((Math.PI * (diameterCm / 100) ** 2) / 4) / 1000;

/** Hours in the brine, a range [judgement]. @example briningHours(0.6, 5) // [5.9, 7.1] */
export const briningHours = (wheelKg: number, heightCm: number): readonly [number, number] => [
  BRINING_H_PER_KG_INCH[0] * wheelKg * (heightCm / CM_PER_INCH),
  BRINING_H_PER_KG_INCH[1] * wheelKg * (heightCm / CM_PER_INCH),
];

/** Height of a wheel of some weight, cm. Curd is about as heavy as its volume of 1.08 kg/L [F]. */
export const wheelHeightCm = (wheelKg: number, diameterCm: number): number =>
  ((wheelKg / 1.08) * 1000) / ((Math.PI * diameterCm ** 2) / 4);

/** Salt for some water, kg: brine is salt over salt and water, by weight. @example brineSaltKg(4, 0.2) // 1 */
export const brineSaltKg = (waterKg: number, brineFraction: number): number =>
  (waterKg * brineFraction) / (1 - brineFraction);

/** A cheese out of some milk. */
export interface CheeseYield {
  readonly cheeseKg: number;
  readonly wheyKg: number;
  readonly fatFraction: number;
  readonly proteinFraction: number;
  readonly wheyFatFraction: number;
  readonly wheyProteinFraction: number;
}

/**
 * What a rennet cheese of some moisture gives: 93 % of the fat and the casein but for a tenth of a percent of the milk, times
 * 1.09 for salt and whey solids, over what is not water [P: Van Slyke & Price, Cheese]. Fat, protein and mass are conserved.
 * @param moisture of the cheese, 0.3..0.8
 * @example cheeseOf({ massKg: 10, fatFraction: 0.037, proteinFraction: 0.032 }, 0.4).cheeseKg // 1.06
 */
export function cheeseOf(
  milk: { readonly massKg: number; readonly fatFraction: number; readonly proteinFraction: number },
  moisture: number,
): CheeseYield {
  const { massKg, fatFraction, proteinFraction } = milk;
  const fatKg = YIELD.fatKept * fatFraction * massKg;
  const proteinKg = Math.max(0, YIELD.casein * proteinFraction - YIELD.caseinLost) * massKg;
  const cheeseKg = Math.min(massKg, ((fatKg + proteinKg) * YIELD.solids) / (1 - moisture));
  const wheyKg = massKg - cheeseKg;
  const share = (kg: number, of: number): number => (of > 0 ? kg / of : 0);
  return {
    cheeseKg,
    wheyKg,
    fatFraction: share(fatKg, cheeseKg),
    proteinFraction: share(proteinKg, cheeseKg),
    wheyFatFraction: share(fatFraction * massKg - fatKg, wheyKg),
    wheyProteinFraction: share(proteinFraction * massKg - proteinKg, wheyKg),
  };
}

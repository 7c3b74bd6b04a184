import { Z90 } from '../numerics/index.ts';

/** What rennet is measured by. */
export const RENNET_UNITS = ['mL', 'drop', 'tablet'] as const;
export type RennetUnit = (typeof RENNET_UNITS)[number];

/** What a unit of rennet may hold when its label does not say, IMCU [judgement]: twenty drops a millilitre. */
export const UNKNOWN_STRENGTH: Readonly<Record<RennetUnit, readonly [number, number]>> = {
  mL: [30, 250],
  drop: [1.5, 12.5],
  tablet: [60, 600],
};
/** Minutes to a clean break at 35 IMCU/L, 32 °C and pH 6.5, and what moves them [F: about]. */
const BOOK = {
  minutes: 40,
  imcuPerLitre: 35,
  celsius: 32,
  ph: 6.5,
  perKelvin: 0.06,
  perPh: 0.7,
  denatured: 3,
};
/** How far a known dose's time is off, σ of ln [F: judgement]. */
const SIGMA_KNOWN = 0.25;
/** P10 to P90 of a normal, in σ. */
const SPAN = 2 * Z90;

/** How strong a unit is taken to be, and how sure that is. */
export function rennetStrength(
  unit: RennetUnit,
  labelImcu: number | null,
): { readonly imcu: number; readonly sigma: number } {
  if (labelImcu !== null) return { imcu: labelImcu, sigma: 0 };
  const [low, high] = UNKNOWN_STRENGTH[unit];
  return { imcu: Math.sqrt(low * high), sigma: Math.log(high / low) / SPAN };
}

/**
 * How many units of rennet a milk wants.
 * @param imcu of one unit
 * @example rennetUnits(4, 35, 150) // 0.93 mL
 */
export const rennetUnits = (litres: number, imcuPerLitre: number, imcu: number): number =>
  (litres * imcuPerLitre) / imcu;

/** Renneted milk. */
export interface Renneted {
  readonly imcuPerLitre: number;
  readonly celsius: number;
  readonly ph: number;
  /** Whey protein unfolded by heat: it hinders the set, 0..1. */
  readonly denaturedFraction: number;
}

/**
 * Minutes to a clean break, an estimate: look and try. Source: docs/SCIENCE.md, rennet [F].
 * @throws RangeError for a dose that is not above 0
 * @example minutesToCleanBreak({ imcuPerLitre: 32, celsius: 31, ph: 6.55, denaturedFraction: 0 }) // 50
 */
export function minutesToCleanBreak({ imcuPerLitre, celsius, ph, denaturedFraction }: Renneted): number {
  if (!(imcuPerLitre > 0)) throw new RangeError('the dose must be above 0');
  return (
    BOOK.minutes *
    (BOOK.imcuPerLitre / imcuPerLitre) *
    Math.exp(-BOOK.perKelvin * (celsius - BOOK.celsius)) *
    10 ** (BOOK.perPh * (ph - BOOK.ph)) *
    (1 + BOOK.denatured * denaturedFraction)
  );
}

/** One σ of ln of those minutes; wider when nobody knows the strength. */
export const cleanBreakSigma = (unit: RennetUnit, labelImcu: number | null): number =>
  Math.hypot(SIGMA_KNOWN, rennetStrength(unit, labelImcu).sigma);

/**
 * What a clean break after some minutes says of a rennet's strength, IMCU of a unit: it is learned.
 * @param units of rennet that went in
 */
export const strengthByBreak = (of: Renneted, tookMin: number, litres: number, units: number): number =>
  (((of.imcuPerLitre * minutesToCleanBreak(of)) / tookMin) * litres) / units;

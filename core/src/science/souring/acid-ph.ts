import { createPchip } from '../numerics/index.ts';

/** Buffering of milk plasma with 9 % solids-not-fat: lactic acid mmol/kg → pH [F to published titrations]. */
const ACID_MMOL = [0, 8, 16, 22, 33, 46, 56, 67, 80, 93, 109, 133, 168, 215, 280];
const PH = [6.65, 6.3, 6.0, 5.8, 5.5, 5.2, 5.0, 4.8, 4.6, 4.4, 4.2, 4.0, 3.8, 3.6, 3.4];
export const REFERENCE_SNF_PERCENT = 9;

const curve = createPchip(ACID_MMOL, PH);

/** The table the integrator reads: pH at every quarter mmol, linear in between (error below 1e-5 pH). */
const CELLS_PER_MMOL = 4;
const ACID_TOP = 280;
const TABLE = Float64Array.from({ length: ACID_TOP * CELLS_PER_MMOL + 2 }, (_, i) =>
  curve(i / CELLS_PER_MMOL),
);

/** pH from acid already scaled to 9 % plasma SNF; clamped to 0–280. */
export function phOfScaledAcid(scaledAcid: number): number {
  const x =
    scaledAcid <= 0 ? 0 : scaledAcid >= ACID_TOP ? ACID_TOP * CELLS_PER_MMOL : scaledAcid * CELLS_PER_MMOL;
  const cell = x | 0;
  const low = TABLE[cell]!;
  return low + (x - cell) * (TABLE[cell + 1]! - low);
}

/** pH of plasma with some lactic acid, mmol/kg; more protein buffers more. */
export function phOfAcid(acidMmolPerKg: number, plasmaSnfPercent: number): number {
  return phOfScaledAcid((acidMmolPerKg * REFERENCE_SNF_PERCENT) / plasmaSnfPercent);
}

/** Acid at a pH for a plasma: the inverse of `phOfAcid` by bisection. Valid for pH 3.4–6.65. */
export function acidOfPh(ph: number, plasmaSnfPercent: number): number {
  let low = 0;
  let high = ACID_TOP;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (phOfScaledAcid(middle) > ph) low = middle;
    else high = middle;
  }
  return (((low + high) / 2) * plasmaSnfPercent) / REFERENCE_SNF_PERCENT;
}

/** Titratable acidity of plasma, % lactic acid. */
export function plasmaTitratableAcidityPercent(acidMmolPerKg: number, plasmaSnfPercent: number): number {
  return (0.15 * plasmaSnfPercent) / REFERENCE_SNF_PERCENT + 0.009008 * acidMmolPerKg;
}

/** Molar mass of lactic acid, g/mol; 0.1 N sodium hydroxide neutralises 0.1 mmol a mL. */
const LACTIC_G_PER_MOL = 90.08;

/**
 * Titratable acidity of a weighed sample, % lactic acid, from mL of 0.1 N NaOH. Source: stoichiometry.
 * @example titratedPercent(9, 9) // 0.90
 */
export function titratedPercent(naohMl: number, sampleG: number): number {
  return ((naohMl * 0.1 * LACTIC_G_PER_MOL) / 1000 / sampleG) * 100;
}

/**
 * The pH that a titratable acidity of a product stands for, by the buffering of its plasma.
 * @param percent % lactic acid of the product as sampled @param fatFraction of the product: fat holds no acid
 * @example phOfTitratable(0.9, 0.037, 9) // about 4.5
 */
export function phOfTitratable(percent: number, fatFraction: number, plasmaSnfPercent: number): number {
  const plasma = percent / (1 - fatFraction);
  const acid = (plasma - (0.15 * plasmaSnfPercent) / REFERENCE_SNF_PERCENT) / 0.009008;
  return phOfAcid(Math.max(0, acid), plasmaSnfPercent);
}

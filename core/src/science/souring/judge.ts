import { interpolateLinear } from '../numerics/index.ts';
import type { Group } from './groups.ts';
import { GROUP_CONSTANTS } from './groups.ts';
import { acidOfPh, plasmaTitratableAcidityPercent, REFERENCE_SNF_PERCENT } from './acid-ph.ts';

/** Fully set. */
export const SET_PH = 4.6;

/** pH at which the curd gels: heated whey proteins bring it forward. @param denatured 0..1 */
export function gelPh(denatured: number): number {
  return 4.95 + 0.35 * denatured;
}

export const SOURNESS = ['mild', 'classic', 'tart', 'sharp'] as const;
export type Sourness = (typeof SOURNESS)[number];

/** Upper end of each sourness, % lactic acid of plasma scaled to 9 % SNF [F: about]. */
const SOURNESS_UP_TO = { mild: 0.95, classic: 1.1, tart: 1.3 } as const;

/** How a pH tastes. */
export function sournessOfPh(ph: number): Sourness {
  const ta = plasmaTitratableAcidityPercent(acidOfPh(ph, REFERENCE_SNF_PERCENT), REFERENCE_SNF_PERCENT);
  if (ta < SOURNESS_UP_TO.mild) return 'mild';
  if (ta < SOURNESS_UP_TO.classic) return 'classic';
  return ta < SOURNESS_UP_TO.tart ? 'tart' : 'sharp';
}

/** pH at which each sourness is well reached: where to take the jar out. */
export const PICK_UP_PH: Readonly<Record<Sourness, number>> = {
  mild: 4.55,
  classic: 4.35,
  tart: 4.15,
  sharp: 4.0,
};
/** pH at which the next sourness begins; `null` for the sourest. */
export const TOO_SOUR_PH: Readonly<Record<Sourness, number | null>> = {
  mild: 4.46,
  classic: 4.24,
  tart: 4.04,
  sharp: null,
};

/**
 * Firmness index, 0..100, an estimate ("about"): lean milk heated about 52, unheated 23, ewe 90.
 * @param input.gelC temperature at the gel point; input.ph at pick-up; bodyFactor 0.6 for goat, else 1
 */
export function firmnessIndex(input: {
  readonly proteinFraction: number;
  readonly denatured: number;
  readonly ph: number;
  readonly gelC: number;
  readonly bodyFactor: number;
}): number {
  const gel = gelPh(input.denatured);
  const setness = interpolateLinear([0, Math.max(0.01, gel - SET_PH)], [0, 1], gel - input.ph);
  const x =
    ((input.proteinFraction * 100) / 3.3) ** 2 *
    (0.35 + 0.65 * input.denatured) *
    setness *
    Math.max(0, 1 - 0.012 * Math.max(0, input.gelC - 40)) *
    input.bodyFactor;
  return 100 * (1 - Math.exp(-x / 1.2));
}

/** Words for a firmness index. */
export function firmnessWord(index: number): 'thin' | 'pourable' | 'spoonable' | 'firm' {
  if (index < 20) return 'thin';
  if (index < 38) return 'pourable';
  return index < 60 ? 'spoonable' : 'firm';
}

/**
 * Lactose used up by the acid made, g per kg of plasma, never more than is there.
 * The galactose half stays with the warm cultures. Long culturing lowers lactose and never removes casein.
 */
export function lactoseUsedGPerKg(
  acidByGroup: Readonly<Partial<Record<Group, number>>>,
  lactoseGPerKgPlasma: number,
): number {
  const used = Object.entries(acidByGroup).reduce(
    (sum, [group, acid]) => sum + (acid * 0.342) / GROUP_CONSTANTS[group as Group].acidPerLactose,
    0,
  );
  return Math.min(used, lactoseGPerKgPlasma);
}

import { interpolateLinear } from '../numerics/index.ts';

/** Cream that is thick when it is tilted; a night in the cold then thickens it further. */
export const THICK_PH = 4.7;

/** How cream was heated before it soured. */
export const CREAM_TREATMENTS = ['raw', 'pasteurised', 'scalded', 'ultra-heated'] as const;
export type CreamTreatment = (typeof CREAM_TREATMENTS)[number];

const BODY: Readonly<Record<CreamTreatment, number>> = {
  raw: 1,
  pasteurised: 1,
  scalded: 1.15,
  'ultra-heated': 1.1,
};
const HOMOGENISED = 1.3;
/** How fast the cold firms the fat, h. */
const COLD_H = 6;

/**
 * Thickness of soured cream, 0..100, an estimate ("about"): up to 30 it runs, to 50 it pours thickly, to 75 a spoon of it
 * stands as a dollop, above that it stands by itself. Source: docs/SCIENCE.md, thick cream [F].
 * @param input.coldH hours in the cold since it was taken out of the warm, ≥ 0
 * @example thicknessIndex({ fatFraction: 0.34, ph: 4.7, coldH: 9, treatment: 'raw', homogenised: false }) // 56.51
 */
export function thicknessIndex(input: {
  readonly fatFraction: number;
  readonly ph: number;
  readonly coldH: number;
  readonly treatment: CreamTreatment;
  readonly homogenised: boolean;
}): number {
  const sour = interpolateLinear([0, 0.4], [0, 1], 5 - input.ph);
  const cold = 0.8 + 0.2 * (1 - Math.exp(-input.coldH / COLD_H));
  const body = BODY[input.treatment] * (input.homogenised ? HOMOGENISED : 1);
  const y = (input.fatFraction / 0.3) ** 1.2 * sour * cold * body;
  return 100 * (1 - Math.exp(-y));
}

/** Words for a thickness index. */
export function thicknessWord(index: number): 'runny' | 'pourable' | 'spoonable' | 'stiff' {
  if (index <= 30) return 'runny';
  if (index <= 50) return 'pourable';
  return index <= 75 ? 'spoonable' : 'stiff';
}

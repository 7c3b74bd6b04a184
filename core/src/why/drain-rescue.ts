import { walkThermal, type MakeState } from '../make/index.ts';
import { faultyKindsOf } from '../products/index.ts';
import type { ComplaintId } from '../science/causes/index.ts';
import {
  DRAIN_SIGMA,
  DRAIN_TAU_AT_6C_H,
  drainedTo,
  hoursToThickness,
  type Draining,
} from '../science/curd/index.ts';
import { FRIDGE_C } from '../science/heat/index.ts';
import { Z90 } from '../science/numerics/index.ts';
import { batchOf } from '../setup/index.ts';

/** What a cloth mends: too thin, whey on top, or an acid that leaves with the whey. */
const MENDED: ReadonlySet<ComplaintId> = new Set<ComplaintId>(['thin', 'split', 'too-sour']);
/** So many times the protein makes a spoon of it stand [F]. */
const THICKER = 1.4;
/** From this share of unfolded whey protein on it stays in the curd. */
const HEATED_FROM = 0.5;

/** Draining a batch that came out thin, in a cloth in the fridge. An estimate. */
export interface DrainRescue {
  /** Hours: 10 %, middle, 90 %. */
  readonly hours: readonly [number, number, number];
  readonly wheyKg: number;
  readonly curdKg: number;
  readonly proteinFraction: number;
}

/**
 * How long a thin batch is to drain until it stands, and what is left of it; `null` where a cloth does not help, or nothing is left.
 * @example drainRescue(state, 'thin', nowMs)?.hours // [0.9, 1.6, 2.8]
 */
export function drainRescue(state: MakeState, complaint: ComplaintId, nowMs: number): DrainRescue | null {
  if (!MENDED.has(complaint) || state.finished?.verdict === 'discarded') return null;
  const kinds = faultyKindsOf(state.plan);
  if (!kinds.includes('milk') || kinds.includes('curd')) return null;
  const { composition, massKg } = batchOf(state.plan);
  const draining: Draining = {
    massKg: state.weighedKg ?? massKg,
    fatFraction: composition.fatFraction,
    proteinFraction: composition.proteinFraction,
    heated: walkThermal(state, nowMs).denaturedNow >= HEATED_FROM,
    tauAt6CH: DRAIN_TAU_AT_6C_H.cloth,
    celsius: FRIDGE_C,
  };
  const thickness = { of: 'protein', fraction: THICKER * composition.proteinFraction } as const;
  const middle = hoursToThickness(draining, thickness);
  if (middle === null) return null;
  const { wheyKg, curdKg, proteinFraction } = drainedTo(draining, thickness);
  const spread = Math.exp(Z90 * Math.hypot(DRAIN_SIGMA.cloth, DRAIN_SIGMA.batch));
  return { hours: [middle / spread, middle, middle * spread], wheyKg, curdKg, proteinFraction };
}

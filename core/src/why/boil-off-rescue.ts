import { makeAt, type MakeState } from '../make/index.ts';
import { productOf } from '../products/index.ts';
import { gheeYieldKg } from '../science/butter/index.ts';
import type { ComplaintId } from '../science/causes/index.ts';
import { Z90 } from '../science/numerics/index.ts';
import { batchOf } from '../setup/index.ts';
import { boilsOff, panNow, panStep } from '../steps/index.ts';

/** What water in ghee does. */
const OF_WATER: ReadonlySet<ComplaintId> = new Set<ComplaintId>(['ghee-cloudy', 'ghee-spits']);
/** Water that clouds ghee, share of it: the least that does, as a rule, and at most [judgement]. */
const CLOUDS = { least: 0.003, usual: 0.01, most: 0.15 } as const;
/** There may be so many times as much or as little as is thought [judgement]. */
const UNSURE_TIMES = 3;
/** One σ of ln of how long a pan takes on a burner as set. */
const PAN_LN_SIGMA = 0.25;

/** Ghee that goes back on the heat until its water is gone. An estimate. */
export interface BoilOffRescue {
  /** Minutes on a low flame until it is quiet: 10 %, middle, 90 %. */
  readonly minutes: readonly [number, number, number];
  readonly waterKg: number;
  readonly gheeKg: number;
}

/**
 * How long ghee that was taken off the heat with water in it goes back on a low flame; `null` while it is on the fire, for what was
 * discarded, and where something else is complained of.
 * @example boilOffRescue(state, 'ghee-cloudy', nowMs)?.minutes // [9, 14, 24]
 */
export function boilOffRescue(state: MakeState, complaint: ComplaintId, nowMs: number): BoilOffRescue | null {
  if (!OF_WATER.has(complaint) || state.finished?.verdict === 'discarded') return null;
  const pan = panNow(makeAt(state, nowMs));
  if (!pan || pan.step.endedAtMs === null) return null;
  const { composition, massKg } = batchOf(state.plan);
  const of = { step: pan.step.step.instance };
  const gheeKg =
    state.weighedKg ??
    gheeYieldKg({ butterKg: massKg, fatFraction: composition.fatFraction }, panStep(of).school === 'skim');
  if (!(gheeKg > 0)) return null;
  // As the log has it when it came off the heat; what clouds holds some, whatever the log says.
  const log = panNow(makeAt(state, pan.step.endedAtMs))?.waterLeftKg ?? 0;
  const waterKg = Math.min(CLOUDS.most * gheeKg, Math.max(log, CLOUDS.usual * gheeKg));
  const toDry = (kg: number): number =>
    boilsOff(
      state.plan,
      { ...of, goods: productOf(state.plan).goods },
      { gheeKg, waterKg: Math.max(CLOUDS.least * gheeKg, kg), startC: state.plan.roomC },
    ).toDryMin;
  const spread = Math.exp(Z90 * PAN_LN_SIGMA);
  return {
    minutes: [
      toDry(waterKg / UNSURE_TIMES) / spread,
      toDry(waterKg),
      toDry(Math.min(CLOUDS.most * gheeKg, waterKg * UNSURE_TIMES)) * spread,
    ],
    waterKg,
    gheeKg,
  };
}

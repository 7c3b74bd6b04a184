import { makeAt, type MakeState } from '../make/index.ts';
import type { ComplaintId } from '../science/causes/index.ts';
import {
  DRAINED_SERUM,
  KEEPING_SERUM,
  serumLeftFraction,
  type ButterKeeping,
  type Washing,
} from '../science/butter/index.ts';
import { butterKeepsAt, fatBalance, SALT_TOLD, serumLeftIn, told, workOf } from '../steps/index.ts';

/** A piece that was worked is one lump: water reaches less of it than of grains, so much of each knead mixes [judgement]. */
const KNEADING: Washing = { carriedKgPerKg: DRAINED_SERUM, waterKgPerKg: 1, exchangeFraction: 0.6 };
/** Kneaded oftener than that it goes soft [judgement]. */
const MOST_TIMES = 6;

/** Kneading butter that weeps in cold water. An estimate. */
export interface KneadRescue {
  readonly times: number;
  /** Very cold water of each time, kg. */
  readonly waterKg: number;
  /** Buttermilk left in it now and then, share of what it carried, 0..1. */
  readonly serum: readonly [now: number, then: number];
  /** Salt that the water carries off, to go in again, kg; 0 for what was not salted. */
  readonly saltKg: number;
  /** How long it keeps in the fridge now and then. */
  readonly keeps: readonly [now: ButterKeeping, then: ButterKeeping];
}

/**
 * How often butter that weeps is to be kneaded in cold water until its buttermilk is out, and what that brings; `null` where the
 * water is out already, or another thing is complained of.
 * @example kneadRescue(state, 'weeps', nowMs)?.times // 3
 */
export function kneadRescue(state: MakeState, complaint: ComplaintId, nowMs: number): KneadRescue | null {
  if (complaint !== 'weeps' || state.finished?.verdict === 'discarded') return null;
  const at = makeAt(state, nowMs);
  const fat = fatBalance(at);
  const left = serumLeftIn(state);
  const isButter = state.steps.some(({ step, status }) => workOf(step.kind) === 'churn' && status === 'done');
  if (!fat || !isButter || left <= KEEPING_SERUM) return null;
  const ofOne = serumLeftFraction(KNEADING, 1);
  const times = Math.min(MOST_TIMES, Math.ceil(Math.log(KEEPING_SERUM / left) / Math.log(ofOne)));
  const then = left * serumLeftFraction(KNEADING, times);
  const keeps = [left, then].map((serum) => butterKeepsAt(at, 'cold', serum));
  const [now, after] = keeps;
  if (!now || !after) return null;
  const saltKg = told(state, SALT_TOLD) ?? 0;
  return {
    times,
    waterKg: KNEADING.waterKgPerKg * (fat.realKg ?? fat.likelyKg),
    serum: [left, then],
    saltKg: saltKg * (1 - serumLeftFraction(KNEADING, times)),
    keeps: [now, after],
  };
}

import type { MakePlan } from '../contract/index.ts';
import { replannedState, souringOf, stateWith, type MakeState } from '../make/index.ts';
import { warmBath } from '../planning/index.ts';
import { weightedQuantiles } from '../science/numerics/index.ts';
import { crossings, SET_PH } from '../science/souring/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import type { DoseGiven } from '../setup/index.ts';
import { markPh } from '../steps/index.ts';
import { lnAcid, type SouringLog } from './souring-fit.ts';
import { goingOn, type SouringWorld } from './souring-worlds.ts';

/** What may still be done with a souring that is late. */
export interface Rescue {
  readonly what: 'wait' | 'warm-bath' | 'more-starter' | 'warm-bath-and-starter';
  /** Where it would stand from now on; `null` where it is. */
  readonly place: MakePlan['place'] | null;
  /** Fresh starter that goes in now; `null` none. */
  readonly dose: DoseGiven | null;
  /** Set or thick, between when and when, ms since 1970; `null` not within the time looked at. */
  readonly bodyMs: readonly [number | null, number | null, number | null];
  /** How likely it sets before the safety clock runs out, 0..1. An estimate. */
  readonly chance: number;
}

/** Worlds that are less likely than this are left out. */
const LEAST_SHARE = 0.03;

/**
 * What may be done from now on, each walked through in every world that is likely by now: the best chance first.
 * A generator: each `yield` tells how far it is, 0..1.
 * @param shares how likely each world is, with all that is known; add up to 1 or less, the rest is none of them
 * @param limitMs when the safety clock runs out; `null` it does not
 * @returns nothing once the clock has run out
 */
export function* rescuing(
  state: MakeState,
  worlds: readonly SouringWorld[],
  shares: readonly number[],
  log: SouringLog,
  nowMs: number,
  limitMs: number | null,
): Generator<number, Rescue[]> {
  const souring = souringOf(state);
  const zero = state.inoculatedAtMs;
  if (!souring || zero === null || state.chilledAtMs !== null || (limitMs !== null && limitMs <= nowMs))
    return [];
  const { massKg, statedRatio } = state.dose;
  const dose = (massKg ?? 0) > 0 || (statedRatio ?? 0) > 0 ? { massKg, statedRatio } : null;
  const place = warmBath(state.plan);
  const moved = (of: MakeState): MakeState => replannedState(of, { place, why: '' }, nowMs);
  const fed = (of: MakeState): MakeState => stateWith(of, 'starter-added', { ...dose!, typed: null }, nowMs);
  const ways: readonly (Pick<Rescue, 'what' | 'place' | 'dose'> & {
    readonly of: (s: MakeState) => MakeState;
  })[] = [
    { what: 'wait', place: null, dose: null, of: (s) => s },
    { what: 'warm-bath', place, dose: null, of: moved },
    ...(dose
      ? [
          { what: 'more-starter', place: null, dose, of: fed } as const,
          { what: 'warm-bath-and-starter', place, dose, of: (s: MakeState) => moved(fed(s)) } as const,
        ]
      : []),
  ];
  const bodyPh = markPh(souring, state.plan, 'body') ?? SET_PH;
  const limitH = limitMs === null ? Number.POSITIVE_INFINITY : (limitMs - zero) / HOUR_MS;
  const likely = worlds
    .map((world, i) => ({ world, share: shares[i]! }))
    .filter(({ share }) => share >= LEAST_SHARE)
    .map(({ world, share }) => ({
      world,
      share,
      ln: lnAcid(world, log),
    }));
  const rescues: Rescue[] = [];
  for (const [n, { of, ...way }] of ways.entries()) {
    const hours: number[] = [];
    const weights: number[] = [];
    for (const { world, share, ln } of likely) {
      // A world has its own factors and readings: what is done comes to the make as it is there.
      const own = way.what === 'wait' ? world.ensemble : goingOn(world, worldly(of(state), world));
      if (!own) continue;
      const top = Math.max(...ln);
      const w = Array.from(ln, (value) => Math.exp(value - top));
      const all = w.reduce((sum, value) => sum + value, 0);
      for (const [m, hour] of crossings(own, bodyPh).entries()) {
        hours.push(hour);
        weights.push((share * w[m]!) / all);
      }
    }
    const total = weights.reduce((sum, weight) => sum + weight, 0);
    const inTime = hours.reduce((sum, hour, i) => sum + (hour <= limitH ? weights[i]! : 0), 0);
    const [p10, p50, p90] = weightedQuantiles(hours, weights, [0.1, 0.5, 0.9]);
    const toMs = (hour: number | undefined): number | null =>
      hour === undefined || !Number.isFinite(hour) ? null : Math.max(nowMs, zero + hour * HOUR_MS);
    rescues.push({
      ...way,
      bodyMs: [toMs(p10), toMs(p50), toMs(p90)],
      chance:
        total > 0
          ? inTime /
            Math.max(
              1,
              shares.reduce((sum, share) => sum + share, 0),
            )
          : 0,
    });
    yield (n + 1) / ways.length;
  }
  return rescues.sort((a, b) => b.chance - a.chance);
}

/** A make in which something is done, as it is in a world. */
const worldly = (changed: MakeState, { state }: SouringWorld): MakeState => ({
  ...changed,
  plan: { ...changed.plan, factors: state.plan.factors },
  temperatures: state.temperatures,
});

import type { Composition } from '../milk/index.ts';
import { bringInBath } from '../heat/index.ts';
import { churnAlong, type ChurnHeat, type ChurnWay } from './along.ts';
import { RIPENED_PH, SWEET_PH } from './cream-sourness.ts';
import { churnOnward, churnWindowC, type Churning } from './churning.ts';
import { waterToCool } from './watered.ts';
import { massOfLitresKg } from '../milk/index.ts';

/** Why a churning takes so long. */
export type SlowCause = 'cold' | 'warm' | 'thin' | 'full' | 'ultra-heated' | 'homogenised' | 'unknown';

/** Something to do about it, played through. */
export interface Remedy {
  readonly what: 'warm-bath' | 'cold-bath' | 'chilled-water' | 'two-loads' | 'go-on';
  /** The bath's heat, how long the churn stands in it, and the cream's heat then; `null` without a bath. */
  readonly bath: { readonly celsius: number; readonly minutes: number; readonly toC: number } | null;
  /** Chilled water to pour in, kg, and its heat; `null` without. */
  readonly water: { readonly massKg: number; readonly celsius: number; readonly toC: number } | null;
  /** Churning that is left after it, about, minutes. */
  readonly thenMin: number;
}

/** What is known of a churning that takes too long. */
export interface SlowChurning {
  readonly churning: Churning;
  readonly composition: Composition;
  readonly homogenised: boolean;
  readonly elapsedMin: number;
  /** How warm the cream is now, and what was read before. */
  readonly heatC: number;
  readonly way: ChurnWay;
}

const LEAST_LEFT = 0.03;
const THIN_FAT = 0.25;
const FULL = 0.55;
/** A warm bath is this much warmer than where the cream is to go, K: warmer, and its edge melts. */
const BATH_OVER_K = 4;
/** Beyond its window by this much, cream is told to be too warm, K. */
const WARM_BY_K = 3;
/** Water of a bath by the cream in it, and ice in a cold one, kg. */
const WATER_PER_LITRE = 3;
const ICE_PER_LITRE = 1;
/** Chilled water from the cold, °C, and how much of it is poured in at most, kg per litre of cream. */
const CHILLED_C = 4;
const MOST_WATER = 0.6;

/** Where this cream churns best, °C: from and to. */
export const windowOf = ({ ripened, sourness, feed, wholeCurd }: Churning): readonly [number, number] =>
  churnWindowC({
    soured: ripened,
    // Between sweet and ripened its window lies between theirs.
    ...(sourness === undefined ? {} : { ph: SWEET_PH - sourness * (SWEET_PH - RIPENED_PH) }),
    feed,
    wholeCurd,
  });

/** The same, and where in it churning is best begun: a little below the middle. */
const towards = (
  churning: Churning,
): { readonly low: number; readonly high: number; readonly best: number } => {
  const [low, high] = windowOf(churning);
  return { low, high, best: low + 0.75 * (high - low) };
};

/**
 * Why a churning takes so long, the likeliest first.
 * @example slowCauses({ … heatC: 6 … }) // ['cold']
 */
export function slowCauses({ churning, heatC, homogenised }: SlowChurning): SlowCause[] {
  const { low, high } = towards(churning);
  const causes: SlowCause[] = [
    ...(heatC < low ? (['cold'] as const) : []),
    ...(heatC > high + WARM_BY_K ? (['warm'] as const) : []),
    ...(churning.fatFraction < THIN_FAT ? (['thin'] as const) : []),
    ...(churning.fillFraction > FULL ? (['full'] as const) : []),
    ...(churning.treatment === 'ultra-heated' ? (['ultra-heated'] as const) : []),
    ...(homogenised ? (['homogenised'] as const) : []),
  ];
  return causes.length > 0 ? causes : ['unknown'];
}

/**
 * What could be done about it, each with how long it would then take. How much slower than the book this cream is follows from
 * what was seen of it; the rest of the work goes on at that pace. Estimates.
 * @example remediesFor(slow).map((r) => [r.what, r.thenMin]) // [['warm-bath', 9], ['go-on', 31]]
 */
export function remediesFor(slow: SlowChurning): Remedy[] {
  const { churning, composition, elapsedMin, heatC, way } = slow;
  const { low, high, best } = towards(churning);
  const now: ChurnHeat = { minutes: elapsedMin, celsius: heatC };
  const before = way.heats.filter((h) => h.minutes < elapsedMin);
  const { worked, slower } = churnAlong(churning, { ...way, heats: [...before, now] }, elapsedMin);
  const left = Math.max(LEAST_LEFT, slower - worked);
  const after = (celsius: number, of: Churning = churning): number => churnOnward(of, celsius, left).minutes;
  const bathTo = (toC: number, celsius: number, iceKg: number): Remedy['bath'] => {
    const { outcome, minutes } = bringInBath({
      composition,
      litres: churning.litres,
      startC: heatC,
      targetC: toC,
      airC: churning.roomC,
      waterLitres: WATER_PER_LITRE * churning.litres,
      waterC: celsius,
      iceKg,
      stirred: true,
    });
    return outcome === 'reached' ? { celsius, minutes, toC } : null;
  };
  const warm = heatC < best - 1 ? bathTo(best, Math.round(best + BATH_OVER_K), 0) : null;
  const cold = heatC > high + WARM_BY_K ? bathTo(high, 4, ICE_PER_LITRE * churning.litres) : null;
  const waterKg =
    heatC > high + WARM_BY_K
      ? waterToCool(
          {
            creamKg: massOfLitresKg(churning.litres, composition),
            composition,
            creamC: heatC,
            waterC: CHILLED_C,
          },
          high,
        )
      : null;
  // Much water needs room, and thins the buttermilk.
  const water =
    waterKg !== null && waterKg < MOST_WATER * churning.litres
      ? { massKg: waterKg, celsius: CHILLED_C, toC: high }
      : null;
  const half = { ...churning, fillFraction: churning.fillFraction / 2, litres: churning.litres / 2 };
  const offers: Remedy[] = [
    ...(warm ? [{ what: 'warm-bath' as const, bath: warm, water: null, thenMin: after(warm.toC) }] : []),
    ...(cold ? [{ what: 'cold-bath' as const, bath: cold, water: null, thenMin: after(cold.toC) }] : []),
    ...(water ? [{ what: 'chilled-water' as const, bath: null, water, thenMin: after(water.toC) }] : []),
    ...(churning.fillFraction > FULL
      ? [{ what: 'two-loads' as const, bath: null, water: null, thenMin: after(heatC, half) }]
      : []),
    { what: 'go-on', bath: null, water: null, thenMin: after(heatC) },
  ];
  // Cold cream is warmed before anything else is tried; else what is quickest comes first.
  return heatC < low
    ? offers
    : offers.sort((a, b) => (a.bath?.minutes ?? 0) + a.thenMin - (b.bath?.minutes ?? 0) - b.thenMin);
}

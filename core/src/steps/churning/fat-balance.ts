import {
  butterBalance,
  dilutedFat,
  DRAINED_SERUM,
  fatWays,
  HAND_WORKED_FAT,
  HAND_WORKED_WATER,
  type ChurnForecast,
} from '../../science/butter/index.ts';
import type { TypedQuantity } from '../../contract/index.ts';
import { batchOf } from '../../setup/index.ts';
import { SALT_TOLD, WORK_TOLD } from '../butter-told.ts';
import type { MakeAt } from '../make-view.ts';
import { told } from '../told.ts';
import { saltShareOf } from '../work.ts';
import { CHURN_TOLD } from './churn-told.ts';
import { loadRuns } from './load-runs.ts';
import { serumLeftIn } from './serum.ts';
import { churningStep } from './too-long.ts';

/** Fat of lumps nobody worked: they hold that much water and buttermilk. */
const UNWORKED_FAT = 0.72;
/** What nobody measured of the cream's fat may be this much more of it, P90. */
const FAT_REACH = 1.2;

/** Where the fat of a churning went, all in kg. */
export interface FatBalance {
  readonly creamKg: number;
  /** Poured into the churn: it comes out with the buttermilk. */
  readonly waterKg: number;
  readonly fatKg: number;
  /** If all the fat came into butter of 81 %. */
  readonly possibleKg: number;
  /** What the heat at the break leaves of it. */
  readonly likelyKg: number;
  /** As weighed; `null` until then. */
  readonly realKg: number | null;
  readonly buttermilkKg: number | null;
  /** Fat in the butter as weighed, at 81 %; in the buttermilk as weighed, by the model; what is in neither. */
  readonly inButterKg: number | null;
  readonly inButtermilkKg: number | null;
  readonly elsewhereKg: number | null;
  /** Of what is elsewhere, what the washes carried off, by the model; the rest hangs in churn and cloth. */
  readonly inWashKg: number | null;
  /** Water in the butter, 0..1: by a pan test, or as hand-worked butter usually holds. */
  readonly moistureFraction: number;
  /** Fat left in the buttermilk, 0..1, by the model. */
  readonly buttermilkFatFraction: number;
  /** Heat at the break, °C, by the model. */
  readonly breakC: number;
  /** Butter over fat, less one; `null` until weighed. */
  readonly overrun: number | null;
}

/** The fat of a churning, in and out; `null` for a make that churns nothing. Salt is no butter: it is taken off. */
export function fatBalance(at: MakeAt): FatBalance | null {
  const { make } = at;
  const churning = churningStep(make);
  if (!churning) return null;
  const { composition, massKg: creamKg } = batchOf(make.plan);
  const loads = loadRuns(at.run(churning));
  const { moistureFraction } = told(make, WORK_TOLD);
  const mean = (of: (along: ChurnForecast) => number): number =>
    loads.reduce((sum, { along }) => sum + of(along), 0) / loads.length;
  const breakC = mean((along) => along.breakC);
  const undiluted = mean((along) => along.buttermilkFatFraction);
  const { butterKg: likelyKg } = butterBalance({
    creamKg,
    creamFatFraction: composition.fatFraction,
    buttermilkFatFraction: undiluted,
    butterFatFraction: HAND_WORKED_FAT,
  });
  const waterKg = told(make, CHURN_TOLD).poured.reduce((sum, { massKg }) => sum + massKg, 0);
  // Water poured in goes with the buttermilk, and thins it.
  const buttermilkFatFraction = dilutedFat(undiluted, creamKg - likelyKg, waterKg);
  const realKg = make.weighedKg === null ? null : Math.max(0, make.weighedKg - (told(make, SALT_TOLD) ?? 0));
  const buttermilkKg = make.byProductsKg.buttermilk ?? null;
  const { overrunFraction: overrun, ...ways } = fatWays({
    creamKg,
    creamFatFraction: composition.fatFraction,
    butterKg: realKg,
    moistureFraction,
    buttermilkKg,
    buttermilkFatFraction,
  });
  return {
    creamKg,
    waterKg,
    ...ways,
    likelyKg,
    realKg,
    buttermilkKg,
    moistureFraction: moistureFraction ?? HAND_WORKED_WATER,
    buttermilkFatFraction,
    breakC,
    overrun,
    inWashKg:
      ways.elsewhereKg === null || realKg === null
        ? null
        : Math.min(
            Math.max(0, ways.elsewhereKg),
            realKg * DRAINED_SERUM * (1 - serumLeftIn(make)) * buttermilkFatFraction,
          ),
  };
}

/** Salt that is to go into the butter there is, kg; `null` when none is to, or it is in. */
export function saltWantedKg(at: MakeAt): number | null {
  const share = saltShareOf(at.make.plan);
  const fat = fatBalance(at);
  if (!fat || share === 0 || told(at.make, SALT_TOLD) !== null) return null;
  return ((fat.realKg ?? fat.likelyKg) * share) / (1 - share);
}

/** Why a weighing of butter cannot be; `null` when it can. */
export interface ButterDoubt {
  readonly why: 'more-than-cream' | 'more-than-fat';
  readonly mostKg: number;
  /** The same number in grams would be butter. */
  readonly gramsMeant: boolean;
}

/**
 * Whether so much butter can have come of it: never more than the cream, and no more than its fat makes even of
 * unworked, wet lumps of a cream a fifth richer than was thought.
 * @example butterDoubt(at, 15, { value: 15, unit: 'kg' }) // more than the cream
 */
export function butterDoubt(at: MakeAt, massKg: number, typed: TypedQuantity): ButterDoubt | null {
  const balance = fatBalance(at);
  if (!balance) return null;
  const mostKg = Math.min(balance.creamKg, (balance.fatKg * FAT_REACH) / UNWORKED_FAT);
  if (massKg <= mostKg) return null;
  // The same number in grams would be butter: the wrong unit stood there.
  const gramsMeant = typed.unit === 'oz' && typed.value / 1000 <= mostKg;
  return {
    why: massKg > balance.creamKg ? 'more-than-cream' : 'more-than-fat',
    mostKg,
    gramsMeant,
  };
}

/** Weighing takes the bowl's drops with it, kg. */
const SCALES_KG = 0.02;

/**
 * The most buttermilk that can have come of a churning, kg: the cream and the water that was poured in, less the butter when it
 * was weighed; `null` for what is no churning.
 */
export function mostButtermilkKg(at: MakeAt): number | null {
  const fat = fatBalance(at);
  return fat && fat.creamKg + fat.waterKg - (fat.realKg ?? 0) + SCALES_KG;
}

import { boilingPointC } from '../heat/index.ts';
import { specificHeatKjPerKgK, type Composition } from '../milk/index.ts';

/** Butter in its pan, and the fire under it. */
export interface Clarifying {
  readonly butterKg: number;
  /** Water in it, 0..1: worked by hand about 0.16, unwashed and hardly worked up to 0.28. */
  readonly moistureFraction: number;
  readonly fatFraction: number;
  readonly startC: number;
  readonly burnerKw: number;
  /** Share of the burner that is on, 0..1: full 1, medium 0.5, low 0.25. */
  readonly flameFraction: number;
  /** When it comes off, °C: 108 to 118. */
  readonly doneC: number;
  readonly altitudeM: number;
}

/** What becomes of the heat, in the order it happens. */
export interface GheeForecast {
  readonly waterKg: number;
  readonly boilC: number;
  /** Until it boils, until the water is gone, until it is done: minutes since it went on the fire. */
  readonly toBoilMin: number;
  readonly toDryMin: number;
  readonly minutes: number;
}

/** Share of a burner's heat that reaches the pan, until it is learned. */
export const BURNER_SHARE = 0.5;
/** What the pan loses to the room, kW, and what always reaches it. */
const LOST_KW = 0.06;
const LEAST_KW = 0.05;
const MELTING_KJ_PER_KG = 80;
const BOILING_KJ_PER_KG = 2257;
const DRY_FAT_KJ_PER_KG_K = 2.1;
/** Ghee of the fat there is: strained, and when the foam is skimmed off and given away [F]. */
const GHEE_OF_FAT = { strained: 0.97, skimmed: 0.92 } as const;

/** What is neither fat nor water counts as protein. */
const compositionOf = ({ fatFraction, moistureFraction }: Clarifying): Composition => ({
  fatFraction,
  proteinFraction: Math.max(0, 1 - fatFraction - moistureFraction),
  lactoseFraction: 0,
  ashFraction: 0,
});

/**
 * How long butter takes to ghee: it melts and warms, stays near the boiling point until its water is gone, then climbs fast.
 * Source: docs/SCIENCE.md, ghee. The burner's half is a guess until the kitchen's own are known.
 * @throws RangeError for butter that weighs nothing, or fat and water that are more than all of it
 * @example gheeForecast({ butterKg: 0.8, moistureFraction: 0.17, fatFraction: 0.81, startC: 12, burnerKw: 1.8, flameFraction: 0.5, doneC: 112, altitudeM: 0 }).minutes // 23.3
 */
export function gheeForecast(of: Clarifying): GheeForecast {
  const { butterKg, moistureFraction, fatFraction, startC, burnerKw, flameFraction, doneC, altitudeM } = of;
  if (!(butterKg > 0)) throw new RangeError('butter must weigh more than 0');
  if (fatFraction + moistureFraction > 1 + 1e-9)
    throw new RangeError('fat and water together weigh more than the butter');
  const boilC = boilingPointC(altitudeM);
  const waterKg = butterKg * moistureFraction;
  const fatKg = butterKg * fatFraction;
  const kw = Math.max(LEAST_KW, burnerKw * BURNER_SHARE * flameFraction - LOST_KW);
  const minutesOf = (kj: number): number => kj / kw / 60;
  const warms =
    butterKg * specificHeatKjPerKgK(compositionOf(of), (startC + boilC) / 2) * (boilC - startC) +
    MELTING_KJ_PER_KG * fatKg;
  const toBoilMin = minutesOf(warms);
  const toDryMin = toBoilMin + minutesOf(BOILING_KJ_PER_KG * waterKg);
  const minutes = toDryMin + minutesOf(DRY_FAT_KJ_PER_KG_K * fatKg * (doneC - boilC));
  return { waterKg, boilC, toBoilMin, toDryMin, minutes };
}

/**
 * What is strained into the jar, kg.
 * @example gheeYieldKg({ butterKg: 0.8, fatFraction: 0.81 }, false) // 0.6286
 */
export const gheeYieldKg = (
  { butterKg, fatFraction }: Pick<Clarifying, 'butterKg' | 'fatFraction'>,
  skimmed: boolean,
): number => butterKg * fatFraction * GHEE_OF_FAT[skimmed ? 'skimmed' : 'strained'];

/** What ghee goes through on the fire, in order, as eye and ear tell it. */
export const GHEE_STAGES = ['foam', 'foam-thin', 'clear', 'gold', 'quiet', 'brown'] as const;
export type GheeStage = (typeof GHEE_STAGES)[number];

/** What each looks or sounds like. */
export const GHEE_STAGE_WORDS: Readonly<Record<GheeStage, string>> = {
  foam: 'white foam',
  'foam-thin': 'thin foam',
  clear: 'clear to the bottom',
  gold: 'solids turn gold',
  quiet: 'crackling stops',
  brown: 'solids brown',
};

/** Share of the water that is typically left when each is seen; then how far the climb is [F]. */
const LEFT_AT: Readonly<Record<GheeStage, { readonly water: number; readonly climb: number }>> = {
  foam: { water: 0.85, climb: 0 },
  'foam-thin': { water: 0.35, climb: 0 },
  clear: { water: 0.12, climb: 0 },
  gold: { water: 0, climb: 0.6 },
  quiet: { water: 0, climb: 0.8 },
  brown: { water: 0, climb: 1 },
};

/** When each is to be expected, as a share of all its minutes. */
export function gheeStageShare({ toBoilMin, toDryMin, minutes }: GheeForecast, stage: GheeStage): number {
  const { water, climb } = LEFT_AT[stage];
  const at =
    water > 0 ? toBoilMin + (1 - water) * (toDryMin - toBoilMin) : toDryMin + climb * (minutes - toDryMin);
  return at / minutes;
}

/** Something seen, weighed or measured of a pan, minutes since it went on the fire. */
export type PanReading =
  | { readonly kind: 'stage'; readonly minutes: number; readonly stage: GheeStage }
  | { readonly kind: 'temperature'; readonly minutes: number; readonly celsius: number }
  /** What was lost since it went on the fire, kg. */
  | { readonly kind: 'weight'; readonly minutes: number; readonly lostKg: number };

/** How sure each makes of how far it is, one σ as a share of the whole. */
const SIGMA = { stage: 0.12, climbing: 0.04, weight: 0.03 } as const;
/** Warmer than it boils by this much, the water is as good as gone, K. */
const CLIMBING_K = 3;

/** How far a pan is, 0..1 of its minutes, by one reading; `null` when it says nothing. */
function progressBy(
  forecast: GheeForecast,
  doneC: number,
  reading: PanReading,
): { share: number; sigma: number } | null {
  const { toBoilMin, toDryMin, minutes, boilC, waterKg } = forecast;
  switch (reading.kind) {
    case 'stage':
      return { share: gheeStageShare(forecast, reading.stage), sigma: SIGMA.stage };
    case 'weight': {
      const gone = Math.min(1, Math.max(0, reading.lostKg / waterKg));
      return gone === 0
        ? null
        : { share: (toBoilMin + gone * (toDryMin - toBoilMin)) / minutes, sigma: SIGMA.weight };
    }
    case 'temperature': {
      if (reading.celsius < boilC + CLIMBING_K) return null;
      const climb = Math.min(1, (reading.celsius - boilC) / (doneC - boilC));
      return { share: (toDryMin + climb * (minutes - toDryMin)) / minutes, sigma: SIGMA.climbing };
    }
  }
}

/** One σ of ln of the book's time: nobody knows the burner [F]. */
const BOOK_LN_SIGMA = 0.25;

/** How long the whole takes, met by what was seen, weighed and measured; and how far off that may be. */
export interface PanTime {
  readonly minutes: number;
  readonly sigmaMin: number;
  /** Water left in the pan by the latest of them, kg. */
  readonly waterLeftKg: number;
}

/**
 * The book's minutes met by all that was read of a pan, each by how sure it is. A reading past its end ends it there.
 * @param nowMin minutes since it went on the fire
 */
export function panTime(
  forecast: GheeForecast,
  doneC: number,
  readings: readonly PanReading[],
  nowMin: number,
): PanTime {
  const known = readings.flatMap((reading) => {
    const progress = progressBy(forecast, doneC, reading);
    return progress && reading.minutes > 0 ? [{ ...progress, at: reading.minutes }] : [];
  });
  // Lognormals of the whole time, met by their precisions: the book's, and what each reading makes of it.
  const bookLn = Math.log(forecast.minutes);
  let ln = bookLn;
  let precision = 1 / BOOK_LN_SIGMA ** 2;
  for (const { at, share, sigma } of known) {
    const saysLn = Math.log(at / share);
    const off = Math.abs(saysLn - bookLn);
    // Far from all that can be, it is trusted less: a finger on the wrong word ends no pan.
    const own = Math.max(0.02, sigma / share, off > 3 * BOOK_LN_SIGMA ? off : 0);
    ln = (precision * ln + saysLn / own ** 2) / (precision + 1 / own ** 2);
    precision += 1 / own ** 2;
  }
  const latest = known.at(-1);
  const lnSigma = Math.sqrt(1 / precision);
  // It cannot be over before what was read of it; what was read done is over.
  const minutes = latest && latest.share >= 1 ? latest.at : Math.max(latest?.at ?? 0, Math.exp(ln));
  const share = Math.min(1, Math.max(0, nowMin / minutes));
  const at = share * forecast.minutes;
  const gone = Math.min(1, Math.max(0, (at - forecast.toBoilMin) / (forecast.toDryMin - forecast.toBoilMin)));
  return { minutes, sigmaMin: lnSigma * minutes * (1 - share), waterLeftKg: forecast.waterKg * (1 - gone) };
}

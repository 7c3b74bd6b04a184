import type { Treatment } from '../milk/index.ts';
import { brokeAfter, CHURN_STAGES, STAGE_LN_SIGMA, STAGE_SHARE, type SeenStage } from './stages.ts';
import { CHURN_FACTS, SPEED_FACTOR, type ChurnKind, type ChurnSpeed } from './churns.ts';

/** Cream, or a whole curd, as it goes into the churn. */
export interface Churning {
  readonly churn: ChurnKind;
  readonly speed: ChurnSpeed;
  readonly startC: number;
  /** 0..1 of what is churned. */
  readonly fatFraction: number;
  /** Share of the churn that is full, 0..1. */
  readonly fillFraction: number;
  readonly litres: number;
  readonly roomC: number;
  /** Soured to pH 5 or below. */
  readonly ripened: boolean;
  /** Soured milk churned whole, its cream not taken off. */
  readonly wholeCurd: boolean;
  readonly treatment: Treatment;
  /** What this churn's own churnings taught: how many times as long as the book it takes, and one σ of ln of that. */
  readonly own?: { readonly slower: number; readonly lnSigma: number };
  /** Kept at 8 °C or colder for four hours since it was last above 20 °C. */
  readonly agedCold: boolean;
}

/** When it breaks, how warm it is then, and what stays behind. */
export interface ChurnForecast {
  readonly minutes: number;
  readonly breakC: number;
  /** Fat left in the buttermilk, 0..1. */
  readonly buttermilkFatFraction: number;
}

/** The heat of the reference, °C, and how much a kelvin more shortens the time, ln. */
const REFERENCE_C = 14;
const PER_KELVIN = 0.2;
const REFERENCE_FAT = 0.35;
/** A whole curd churns as cream of this fat [F]. */
const CURD_FAT = 0.2;
const RIPENED = 0.7;
const ULTRA_HEATED = 1.5;
/** The room's pull on a litre in the churn, min. */
const ROOM_MIN = 108;
const SLOWEST_C_PER_MIN = 0.02;
/** Not aged cold, part of the fat is liquid and stays behind [F]. */
const NOT_AGED = 1.5;

/** Where churning begins best, °C: sweet cream, and ripened. */
export const CHURN_WINDOW_C = { sweet: [10, 14], ripened: [12, 16] } as const;
/** Fat of butter worked by hand. */
export const HAND_WORKED_FAT = 0.81;
/** Scatter of one churning about the book, σ of ln: motors at low speed are known least [F]. */
const LN_SIGMA = { usual: 0.4, lowSpeed: 0.7 };
/** From churning to churning in one churn, that learning never takes away. */
export const ONE_LN_SIGMA = 0.2;
/** P10 and P90 of a normal, in σ. */
const Z90 = 1.2816;

/** How far a churning's time may be off the book's, one σ of ln. */
export function churnLnSigma({ churn, speed, own }: Pick<Churning, 'churn' | 'speed' | 'own'>): number {
  if (own) return Math.hypot(own.lnSigma, ONE_LN_SIGMA);
  return CHURN_FACTS[churn].motor && speed === 'low' ? LN_SIGMA.lowSpeed : LN_SIGMA.usual;
}

/** By how much the time may be longer or shorter, as a factor: P10 to P90. */
export const churnSpread = (churning: Pick<Churning, 'churn' | 'speed' | 'own'>): number =>
  Math.exp(Z90 * churnLnSigma(churning));

/** Minutes it would take if it stayed as warm as it began. */
function minutesAtStart(c: Churning): number {
  const { referenceMin, motor } = CHURN_FACTS[c.churn];
  const fat = c.wholeCurd ? CURD_FAT : c.fatFraction;
  return (
    referenceMin *
    (motor ? SPEED_FACTOR[c.speed] : 1) *
    Math.exp(-PER_KELVIN * (c.startC - REFERENCE_C)) *
    (REFERENCE_FAT / fat) ** 0.8 *
    (1 + 4 * Math.max(0, c.fillFraction - 0.5)) *
    (c.ripened ? RIPENED : 1) *
    (c.treatment === 'ultra-heated' ? ULTRA_HEATED : 1) *
    (c.own?.slower ?? 1)
  );
}

/** Fat left in the buttermilk by the heat at the break. */
function leftBehind({ wholeCurd, agedCold }: Churning, breakC: number): number {
  if (wholeCurd) return Math.min(0.035, Math.max(0.008, 0.02 * Math.exp(0.05 * (breakC - 16))));
  return Math.max(0.0025, 0.0035 * Math.exp(0.16 * (breakC - 11))) * (agedCold ? 1 : NOT_AGED);
}

/**
 * When cream breaks: warmer cream breaks sooner and warms meanwhile, by the work and by the room, so the time is that of
 * a pace that grows exponentially. The middle of a wide band: σ of ln 0.4 until the kitchen's own churnings are known.
 * Source: docs/SCIENCE.md, butter [F]. Valid for 8–20 °C; above it comes greasy and may not break at all.
 * @throws RangeError for litres or fat that are not positive
 * @example churnForecast({ churn: 'crank', startC: 13, fatFraction: 0.35, litres: 1.2, roomC: 18, … }).minutes // 19.9
 */
export function churnForecast(churning: Churning): ChurnForecast {
  const { litres, fatFraction, startC } = churning;
  if (!(litres > 0)) throw new RangeError('litres must be above 0');
  if (!(fatFraction > 0)) throw new RangeError('fat must be above 0');
  const { minutes, breakC } = churnOnward(churning, startC, 1);
  return { minutes, breakC, buttermilkFatFraction: leftBehind(churning, breakC) };
}

/** How fast it warms by the work and by the room, °C/min. */
const warmsAt = ({ churn, roomC, litres }: Churning, celsius: number): number =>
  Math.max(
    SLOWEST_C_PER_MIN,
    CHURN_FACTS[churn].warmsCPerMin + (roomC - celsius) / (ROOM_MIN * Math.cbrt(litres)),
  );

/**
 * How long it goes on from some heat, and how warm it is when it breaks.
 * @param left share of the work that is left, times how much slower than the book this cream is; above 0
 * @example churnOnward(churning, churning.startC, 1).minutes // as churnForecast has it
 */
export function churnOnward(
  churning: Churning,
  celsius: number,
  left: number,
): { readonly minutes: number; readonly breakC: number } {
  const warmsCPerMin = warmsAt(churning, celsius);
  const pace = PER_KELVIN * warmsCPerMin;
  const work = minutesAtStart({ ...churning, startC: celsius });
  const minutes = Math.log1p(pace * left * work) / pace;
  return { minutes, breakC: celsius + warmsCPerMin * minutes };
}

/** A heat read while churning, minutes since it began. */
export interface ChurnHeat {
  readonly minutes: number;
  readonly celsius: number;
}

/** A churning as it was read and seen on its way. */
export interface ChurnAlong extends ChurnForecast {
  /** One σ of ln of its minutes. */
  readonly lnSigma: number;
  /** Work done at the last reading, in shares of what the book says the whole takes: it may be more than 1. */
  readonly worked: number;
  /** How much more work this cream takes than the book says, met by what was seen. */
  readonly slower: number;
}

/** Times the upper end of what was expected, from which on something is wrong. */
const TOO_LONG = 2;
/** A churning that nobody said anything of is taken to be whipped, no more; and never to be all but over. */
const UNSEEN_SHARE = 0.5;
const MOST_REACHED = 0.95;

/** Minutes from which on a churning takes too long. @example tooLongMin(churning) // 3.3 × its forecast, by hand */
export const tooLongMin = (churning: Churning): number =>
  TOO_LONG * churnSpread(churning) * churnForecast(churning).minutes;

/** Work done up to an instant, in shares of the book's whole, and the heat then. */
function workUntil(
  churning: Churning,
  heats: readonly ChurnHeat[],
  untilMin: number,
): { readonly worked: number; readonly celsius: number } {
  const paceAt = (celsius: number): number => 1 / minutesAtStart({ ...churning, startC: celsius });
  let at: ChurnHeat = { minutes: 0, celsius: churning.startC };
  let worked = 0;
  const stretch = (minutes: number, toC: number): void => {
    // The pace is exponential in the heat, the heat a straight line between two readings.
    const rise = PER_KELVIN * (toC - at.celsius);
    worked +=
      Math.abs(rise) < 1e-9
        ? minutes * paceAt(at.celsius)
        : (minutes * (paceAt(toC) - paceAt(at.celsius))) / rise;
    at = { minutes: at.minutes + minutes, celsius: toC };
  };
  for (const heat of heats) {
    if (heat.minutes > untilMin) break;
    if (heat.minutes > at.minutes) stretch(heat.minutes - at.minutes, heat.celsius);
  }
  const next = heats.find((heat) => heat.minutes > at.minutes);
  const rest = untilMin - at.minutes;
  if (rest > 0)
    stretch(
      rest,
      next
        ? at.celsius + ((next.celsius - at.celsius) * rest) / (next.minutes - at.minutes)
        : at.celsius + warmsAt(churning, at.celsius) * rest,
    );
  return { worked, celsius: at.celsius };
}

/**
 * Work that was done until it broke, in shares of what the book says the whole takes: what a churning teaches of its churn.
 * @example churnWork(churning, [], churnForecast(churning).minutes) // 1
 */
export const churnWork = (churning: Churning, heats: readonly ChurnHeat[], minutes: number): number =>
  workUntil(churning, heats, minutes).worked;

/**
 * A churning whose cream was read, warmed or cooled, or seen at a stage on its way: the work done at each heat counts, a stage
 * tells how much of it was needed, and the rest goes on from the last reading. With neither it is `churnForecast`.
 * @param nowMin minutes since it began: far beyond its time, it is not taken to be nearly over
 * @param heats and @param seen in order of time
 * @example churnAlong(churning, [], [{ stage: 'stiff', minutes: 18 }]).minutes // later than the book, when that is late for it
 */
export function churnAlong(
  churning: Churning,
  heats: readonly ChurnHeat[],
  seen: readonly SeenStage[],
  nowMin = 0,
): ChurnAlong {
  const last = seen.at(-1);
  let slower = 1;
  let lnSigma = churnLnSigma(churning);
  if (last && last.minutes > 0) {
    const says = workUntil(churning, heats, last.minutes).worked / STAGE_SHARE[last.stage];
    const [a, b] = [1 / lnSigma ** 2, 1 / STAGE_LN_SIGMA ** 2];
    slower = Math.exp((b * Math.log(says)) / (a + b));
    lnSigma = Math.sqrt(1 / (a + b));
  }
  const broke = brokeAfter(seen);
  if (broke === null && nowMin > tooLongMin(churning)) {
    // It takes more than anything said so far: whatever comes next has not come yet.
    const next = CHURN_STAGES[last ? CHURN_STAGES.indexOf(last.stage) + 1 : 0] ?? 'broken';
    const reached = last ? STAGE_SHARE[next] : UNSEEN_SHARE;
    slower = Math.max(slower, workUntil(churning, heats, nowMin).worked / Math.min(MOST_REACHED, reached));
  }
  const from = heats.findLast((heat) => heat.minutes > 0) ?? { minutes: 0, celsius: churning.startC };
  const { worked } = workUntil(churning, heats, from.minutes);
  const left = Math.max(0, slower - worked);
  const onward = churnOnward(churning, from.celsius, left);
  // It cannot break before the stage it is in.
  const minutes = broke ?? Math.max(from.minutes + onward.minutes, last?.minutes ?? 0);
  return {
    minutes,
    breakC: onward.breakC,
    buttermilkFatFraction: leftBehind(churning, onward.breakC),
    lnSigma: broke === null ? lnSigma : 0,
    worked,
    slower,
  };
}

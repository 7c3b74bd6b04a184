import {
  churnForecast,
  churnLnSigma,
  churnOnward,
  churnSpread,
  leftBehind,
  minutesAtStart,
  PER_KELVIN,
  roomPull,
  warmsAt,
  type ChurnForecast,
  type Churning,
} from './churning.ts';
import { brokeAfter, CHURN_STAGES, STAGE_LN_SIGMA, STAGE_SHARE, type SeenStage } from './stages.ts';

/** A heat read while churning, minutes since it began. */
export interface ChurnHeat {
  readonly minutes: number;
  readonly celsius: number;
}

/** Something poured into the churn that changes its heat at once: chilled water. */
export interface ChurnJump {
  readonly minutes: number;
  /** The heat after it, °C, by the heat before. */
  readonly to: (celsius: number) => number;
  /** How much more is in the churn since. */
  readonly litres: number;
}

/** The churn stood still, so that a hot motor or tired arms could rest; `null` still does. */
export interface ChurnRest {
  readonly fromMin: number;
  readonly toMin: number | null;
}

/** All that was read, seen and done on the way of one churning, each in order of time, minutes since it began. */
export interface ChurnWay {
  readonly heats: readonly ChurnHeat[];
  readonly seen: readonly SeenStage[];
  readonly jumps?: readonly ChurnJump[];
  readonly rests?: readonly ChurnRest[];
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

/** Something on the way at which the heat is known, or changes at once. */
type Point = ChurnHeat | ChurnJump;

/** Where a churning stands: its work in shares of the book's whole, its heat, what is in the churn. */
interface Standing {
  readonly worked: number;
  readonly celsius: number;
  readonly litres: number;
}

/** A way told in minutes of churning: rests take none, but what stands warms in them. */
function churnedOnly(churning: Churning, way: ChurnWay, nowMin: number) {
  const rests = (way.rests ?? []).map(({ fromMin, toMin }) => ({
    fromMin,
    toMin: Math.max(fromMin, toMin ?? nowMin),
  }));
  const restedUntil = (minutes: number): number =>
    rests.reduce((sum, r) => sum + Math.max(0, Math.min(minutes, r.toMin) - r.fromMin), 0);
  const churned = (minutes: number): number => minutes - restedUntil(minutes);
  const stood = rests.map(({ fromMin, toMin }): ChurnJump => ({
    minutes: churned(fromMin),
    to: (celsius) => celsius + roomPull(churning, celsius) * (toMin - fromMin),
    litres: 0,
  }));
  const moved = <T extends { readonly minutes: number }>(points: readonly T[]): T[] =>
    points.map((point) => ({ ...point, minutes: churned(point.minutes) }));
  const points: Point[] = [...stood, ...moved(way.heats), ...moved(way.jumps ?? [])].sort(
    (a, b) => a.minutes - b.minutes,
  );
  return { points, seen: moved(way.seen), nowMin: churned(nowMin), restedMin: restedUntil(Infinity) };
}

/** Work done up to an instant, and how it stands then. Readings beyond it tell how it warmed on the way to them. */
function workUntil(churning: Churning, points: readonly Point[], untilMin: number): Standing {
  const paceAt = (celsius: number): number => 1 / minutesAtStart({ ...churning, startC: celsius });
  let minutes = 0;
  let celsius = churning.startC;
  let litres = churning.litres;
  let worked = 0;
  const stretch = (toMin: number, toC: number): void => {
    // The pace is exponential in the heat, the heat a straight line between two readings.
    const rise = PER_KELVIN * (toC - celsius);
    const took = toMin - minutes;
    worked +=
      Math.abs(rise) < 1e-9 ? took * paceAt(celsius) : (took * (paceAt(toC) - paceAt(celsius))) / rise;
    minutes = toMin;
    celsius = toC;
  };
  const warmedC = (toMin: number): number =>
    celsius + warmsAt({ ...churning, litres }, celsius) * (toMin - minutes);
  const upTo = points.filter((point) => point.minutes <= untilMin);
  for (const point of upTo) {
    if ('celsius' in point) {
      if (point.minutes > minutes) stretch(point.minutes, point.celsius);
      else celsius = point.celsius;
      continue;
    }
    if (point.minutes > minutes) stretch(point.minutes, warmedC(point.minutes));
    celsius = point.to(celsius);
    litres += point.litres;
  }
  const next = points[upTo.length];
  if (untilMin > minutes)
    stretch(
      untilMin,
      next && 'celsius' in next
        ? celsius + ((next.celsius - celsius) * (untilMin - minutes)) / (next.minutes - minutes)
        : warmedC(untilMin),
    );
  return { worked, celsius, litres };
}

/**
 * Work that was done until it broke, in shares of what the book says the whole takes: what a churning teaches of its churn.
 * @example churnWork(churning, { heats: [], seen: [] }, churnForecast(churning).minutes) // 1
 */
export function churnWork(churning: Churning, way: ChurnWay, minutes: number): number {
  const { points, nowMin } = churnedOnly(churning, way, minutes);
  return workUntil(churning, points, nowMin).worked;
}

/**
 * A churning whose cream was read, warmed or cooled, watered, rested, or seen at a stage on its way: the work done at each heat
 * counts, a stage tells how much of it was needed, and the rest goes on from the last that is known. With nothing it is
 * `churnForecast`. Its minutes are those of the clock: rests count in them.
 * @param nowMin minutes since it began: far beyond its time, it is not taken to be nearly over
 * @example churnAlong(churning, { heats: [], seen: [{ stage: 'stiff', minutes: 18 }] }).minutes // later than the book, when that is late for it
 */
export function churnAlong(churning: Churning, way: ChurnWay, nowMin = 0): ChurnAlong {
  const latest = Math.max(nowMin, ...[...way.heats, ...way.seen].map((point) => point.minutes));
  const own = churnedOnly(churning, way, latest);
  const { points, seen } = own;
  const churnedMin = nowMin === latest ? own.nowMin : churnedOnly(churning, way, nowMin).nowMin;
  const last = seen.at(-1);
  let slower = 1;
  let lnSigma = churnLnSigma(churning);
  if (last && last.minutes > 0) {
    const says = workUntil(churning, points, last.minutes).worked / STAGE_SHARE[last.stage];
    const [a, b] = [1 / lnSigma ** 2, 1 / STAGE_LN_SIGMA ** 2];
    slower = Math.exp((b * Math.log(says)) / (a + b));
    lnSigma = Math.sqrt(1 / (a + b));
  }
  const broke = brokeAfter(way.seen);
  if (broke === null && churnedMin > tooLongMin(churning)) {
    // It takes more than anything said so far: whatever comes next has not come yet.
    const next = CHURN_STAGES[last ? CHURN_STAGES.indexOf(last.stage) + 1 : 0] ?? 'broken';
    const reached = last ? STAGE_SHARE[next] : UNSEEN_SHARE;
    slower = Math.max(
      slower,
      workUntil(churning, points, churnedMin).worked / Math.min(MOST_REACHED, reached),
    );
  }
  const fromMin = Math.max(0, points.at(-1)?.minutes ?? 0);
  const from = workUntil(churning, points, fromMin);
  const left = Math.max(0, slower - from.worked);
  const onward = churnOnward({ ...churning, litres: from.litres }, from.celsius, left);
  // It cannot break before the stage it is in.
  const minutes = broke ?? Math.max(fromMin + onward.minutes, last?.minutes ?? 0) + own.restedMin;
  return {
    minutes,
    breakC: onward.breakC,
    buttermilkFatFraction: leftBehind(churning, onward.breakC),
    lnSigma: broke === null ? lnSigma : 0,
    worked: from.worked,
    slower,
  };
}

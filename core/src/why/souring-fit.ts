import { acidityReadings, type MakeState } from '../make/index.ts';
import type { CauseId } from '../science/causes/index.ts';
import {
  cholesky,
  interpolateLinear,
  solveLower,
  weightedQuantiles,
  type Random,
} from '../science/numerics/index.ts';
import {
  COUNT_ONCE_H,
  countedReadings,
  cueProbability,
  lnLikelihoods,
  memberPh,
  MODEL_PH_SIGMA,
  type AcidityReading,
  type Cue,
} from '../science/souring/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import type { SouringWorld } from './souring-worlds.ts';

/** What a log tells of a souring: acid, and how warm it stood; hours since inoculation. */
export interface SouringLog {
  readonly acid: readonly AcidityReading[];
  readonly warm: readonly { readonly hour: number; readonly celsius: number }[];
  readonly denatured: number;
  /** What the complaint says: at this hour it showed one of these cues, or none of them; left out, somebody looked just then. */
  readonly unset?: { readonly hour: number; readonly cues: readonly Cue[]; readonly is: boolean };
}

/** Scatter of one temperature reading, and what all readings of one thermometer share, one σ, K. */
const READING_SIGMA_C = 0.9;
const SHARED_SIGMA_C = 0.4;
/** How far a place that is as a world says may be off, one σ, K. */
const WORLD_SIGMA_C = 1;
/** So many readings of one place say all there is to say of it. */
const MOST_WARM = 10;

/** What the log tells, thinned to what is news. @param complained what the complaint itself says */
export function souringLog(
  state: MakeState,
  denatured: number,
  complained: Partial<Pick<SouringLog, 'acid' | 'unset'>>,
): SouringLog {
  const { acid: also = [], ...unset } = complained;
  const zero = state.inoculatedAtMs;
  if (zero === null) return { acid: also, warm: [], denatured, ...unset };
  const untilMs = state.chilledAtMs ?? Number.POSITIVE_INFINITY;
  const apart: { hour: number; celsius: number }[] = [];
  for (const { atMs, celsius } of state.temperatures) {
    const hour = (atMs - zero) / HOUR_MS;
    if (hour < 0 || atMs > untilMs || hour - (apart.at(-1)?.hour ?? -1) < COUNT_ONCE_H) continue;
    apart.push({ hour, celsius });
  }
  const step = Math.max(1, apart.length / MOST_WARM);
  const warm = Array.from(
    { length: Math.min(apart.length, MOST_WARM) },
    (_, i) => apart[Math.floor(i * step)]!,
  );
  return { acid: countedReadings([...acidityReadings(state), ...also]), warm, denatured, ...unset };
}

/** How much of a change of its place milk has taken on by an hour, 0..1. */
function reachOf({ unread }: SouringWorld): (hour: number) => number {
  const { course, ambientC } = unread;
  const startC = course[0]![1];
  const hours = course.map(([h]) => h);
  const celsius = course.map(([, c]) => c);
  const way = Math.abs(ambientC - startC) > 1 ? ambientC - startC : null;
  return (hour) =>
    way === null
      ? 1 - Math.exp(-hour)
      : Math.min(1, Math.max(0, (interpolateLinear(hours, celsius, hour) - startC) / way));
}

/** ln likelihood of temperatures in a world: the place off by its own σ, the thermometer by its, each reading by its. */
export function lnWarm(world: SouringWorld, warm: SouringLog['warm']): number {
  if (warm.length === 0) return 0;
  const reach = reachOf(world);
  const { course } = world.unread;
  const hours = course.map(([h]) => h);
  const celsius = course.map(([, c]) => c);
  const off = warm.map(
    (w) => w.celsius - (world.readsHighC ?? 0) - interpolateLinear(hours, celsius, w.hour),
  );
  const covariance = warm.map((a, i) =>
    warm.map(
      (b, j) =>
        (i === j ? READING_SIGMA_C ** 2 : 0) +
        SHARED_SIGMA_C ** 2 +
        WORLD_SIGMA_C ** 2 * reach(a.hour) * reach(b.hour),
    ),
  );
  const lower = cholesky(covariance);
  const away = solveLower(lower, off);
  return (
    -away.reduce((sum, value) => sum + value * value, 0) / 2 -
    lower.reduce((sum, row, i) => sum + Math.log(row[i]!), 0)
  );
}

/** ln of the mean of e^x. */
function lnMean(values: ArrayLike<number>): number {
  let top = Number.NEGATIVE_INFINITY;
  for (let i = 0; i < values.length; i++) top = Math.max(top, values[i]!);
  if (top === Number.NEGATIVE_INFINITY) return top;
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += Math.exp(values[i]! - top);
  return top + Math.log(sum / values.length);
}

/** ln likelihood of what was read and seen of the acid, for each member of a world. */
export function lnAcid({ ensemble }: SouringWorld, { acid, denatured, unset }: SouringLog): Float64Array {
  const ln = lnLikelihoods(ensemble, acid, denatured);
  if (!unset) return ln;
  return ln.map((value, m) => {
    const ph = memberPh(ensemble, m, unset.hour);
    const shows = unset.cues.reduce((sum, cue) => sum + cueProbability(cue, ph, denatured), 0);
    return value + Math.log(Math.max(1e-6, unset.is ? shows : 1 - shows));
  });
}

/** ln likelihood of the whole log in one world, over its members. */
const lnFit = (world: SouringWorld, log: SouringLog): number =>
  lnWarm(world, log.warm) + lnMean(lnAcid(world, log));

/** How well each world goes with a log, and each cause over its worlds. */
export interface SouringFit {
  /** ln likelihood of the log in each world, in their order. */
  readonly lnWorlds: readonly number[];
  readonly lnCauses: ReadonlyMap<CauseId, number>;
}

export function fitOf(worlds: readonly SouringWorld[], log: SouringLog): SouringFit {
  const lnWorlds = worlds.map((world) => lnFit(world, log));
  const by = new Map<CauseId, number[]>();
  for (const [i, { cause, share }] of worlds.entries())
    by.set(cause, [...(by.get(cause) ?? []), lnWorlds[i]! + Math.log(share)]);
  const lnCauses = new Map(
    [...by].map(([cause, values]) => [cause, lnMean(values) + Math.log(values.length)] as const),
  );
  return { lnWorlds, lnCauses };
}

/** So many good logs are drawn to know how well one fits, and the share of them that fits no better than "none of these". */
const DRAWN = 40;
const NONE_AT = 0.2;

/** A log as one world would have given it, with readings at the same hours as in another. */
function drawnLog(world: SouringWorld, like: SouringLog, cues: readonly Cue[], random: Random): SouringLog {
  const { ensemble } = world;
  const member = Math.floor(random.uniform() * ensemble.members);
  const shared = 0.07 * random.normal();
  const acid = like.acid.map((reading): AcidityReading => {
    const ph = memberPh(ensemble, member, reading.hour);
    if (reading.kind === 'ph')
      return {
        ...reading,
        ph: ph + shared + Math.hypot(reading.sigma, MODEL_PH_SIGMA) * random.normal(),
      };
    let left = random.uniform();
    const cue = cues.find((one) => (left -= cueProbability(one, ph, like.denatured)) < 0) ?? cues.at(-1)!;
    return { ...reading, cue };
  });
  const reach = reachOf(world);
  const { course } = world.unread;
  const hours = course.map(([h]) => h);
  const celsius = course.map(([, c]) => c);
  const offC = WORLD_SIGMA_C * random.normal();
  const sharedC = SHARED_SIGMA_C * random.normal() + (world.readsHighC ?? 0);
  const warm = like.warm.map(({ hour }) => ({
    hour,
    celsius:
      interpolateLinear(hours, celsius, hour) +
      offC * reach(hour) +
      sharedC +
      READING_SIGMA_C * random.normal(),
  }));
  const { unset } = like;
  if (!unset) return { ...like, acid, warm };
  const ph = memberPh(ensemble, member, unset.hour);
  const shows = unset.cues.reduce((sum, cue) => sum + cueProbability(cue, ph, like.denatured), 0);
  return { ...like, acid, warm, unset: { ...unset, is: random.uniform() < shows } };
}

/**
 * ln likelihood of a log where none of the causes is at work. It is as likely as where one of them is, on average, when its best
 * world fits no better than one good log in five fits its own: better than that speaks against it, worse for it.
 * @param priorOf how likely a cause is before anything is known
 * @param cues what may be seen of it, in order
 */
export function lnNone(
  worlds: readonly SouringWorld[],
  log: SouringLog,
  { lnWorlds }: SouringFit,
  cues: readonly Cue[],
  priorOf: (cause: CauseId) => number,
  random: Random,
): number {
  const priors = worlds.map(({ cause, share }) => priorOf(cause) * share);
  const all = priors.reduce((sum, prior) => sum + prior, 0);
  const bests = Array.from({ length: DRAWN }, () => {
    let left = random.uniform() * all;
    const world = worlds.find((_, i) => (left -= priors[i]!) < 0) ?? worlds[0]!;
    return Math.max(...fitOf(worlds, drawnLog(world, log, cues, random)).lnWorlds);
  });
  const [fifth] = weightedQuantiles(bests, null, [NONE_AT]);
  const average = lnMean(lnWorlds.map((ln, i) => ln + Math.log(priors[i]!))) + Math.log(worlds.length / all);
  return average + fifth! - Math.max(...lnWorlds);
}

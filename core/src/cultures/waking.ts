import type { KitchenSettings, WakingDone, WakingPlan } from '../contract/index.ts';
import { ferment, hoursToPh, inoculumOf, safetyLimit, SET_PH, type StarterKind } from '../culture/index.ts';
import { attendance } from '../kitchen/index.ts';
import { litresOfMass, MILK_FACTS, plasmaSnfPercent } from '../milk/index.ts';
import { keptKind } from './culture.ts';

const HOUR_MS = 3_600_000;
const GRID_MS = 15 * 60_000;
/** Looks are told to five minutes: nobody knows them better. */
const LOOK_MS = 5 * 60_000;
/** Scalding a feed and cooling it, before it can be stirred in, h. */
const SCALD_H = 0.75;
/** How far the time to set is off, either way, as a share: an estimate. */
const SET_SPREAD = 0.3;
/** It may stand this share of its time longer before it is over-sour for the next feed [F: judgement]. */
const MAY_STAND = 0.6;
/** A feed never looked at longer than this is not planned, h. */
const MOST_H = 60;
/** Cold rest before a feed that has to wait for morning, h at most. */
const LONGEST_REST_H = 36;
/** A packet in a small feed is many times its dose: the model is held to what was ever measured. */
const MOST_DOSE = 6;
/** Not set yet: look again after this share of the time it should take, at least. */
const LOOK_AGAIN = { share: 0.15, leastH: 0.5 } as const;
const MILK = MILK_FACTS['shop-whole'].composition;
const SNF = plasmaSnfPercent(MILK);

/** How long one feed takes to set: middle, early and late, h. */
export interface SetHours {
  readonly p10: number;
  readonly p50: number;
  readonly p90: number;
}

/** One feed of a waking, planned or done. */
export interface Feed {
  readonly n: number;
  readonly massKg: number;
  readonly litres: number;
  /** It rests cold before, from the last set until the feed. */
  readonly restColdH: number;
  /** When to begin: scalding, or stirring in at once. */
  readonly beginMs: number;
  /** When it is stirred in. */
  readonly feedMs: number;
  readonly set: SetHours;
  /** When to look at it. */
  readonly lookMs: number;
  readonly status: 'done' | 'standing' | 'coming';
  readonly fedMs: number | null;
  readonly setMs: number | null;
}

/** A waking with what is done fixed and the rest planned from now. */
export interface Waking {
  readonly feeds: readonly Feed[];
  readonly milkKg: number;
  readonly litres: number;
  readonly cartons: number | null;
  /** Words for what does not come out of one carton, or lasts longer than an open one. */
  readonly milkWords: string | null;
  readonly scald: boolean;
  readonly readyMs: number;
  readonly limitH: number | null;
  /** The feed that stands now has stood longer than is safe without having been seen set. */
  readonly overLimit: boolean;
  readonly finished: boolean;
}

/**
 * Hours a feed takes to set by the model: the packet in the first, the feed before in the others.
 * @param given what was or will be fed, and what was fed before, kg; as planned when left out
 */
export function feedSetHours(
  plan: WakingPlan,
  n: number,
  given: { readonly massKg: number; readonly beforeKg: number | null } = {
    massKg: massOf(plan, n),
    beforeKg: n === 1 ? null : massOf(plan, n - 1),
  },
): SetHours {
  const first = given.beforeKg === null;
  const kind: StarterKind = first ? plan.kind : keptKind(plan.kind);
  const inoculum = inoculumOf(
    first
      ? {
          kind,
          statedRatio: Math.min(MOST_DOSE, (plan.packetLitres ?? 1) / litresOfMass(given.massKg, MILK)),
        }
      : { kind, ageD: 0, massRatio: Math.min(1, given.beforeKg / given.massKg) },
  );
  const course = ferment(
    { ...inoculum, temperature: { kind: 'constant', celsius: plan.celsius }, plasmaSnfPercent: SNF },
    MOST_H,
  );
  const p50 = Math.min(MOST_H, hoursToPh(course, SET_PH));
  return { p10: p50 * (1 - SET_SPREAD), p50, p90: p50 * (1 + SET_SPREAD) };
}

const massOf = (plan: WakingPlan, n: number): number => plan.firstFeedKg * plan.growth ** (n - 1);

/**
 * Plans a waking, or what is left of one: each feed is stirred in when somebody is there and looked at when it should
 * be set and somebody is there again; a feed that would be ready at night begins later, resting cold before.
 * Pure: the same entries at the same moment give the same plan, so a late feed plans the rest anew.
 * @param done what happened, oldest first, with its instants
 */
export function planWaking(
  plan: WakingPlan,
  kitchen: KitchenSettings,
  done: readonly (WakingDone & { readonly atMs: number })[],
  nowMs: number,
  finished = false,
): Waking {
  const scald = plan.treatment !== 'ultra-heated';
  const scaldMs = scald ? SCALD_H * HOUR_MS : 0;
  const startMs = Date.parse(plan.startAt);
  const horizon = Math.max(startMs, nowMs) + (plan.feeds + 1) * (MOST_H + LONGEST_REST_H) * HOUR_MS;
  const there = attendance(kitchen, Math.min(startMs, nowMs) - HOUR_MS, horizon);
  const limit = safetyLimit('with-starter', plan.celsius).limitH;
  const feeds: Feed[] = [];
  /** When the culture is ready for the next feed. */
  let readyMs = Math.max(startMs, done.length === 0 ? nowMs : startMs);
  for (let n = 1; n <= plan.feeds; n++) {
    const fed = done.findLast((d) => d.feed === n && d.did === 'fed');
    const seen = done.findLast((d) => d.feed === n && d.did === 'set');
    const massKg = fed?.massKg ?? massOf(plan, n);
    const set = feedSetHours(plan, n, { massKg, beforeKg: feeds.at(-1)?.massKg ?? null });
    const common = {
      n,
      massKg,
      litres: litresOfMass(massKg, MILK),
      set,
      fedMs: fed?.atMs ?? null,
      setMs: seen?.atMs ?? null,
    };
    if (fed) {
      const middle = fed.atMs + set.p50 * HOUR_MS;
      const notYet = done.findLast((d) => d.feed === n && d.did === 'not-yet' && d.atMs >= fed.atMs);
      const again = Math.max(LOOK_AGAIN.leastH, LOOK_AGAIN.share * set.p50) * HOUR_MS;
      const dueMs = Math.max(middle, notYet ? notYet.atMs + again : 0);
      const look = seen?.atMs ?? there.nextAt(dueMs) ?? dueMs;
      feeds.push({
        ...common,
        restColdH: 0,
        beginMs: fed.atMs - scaldMs,
        feedMs: fed.atMs,
        lookMs: look,
        status: seen ? 'done' : 'standing',
      });
      readyMs = seen?.atMs ?? Math.max(look, nowMs);
      continue;
    }
    const chosen = chooseStart(Math.max(readyMs, nowMs), scaldMs, set, plan.restBetween, there);
    feeds.push({
      ...common,
      restColdH: plan.restBetween === 'cold' ? Math.max(0, (chosen.feedMs - readyMs) / HOUR_MS) : 0,
      beginMs: chosen.feedMs - scaldMs,
      feedMs: chosen.feedMs,
      lookMs: chosen.lookMs,
      status: 'coming',
    });
    readyMs = chosen.lookMs;
  }
  const milkKg = feeds.reduce((sum, f) => sum + f.massKg, 0);
  const litres = feeds.reduce((sum, f) => sum + f.litres, 0);
  const cartons = plan.cartonLitres === null ? null : Math.ceil(litres / plan.cartonLitres - 1e-9);
  const lastsD = (readyMs - startMs) / (24 * HOUR_MS);
  const standing = feeds.find((f) => f.status === 'standing');
  return {
    feeds,
    milkKg,
    litres,
    cartons,
    milkWords: milkWords(cartons, lastsD),
    scald,
    readyMs,
    limitH: limit,
    overLimit:
      standing !== undefined && limit !== null && nowMs - (standing.fedMs ?? nowMs) > limit * HOUR_MS,
    finished,
  };
}

/** An opened carton keeps this many days. */
const CARTON_DAYS = 4;

function milkWords(cartons: number | null, lastsD: number): string | null {
  const words = [
    cartons !== null && cartons > 1 ? `One carton is not enough: ${cartons} are needed.` : null,
    lastsD > CARTON_DAYS
      ? `It takes about ${Math.round(lastsD)} days, longer than an opened carton keeps: open a fresh one after ${CARTON_DAYS} days.`
      : null,
  ].filter((w) => w !== null);
  return words.length > 0 ? words.join(' ') : null;
}

/**
 * The feed whose look comes soonest: hands at the scalding and at the feed, and again when it should be set, or as
 * soon after as it may still stand. Resting warm it may not wait, so then only its own time counts.
 */
function chooseStart(
  fromMs: number,
  scaldMs: number,
  set: SetHours,
  rest: WakingPlan['restBetween'],
  there: ReturnType<typeof attendance>,
): { readonly feedMs: number; readonly lookMs: number } {
  let fallback: { feedMs: number; lookMs: number; overH: number } | null = null;
  const first = Math.ceil(fromMs / GRID_MS) * GRID_MS;
  const lastMs = first + (rest === 'cold' ? LONGEST_REST_H : 12) * HOUR_MS;
  let best: { feedMs: number; lookMs: number } | null = null;
  for (let beginMs = first; beginMs <= lastMs; beginMs += GRID_MS) {
    if (!there.throughout(beginMs, beginMs + scaldMs)) continue;
    const feedMs = beginMs + scaldMs;
    const middle = Math.ceil((feedMs + set.p50 * HOUR_MS) / LOOK_MS) * LOOK_MS;
    const lookMs = there.nextAt(middle);
    if (lookMs === null) continue;
    const overH = (lookMs - middle) / HOUR_MS;
    if (overH <= MAY_STAND * set.p50) {
      if (!best || lookMs < best.lookMs) best = { feedMs, lookMs };
    } else if (!fallback || overH < fallback.overH) fallback = { feedMs, lookMs, overH };
  }
  const feedMs = first + scaldMs;
  return best ?? fallback ?? { feedMs, lookMs: feedMs + set.p50 * HOUR_MS };
}

import type { MakePlan, StepId, StepInstance } from '../contract/index.ts';
import { ferment, hoursToPh, inoculumOf, keptKind, SET_PH } from '../science/souring/index.ts';
import { attendance, type Attendance } from '../kitchen/index.ts';
import { litresOfMass, MILK_FACTS, plasmaSnfPercent } from '../science/milk/index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

const GRID_MS = 15 * MINUTE_MS;
/** Looks are told to five minutes: nobody knows them better. */
const LOOK_MS = 5 * MINUTE_MS;
/** Scalding a feed and cooling it, before it can be stirred in, h. */
const SCALD_H = 0.75;
/** It may stand this share of its time longer before it is over-sour for the next feed [F: judgement]. */
const MAY_STAND = 0.6;
/** A feed never looked at longer than this is not planned, h. */
const MOST_H = 60;
/** Rest before a feed that has to wait for morning, h at most: cold, or as it stands. */
const LONGEST_REST_H = { cold: 36, warm: 12 } as const;

type Feed = Extract<StepInstance, { kind: 'feed' }>;
/** What was really given, by step; `null` as much as planned. */
export type Fed = ReadonlyMap<StepId, number | null>;

const isFeed = (step: StepInstance): step is Feed => step.kind === 'feed';
const massOf = (feed: Feed, fed: Fed): number => fed.get(feed.id) ?? feed.massKg;

/** A feed with what it is given to. */
interface FeedOf {
  /** 1 for the packet's own. */
  readonly n: number;
  readonly feed: Feed;
  readonly massKg: number;
  /** The feed before, all of it; `null` for the first. */
  readonly beforeKg: number | null;
}

/** The feed a step is, or stands with: the last one up to it. */
export function feedOf(plan: MakePlan, step: StepId, fed: Fed): FeedOf {
  const { steps } = plan.method;
  const upTo = steps.slice(0, steps.findIndex((s) => s.id === step) + 1).filter(isFeed);
  const [feed, before] = [upTo.at(-1), upTo.at(-2)];
  if (!feed) throw new TypeError(`nothing was fed up to ${step}`);
  return {
    n: upTo.length,
    feed,
    massKg: massOf(feed, fed),
    beforeKg: before ? massOf(before, fed) : null,
  };
}

/** The plan as one feed of it has it: its milk, and the culture that goes into it, which is the feed before. */
export function planOfFeed(plan: MakePlan, of: FeedOf): MakePlan {
  const litres = litresOfMass(of.massKg, MILK_FACTS[plan.milk.kind].composition);
  const milk = { ...plan.milk, litres, typed: { value: litres, unit: 'L' } as const };
  if (of.beforeKg === null) {
    const { statedRatio } = plan.starter;
    return {
      ...plan,
      milk,
      starter: {
        ...plan.starter,
        statedRatio: statedRatio === null ? null : (statedRatio * of.feed.massKg) / of.massKg,
      },
    };
  }
  const massKg = Math.min(of.massKg, of.beforeKg);
  return {
    ...plan,
    milk,
    starter: {
      ...plan.starter,
      kind: keptKind(plan.starter.kind),
      ageD: 0,
      massKg,
      statedRatio: null,
      typed: { value: massKg * 1000, unit: 'g' },
    },
  };
}

/** The model is asked the same of every feed again and again. */
const hoursKnown = new Map<string, number>();
const MOST_KNOWN = 200;

/** Hours a feed takes to set by the model, where it stands as warm as planned. */
export function feedSetH(plan: MakePlan, of: FeedOf): number {
  const { starter } = planOfFeed(plan, of);
  const { massKg, statedRatio, kind } = starter;
  const key = `${kind} ${massKg === null ? `s${statedRatio ?? 1}` : massKg / of.massKg} ${plan.inoculateC}`;
  const known = hoursKnown.get(key);
  if (known !== undefined) return known;
  const inoculum = inoculumOf(
    massKg === null
      ? { kind, statedRatio: statedRatio ?? 1 }
      : { kind, ageD: 0, massRatio: Math.min(1, massKg / of.massKg) },
  );
  const course = ferment(
    {
      ...inoculum,
      temperature: { kind: 'constant', celsius: plan.inoculateC },
      plasmaSnfPercent: plasmaSnfPercent(MILK_FACTS[plan.milk.kind].composition),
    },
    MOST_H,
  );
  const hours = Math.min(MOST_H, hoursToPh(course, SET_PH));
  if (hoursKnown.size > MOST_KNOWN) hoursKnown.clear();
  hoursKnown.set(key, hours);
  return hours;
}

/** Minutes of scalding and cooling that a feed begins with. */
export const scaldMin = (plan: MakePlan): number => (plan.heat.kind === 'none' ? 0 : SCALD_H * 60);

const AT_ANY_TIME: Attendance = { at: () => true, throughout: () => true, nextAt: (ms) => ms };
function presenceOf({ presence }: MakePlan, fromMs: number, hours: number): Attendance {
  if (!presence) return AT_ANY_TIME;
  const { zone, cooks, absences } = presence;
  return attendance({ site: { zone }, cooks, absences }, fromMs - HOUR_MS, fromMs + hours * HOUR_MS);
}

/** The first moment from here on when somebody is there. */
export const whenThere = (plan: MakePlan, ms: number): number => presenceOf(plan, ms, 48).nextAt(ms) ?? ms;

/**
 * When a feed is stirred in: so that the one it becomes is looked at soonest, with hands at the scalding, at the feed, and
 * again when it should be set, or as soon after as it may still stand.
 * @param fromMs the culture is ready, ms since 1970
 * @returns ms since 1970
 */
export function feedMs(plan: MakePlan, of: FeedOf, fromMs: number): number {
  const setH = feedSetH(plan, of);
  const restH = of.n === 1 ? LONGEST_REST_H.warm : LONGEST_REST_H[of.feed.rest];
  const there = presenceOf(plan, fromMs, restH + SCALD_H + 2 * MOST_H);
  const leadMs = scaldMin(plan) * MINUTE_MS;
  const first = Math.ceil(fromMs / GRID_MS) * GRID_MS;
  let best: { readonly at: number; readonly lookMs: number } | null = null;
  let fallback: { readonly at: number; readonly overH: number } | null = null;
  for (let beginMs = first; beginMs <= first + restH * HOUR_MS; beginMs += GRID_MS) {
    if (!there.throughout(beginMs, beginMs + leadMs)) continue;
    const at = beginMs + leadMs;
    const middle = Math.ceil((at + setH * HOUR_MS) / LOOK_MS) * LOOK_MS;
    const lookMs = there.nextAt(middle);
    if (lookMs === null) continue;
    const overH = (lookMs - middle) / HOUR_MS;
    if (overH <= MAY_STAND * setH) {
      if (!best || lookMs < best.lookMs) best = { at, lookMs };
    } else if (!fallback || overH < fallback.overH) fallback = { at, overH };
  }
  return best?.at ?? fallback?.at ?? first + leadMs;
}

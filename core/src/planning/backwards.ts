import type { Factor, InstantBand, KitchenSettings, MakePlan, PlanChange } from '../contract/index.ts';
import { SAFE_PH, safetyLimit, SOURNESS, sournessOfPh } from '../science/souring/index.ts';
import { attendance, type Attendance } from '../kitchen/index.ts';
import { withFactors } from '../daybook/learn/index.ts';
import {
  bandForecast,
  coldHours,
  markBand,
  markMs,
  pointForecast,
  replannedState,
  stateOfPlan,
  type BandForecast,
  type MakeState,
  type PointForecast,
} from '../make/index.ts';
import { stepFacts } from '../steps/index.ts';
import { souringKindOf } from '../setup/index.ts';
import { hashSeed, interpolateLinear } from '../science/numerics/index.ts';
import { variantsOf, type Allowed, type Price, type Variant } from './variants.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

/** Starts are tried on this grid. */
const START_MS = 10 * MINUTE_MS;
/** No wish lies further ahead. */
const FURTHEST_MS = 5 * 24 * HOUR_MS;
/** What one more step of sourness costs against the other prices. */
const SOURER_BURDEN = 4;
/** Finishing long before it is wanted costs a little, per hour. */
const EARLY_BURDEN_PER_H = 0.15;
const MOST_PLANS = 3;
/** Enough members to tell a P10 and a P90 of an offer. */
const OFFER_MEMBERS = 400;

/** When what is wanted. */
export interface Wish {
  /** `eat`: chilled and ready to eat; `set`: set. */
  readonly goal: 'eat' | 'set';
  readonly byMs: number;
}

export interface BackwardsInput {
  /** A plan nobody has begun, or a make under way: then only what is left is planned. */
  readonly state: MakeState;
  readonly begun: boolean;
  readonly kitchen: KitchenSettings;
  readonly factors: readonly Factor[];
  readonly wish: Wish;
  readonly allowed: Allowed;
  readonly nowMs: number;
}

/** One honest way to the wish. */
export interface Offer {
  readonly plan: MakePlan;
  readonly change: PlanChange;
  readonly prices: readonly Price[];
  readonly startMs: number;
  readonly inoculationMs: number;
  readonly set: InstantBand;
  readonly pickUp: InstantBand;
  /** When somebody takes it out: as ready, or when they are there again. */
  readonly takenOutMs: number;
  readonly overnight: boolean;
  readonly readyMs: number;
  readonly sourness: MakePlan['wanted']['sourness'];
  /** Nine times in ten it keeps the wish. */
  readonly sure: boolean;
}

export type NoPlanReason = 'never-sets' | 'too-late' | 'nobody-there' | 'too-sour' | 'unsafe' | 'past';

export interface BackwardsAnswer {
  readonly outcome: 'found' | 'none';
  readonly offers: readonly Offer[];
  readonly reason: NoPlanReason | null;
  /** The earliest it could be ready if nobody slept; `null` when it never is. */
  readonly earliestMs: number | null;
  readonly stats: { readonly variants: number; readonly tried: number };
}

interface Attempt {
  readonly variant: Variant;
  readonly shiftMs: number;
  readonly takenOutMs: number;
  readonly readyMs: number;
  readonly overnight: boolean;
  readonly sourness: MakePlan['wanted']['sourness'];
  readonly prices: readonly Price[];
  readonly burden: number;
}

type Tried =
  { readonly ok: true; readonly attempt: Attempt } | { readonly ok: false; readonly reason: NoPlanReason };

/** How far P10 and P90 of the pick-up lie from its middle, as shares of the time in the warmth. */
interface Width {
  readonly early: number;
  readonly late: number;
}

const readyAt = ({ wish, state }: Pick<BackwardsInput, 'wish' | 'state'>, takenOutMs: number): number =>
  wish.goal === 'eat' ? takenOutMs + coldHours(state) * HOUR_MS : takenOutMs;

function attemptOf(
  input: BackwardsInput,
  there: Attendance,
  width: Width,
  variant: Variant,
  point: PointForecast,
  shiftMs: number,
): Tried {
  const { wish, allowed, begun, nowMs } = input;
  const [pickUpMs, setMs] = [markMs(point, 'ready'), markMs(point, 'body')];
  if (pickUpMs === null || setMs === null) return { ok: false, reason: 'never-sets' };
  const warmMs = pickUpMs - point.inoculationMs;
  const earlyMs = pickUpMs - width.early * warmMs + shiftMs;
  const lateMs = pickUpMs + width.late * warmMs + shiftMs;
  const lateSetMs = setMs + width.late * (setMs - point.inoculationMs) + shiftMs;
  if (wish.goal === 'set' && lateSetMs > wish.byMs) return { ok: false, reason: 'too-late' };
  if (wish.goal === 'eat' && readyAt(input, lateMs) > wish.byMs) return { ok: false, reason: 'too-late' };
  const limit = safetyLimit(souringKindOf(variant.plan), point.ambientC).limitH;
  const safe = point.ph.find(([, ph]) => ph <= SAFE_PH)?.[0];
  if (limit !== null && (safe === undefined || safe - point.inoculationMs > limit * HOUR_MS))
    return { ok: false, reason: 'unsafe' };
  const hands = point.steps
    .slice(
      0,
      point.steps.findIndex((s) => stepFacts(s.kind).sours),
    )
    .filter((s) => s.status === 'coming' || s.status === 'current');
  const moments = [...(begun ? [] : [Date.parse(variant.plan.startAt)]), ...hands.map((s) => s.endMs)];
  if (!moments.every((ms) => there.at(ms + shiftMs))) return { ok: false, reason: 'nobody-there' };
  const awake = there.throughout(Math.max(earlyMs, nowMs), lateMs);
  const takenOutMs = awake ? pickUpMs + shiftMs : there.nextAt(lateMs);
  if (takenOutMs === null) return { ok: false, reason: 'nobody-there' };
  const readyMs = wish.goal === 'eat' ? readyAt(input, takenOutMs) : setMs + shiftMs;
  if (wish.goal === 'eat' && readyMs > wish.byMs)
    return { ok: false, reason: awake ? 'too-late' : 'nobody-there' };
  const wanted = variant.plan.wanted.sourness;
  const sourness = awake
    ? wanted
    : sournessOfPh(
        interpolateLinear(
          point.ph.map(([ms]) => ms),
          point.ph.map(([, ph]) => ph),
          takenOutMs - shiftMs,
        ),
      );
  const sourer = Math.max(0, SOURNESS.indexOf(sourness) - SOURNESS.indexOf(wanted));
  if (sourer > 0 && !allowed.sourer) return { ok: false, reason: 'too-sour' };
  const earlyH = wish.goal === 'eat' ? Math.max(0, wish.byMs - readyMs) / HOUR_MS : 0;
  const startPrice: Price[] = begun
    ? []
    : [{ kind: 'start', atMs: Date.parse(variant.plan.startAt) + shiftMs }];
  return {
    ok: true,
    attempt: {
      variant,
      shiftMs,
      takenOutMs,
      readyMs,
      overnight: !awake,
      sourness,
      prices: [
        ...startPrice,
        ...variant.prices,
        ...(sourer > 0 ? [{ kind: 'sourer', sourness } as const] : []),
      ],
      burden: variant.burden + SOURER_BURDEN * sourer + EARLY_BURDEN_PER_H * earlyH + (awake ? 0 : 0.5),
    },
  };
}

/** Offers that ask for the same kinds of thing are one offer to a maker. */
const signature = (attempt: Attempt): string =>
  attempt.prices
    .map((p) => p.kind)
    .filter((kind) => kind !== 'start')
    .join(' ');

/**
 * Plans back from when it is wanted: start, dose, warm place, its dial and a cold bath are varied within what the
 * maker allows; no hands moment falls where nobody is. Gives up to three offers that differ in what they cost, or the
 * reason why there is none. A generator, so that a worker may stop between slices.
 * @example planningBackwards({ state: stateOfPlan(plan), begun: false, wish: { goal: 'eat', byMs }, … })
 */
export function* planningBackwards(input: BackwardsInput): Generator<number, BackwardsAnswer> {
  const { state, begun, kitchen, factors, wish, nowMs } = input;
  const none = (
    reason: NoPlanReason,
    earliestMs: number | null,
    variants = 0,
    tried = 0,
  ): BackwardsAnswer => ({
    outcome: 'none',
    offers: [],
    reason,
    earliestMs,
    stats: { variants, tried },
  });
  if (wish.byMs <= nowMs || wish.byMs > nowMs + FURTHEST_MS) return none('past', null);
  const there = attendance(kitchen, nowMs - HOUR_MS, wish.byMs + 24 * HOUR_MS);
  const fresh = (plan: MakePlan): MakePlan =>
    begun
      ? plan
      : { ...plan, startAt: new Date(Math.ceil(nowMs / (5 * MINUTE_MS)) * 5 * MINUTE_MS).toISOString() };
  const variants = variantsOf(
    { ...state, plan: withFactors(fresh(state.plan), factors) },
    begun,
    kitchen,
    factors,
    input.allowed,
  );
  const seed = hashSeed(state.id);
  // What is learned of another place or dose travels with the change.
  const stateFor = ({ plan, change }: Pick<Variant, 'plan' | 'change'>): MakeState =>
    begun ? replannedState(state, { ...change, ...learnedOf(plan) }, nowMs) : stateOfPlan(plan);
  const width = widthOf(bandForecast(stateFor(variants[0]!), nowMs, seed, OFFER_MEMBERS));
  const best = new Map<string, Attempt>();
  const failures = new Map<NoPlanReason, number>();
  let earliestMs: number | null = null;
  let tried = 0;
  for (const [i, variant] of variants.entries()) {
    yield i / variants.length;
    const point = pointForecast(stateFor(variant), nowMs);
    const [pickUpMs, setMs] = [markMs(point, 'ready'), markMs(point, 'body')];
    if (pickUpMs !== null && setMs !== null) {
      const lateMs = pickUpMs + width.late * (pickUpMs - point.inoculationMs);
      const soonest = wish.goal === 'eat' ? readyAt(input, lateMs) : setMs;
      earliestMs = Math.min(earliestMs ?? Number.POSITIVE_INFINITY, soonest);
    }
    const lastShift = begun ? 0 : Math.max(0, wish.byMs - Date.parse(variant.plan.startAt));
    for (let shiftMs = 0; shiftMs <= lastShift; shiftMs += START_MS) {
      tried++;
      const result = attemptOf(input, there, width, variant, point, shiftMs);
      if (!result.ok) {
        failures.set(result.reason, (failures.get(result.reason) ?? 0) + 1);
        // Later starts are later still.
        if (result.reason === 'too-late' || result.reason === 'never-sets') break;
        continue;
      }
      const key = signature(result.attempt);
      const before = best.get(key);
      if (!before || result.attempt.burden < before.burden) best.set(key, result.attempt);
    }
  }
  const chosen = [...best.values()].sort((a, b) => a.burden - b.burden).slice(0, MOST_PLANS);
  if (chosen.length === 0) {
    const order: readonly NoPlanReason[] = ['too-sour', 'nobody-there', 'unsafe', 'too-late', 'never-sets'];
    return none(
      order.find((reason) => failures.has(reason)) ?? 'too-late',
      earliestMs,
      variants.length,
      tried,
    );
  }
  const offers: Offer[] = [];
  for (const attempt of chosen) {
    yield 1;
    offers.push(offerOf(attempt, input, stateFor, seed));
  }
  return { outcome: 'found', offers, reason: null, earliestMs, stats: { variants: variants.length, tried } };
}

const learnedOf = (plan: MakePlan): Pick<PlanChange, 'factors'> =>
  plan.factors ? { factors: plan.factors } : {};

function widthOf(band: BandForecast): Width {
  const { p10, p50, p90 } = markBand(band, 'ready');
  const zero = band.point.inoculationMs;
  if (p50 === null || p50 <= zero) return { early: 0.2, late: 0.3 };
  const warm = p50 - zero;
  return { early: p10 === null ? 0.2 : (p50 - p10) / warm, late: p90 === null ? 0.5 : (p90 - p50) / warm };
}

/** An attempt with its own band: what is promised is what was computed for it. */
function offerOf(
  attempt: Attempt,
  input: BackwardsInput,
  stateFor: (variant: Pick<Variant, 'plan' | 'change'>) => MakeState,
  seed: number,
): Offer {
  const { variant, shiftMs, takenOutMs, overnight, readyMs, sourness, prices } = attempt;
  const startMs = Date.parse(variant.plan.startAt) + shiftMs;
  const plan = input.begun ? variant.plan : { ...variant.plan, startAt: new Date(startMs).toISOString() };
  const band = bandForecast(
    stateFor({ plan, change: variant.change }),
    Math.max(input.nowMs, input.begun ? 0 : startMs),
    seed,
    OFFER_MEMBERS,
  );
  const lateMs = markBand(band, input.wish.goal === 'set' ? 'body' : 'ready').p90;
  const pickUp = markBand(band, 'ready');
  const lateReadyMs =
    lateMs === null
      ? null
      : input.wish.goal === 'set'
        ? lateMs
        : readyAt(input, Math.max(lateMs, overnight ? takenOutMs : 0));
  return {
    plan,
    change: { ...variant.change, ...learnedOf(plan) },
    prices,
    startMs,
    inoculationMs: band.point.inoculationMs,
    set: markBand(band, 'body'),
    pickUp,
    takenOutMs: overnight ? takenOutMs : (pickUp.p50 ?? takenOutMs),
    overnight,
    readyMs,
    sourness,
    sure: lateReadyMs !== null && lateReadyMs <= input.wish.byMs,
  };
}

/** `planningBackwards` run to its end. */
export function planBackwards(input: BackwardsInput): BackwardsAnswer {
  const work = planningBackwards(input);
  for (;;) {
    const step = work.next();
    if (step.done === true) return step.value;
  }
}

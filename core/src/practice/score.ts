import type { PracticeHand } from '../contract/index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';
import type { Work } from '../steps/index.ts';
import type { Aim, FigureUnit } from './aims.ts';
import type { Practised } from './exercise.ts';
import { outcomeOf, type Outcome } from './outcome.ts';
import { handOf, PERFECT, playing, powderIn, type Act } from './players.ts';
import { momentAt, walkPractice, type PracticeWalk } from './walk.ts';

/** How an aim was met, and what this world allowed. */
export interface AimScore {
  readonly id: string;
  readonly words: string;
  readonly noun: string;
  readonly unit: FigureUnit;
  readonly figure: number | null;
  readonly allowed: number | null;
  readonly met: boolean;
}

/** How a decision might have been taken otherwise. */
export type Otherwise =
  | { readonly kind: 'shifted'; readonly minutes: number }
  | { readonly kind: 'other'; readonly act: Act }
  | { readonly kind: 'without' }
  /** Something that was not done at all, and all well from there. */
  | { readonly kind: 'done'; readonly act: PracticeHand };

/** A decision that cost something, with the better one replayed. */
export interface Decision {
  /** The hand it is about; `null` for something nobody did. */
  readonly hand: PracticeHand | null;
  readonly otherwise: Otherwise;
  /** The figure that changes most by it. */
  readonly noun: string;
  readonly unit: FigureUnit;
  readonly from: number | null;
  readonly to: number | null;
  /** How much nearer to all aims, 0..1. */
  readonly gain: number;
}

/** One batch of a practice, judged. */
export interface BatchScore {
  readonly aims: readonly AimScore[];
  readonly won: boolean;
  readonly outcome: Outcome;
  readonly allowed: Outcome;
  /** The three decisions that cost most, dearest first. */
  readonly decisions: readonly Decision[];
  /** What truly went on, and what hands did, for the replay: ms since it began. */
  readonly curve: readonly { readonly atMs: number; readonly celsius: number; readonly ph: number | null }[];
}

/** Points of the replay's curve. */
const CURVE_POINTS = 160;
/** A decision that costs less is not told. */
const LEAST_GAIN = 0.02;
/** What makes something else so much worse is no better decision. */
const WORSE = 0.05;
const TOLD = 3;
/** So many decisions are tried otherwise at most: those that end a step or move it first, then the longest fires. */
const MOST_TRIED = 16;

/** How far a decision is tried earlier and later, min, by what went on. */
const SHIFTS_MIN: Readonly<Record<Work, readonly number[]>> = {
  stove: [-10, -5, -2, 2, 5, 10],
  place: [-120, -60, -30, 30, 60, 120],
  temper: [-30, -10, 10, 30],
  churn: [-5, -2, -1, 1, 2, 5],
  pan: [-4, -2, -1, 1, 2, 4],
  cloth: [-240, -120, -60, -30, 30, 60, 120, 240],
  set: [-20, -10, -5, 5, 10, 20],
  bowl: [],
  cold: [],
  hands: [-10, -5, 5, 10],
};

/** Entries that are decisions, not observations. */
const DECIDES: ReadonlySet<string> = new Set([
  'step-done',
  'starter-added',
  'water-poured',
  'whey-returned',
  'salted',
  'replanned',
]);
const decides = (hand: PracticeHand): boolean =>
  hand.kind === 'told' ? DECIDES.has(hand.event.type) : hand.kind !== 'stir';

const worthOf = (aims: readonly Aim[], outcome: Outcome): number =>
  aims.reduce((sum, aim) => sum + aim.near(outcome), 0) / Math.max(1, aims.length);

/** Which decisions are tried otherwise. */
function dearestFirst(hands: readonly PracticeHand[]): ReadonlySet<PracticeHand> {
  const lasts = (hand: PracticeHand): number =>
    (hands.find((later) => later.kind === hand.kind && later.atMs > hand.atMs)?.atMs ?? Infinity) - hand.atMs;
  const rank = (hand: PracticeHand): number =>
    hand.kind === 'flame' || hand.kind === 'lid' ? lasts(hand) : Infinity;
  return new Set(
    hands
      .filter(decides)
      .sort((a, b) => rank(b) - rank(a) || 0)
      .slice(0, MOST_TRIED),
  );
}

/** A hand so much later. */
function moved(hand: PracticeHand, byMs: number): PracticeHand {
  const atMs = hand.atMs + byMs;
  return hand.kind === 'told'
    ? {
        ...hand,
        atMs,
        event: { ...hand.event, at: new Date(Date.parse(hand.event.at) + byMs).toISOString() },
      }
    : { ...hand, atMs };
}

/** It and all that follows so much later; `null` where it would come before what was done before it. */
function shifted(hands: readonly PracticeHand[], i: number, byMs: number): PracticeHand[] | null {
  // What was said in the same moment goes along.
  const first = hands.findIndex(({ atMs }) => atMs === hands[i]!.atMs);
  const floor = hands[first - 1]?.atMs ?? 0;
  return hands[i]!.atMs + byMs < floor
    ? null
    : hands.map((hand, k) => (k < first ? hand : moved(hand, byMs)));
}

/** Other amounts of powder that are tried, kg more. */
const POWDER_TRIED_KG = [-0.02, -0.01, 0.01, 0.02] as const;
const otherPowder = (massKg: number): Act[] =>
  POWDER_TRIED_KG.map((more) => massKg + more)
    .filter((kg) => kg > 0)
    .map((kg) => ({ kind: 'say', said: powderIn(kg) }));

/** What may be done instead of a hand. */
function others(hand: PracticeHand): Act[] {
  switch (hand.kind) {
    case 'flame':
      return (['off', 'low', 'medium', 'full'] as const)
        .filter((to) => to !== hand.to)
        .map((to) => ({ kind: 'flame', to }));
    case 'bath':
      return (['none', 'cold', 'iced', 'warm'] as const)
        .filter((to) => to !== hand.to)
        .map((to) => ({ kind: 'bath', to }));
    case 'move':
      return (['planned', 'counter', 'cupboard', 'lamp-oven'] as const)
        .filter((to) => to !== hand.to)
        .map((to) => ({ kind: 'move', to }));
    case 'told':
      return hand.event.type === 'replanned' && hand.event.data.powder
        ? otherPowder(hand.event.data.powder.massKg)
        : [];
    default:
      return [];
  }
}

/** So long after a step began somebody might have found out that something is wrong, min; left out, nothing is to be found out. */
const FOUND_OUT_MIN: Readonly<Partial<Record<Work, number>>> = { stove: 0, place: 45, churn: 3, temper: 10 };

/** Works that hands do: one more of the same may be missing. */
const BY_HAND: ReadonlySet<Work> = new Set(['bowl', 'hands']);

/** The same thing done to the crock. */
const alike = (hand: PracticeHand, act: PracticeHand): boolean =>
  hand.kind === 'told' && act.kind === 'told'
    ? hand.event.type === act.event.type
    : hand.kind === act.kind && (!('to' in hand) || !('to' in act) || hand.to === act.to);

/** Milk on the fire is stirred so often, min. */
const STIRS_MIN = 3;
/** The same hands, with the milk stirred all along. */
function stirred(hands: readonly PracticeHand[], walk: PracticeWalk, startMs: number): PracticeHand[] {
  const stirs: PracticeHand[] = [];
  let lastMs = -Infinity;
  for (const { atMs, work, flame } of walk.moments) {
    if (work !== 'stove' || flame === 'off' || atMs - lastMs < STIRS_MIN * MINUTE_MS) continue;
    stirs.push({ kind: 'stir', atMs: atMs - startMs });
    lastMs = atMs;
  }
  return [...hands, ...stirs].sort((a, b) => a.atMs - b.atMs);
}

interface Tried {
  readonly hand: PracticeHand | null;
  readonly otherwise: Otherwise;
  readonly outcome: Outcome;
}

/** Each decision tried otherwise. @yields after each */
function* trying(
  of: Practised,
  hands: readonly PracticeHand[],
  walk: PracticeWalk,
  untilMs: number,
  limitH: number,
) {
  const { world, ends } = of;
  const tried: Tried[] = [];
  const run = (changed: readonly PracticeHand[], byMs = 0): Outcome => {
    const endMs = Math.min(untilMs + Math.max(0, byMs), world.startMs + limitH * HOUR_MS);
    return outcomeOf(world, walkPractice(world, changed, endMs, undefined, false), endMs, ends);
  };
  const worthTrying = dearestFirst(hands);
  for (const [i, hand] of hands.entries()) {
    if (!worthTrying.has(hand)) continue;
    const { work } = momentAt(walk, world.startMs + hand.atMs - 1);
    for (const minutes of SHIFTS_MIN[work]) {
      const changed = shifted(hands, i, minutes * MINUTE_MS);
      if (changed)
        tried.push({
          hand,
          otherwise: { kind: 'shifted', minutes },
          outcome: run(changed, minutes * MINUTE_MS),
        });
    }
    for (const act of others(hand)) {
      const changed = hands.map((own, k) =>
        k === i ? handOf(act, world.startMs + hand.atMs, world.startMs, k) : own,
      );
      tried.push({ hand, otherwise: { kind: 'other', act }, outcome: run(changed) });
    }
    if (hand.kind === 'bath' || hand.kind === 'move')
      tried.push({ hand, otherwise: { kind: 'without' }, outcome: run(hands.filter((own) => own !== hand)) });
    yield 0.3 + (0.5 * (i + 1)) / hands.length;
  }
  const stirs = stirred(hands, walk, world.startMs);
  const first = stirs.find((hand) => hand.kind === 'stir');
  if (first) tried.push({ hand: null, otherwise: { kind: 'done', act: first }, outcome: run(stirs) });
  for (const step of walk.state.steps) {
    if (step.startedAtMs === null) continue;
    const beganMs = Math.max(world.startMs, step.startedAtMs);
    const { work } = momentAt(walk, beganMs);
    // What hands do by themselves might have gone on before it was called done; all else, when it was found out.
    const atTheEnd = BY_HAND.has(work) && step.endedAtMs !== null;
    const afterMin = FOUND_OUT_MIN[work];
    if (!atTheEnd && afterMin === undefined) continue;
    const atMs = atTheEnd ? step.endedAtMs - 1 : beganMs + (afterMin ?? 0) * MINUTE_MS;
    if (atMs >= (step.endedAtMs ?? untilMs)) continue;
    const so = hands.filter((hand) => world.startMs + hand.atMs <= atMs);
    const then = playing(of, PERFECT, limitH, { hands: so, atMs });
    let next = then.next();
    while (next.done !== true) {
      yield 0.85;
      next = then.next();
    }
    // What would have been done then, other than calling the step done.
    const act = next.value.hands[so.length];
    const isDone = act?.kind === 'told' && act.event.type === 'step-done';
    if (!act || isDone || (!atTheEnd && hands.some((hand) => alike(hand, act)))) continue;
    tried.push({ hand: null, otherwise: { kind: 'done', act }, outcome: next.value.outcome });
  }
  return tried;
}

/** The aim that gains most by another outcome. */
function mostMoved(aims: readonly Aim[], from: Outcome, to: Outcome): Aim {
  return [...aims].sort((a, b) => b.near(to) - b.near(from) - (a.near(to) - a.near(from)))[0]!;
}

/**
 * Judges a batch of a practice: its aims against what its world allowed, and the three decisions that cost most, each replayed
 * with a better one.
 * @param hands in order of time @param untilMs how far it went, ms since 1970
 * @yields how far it is, 0..1
 */
export function* scoring(
  of: Practised,
  hands: readonly PracticeHand[],
  untilMs: number,
  limitH: number,
): Generator<number, BatchScore> {
  const { world, ends, aims } = of;
  const walk = walkPractice(world, hands, untilMs, undefined, false);
  const outcome = outcomeOf(world, walk, untilMs, ends);
  const best = playing(of, PERFECT, limitH);
  let perfect = best.next();
  while (perfect.done !== true) {
    yield Math.min(0.3, (perfect.value / HOUR_MS / limitH) * 0.3);
    perfect = best.next();
  }
  const allowed = perfect.value.outcome;
  const tried = yield* trying(of, hands, walk, untilMs, limitH);
  const worth = worthOf(aims, outcome);
  const dearest = new Map<PracticeHand | string, Decision>();
  for (const { hand, otherwise, outcome: then } of tried) {
    const gain = worthOf(aims, then) - worth;
    if (gain < LEAST_GAIN || aims.some((aim) => aim.near(then) < aim.near(outcome) - WORSE)) continue;
    const aim = mostMoved(aims, outcome, then);
    const key =
      hand ??
      (otherwise.kind === 'done'
        ? `${otherwise.act.kind} ${'to' in otherwise.act ? otherwise.act.to : otherwise.act.kind === 'told' ? otherwise.act.event.type : ''}`
        : '');
    const known = dearest.get(key);
    // As good with less: the smaller change is the better teacher.
    if (known && known.gain >= gain - 1e-3 && size(known.otherwise) <= size(otherwise)) continue;
    if (known && known.gain > gain + 1e-3) continue;
    dearest.set(key, {
      hand,
      otherwise,
      noun: aim.noun,
      unit: aim.unit,
      from: aim.figure(outcome),
      to: aim.figure(then),
      gain,
    });
  }
  const { moments } = walk;
  const every = Math.max(1, Math.floor(moments.length / CURVE_POINTS));
  return {
    aims: aims.map((aim) => ({
      id: aim.id,
      words: aim.words,
      noun: aim.noun,
      unit: aim.unit,
      figure: aim.figure(outcome),
      allowed: aim.figure(allowed),
      met: aim.near(outcome) >= 1,
    })),
    won: aims.every((aim) => aim.near(outcome) >= 1),
    outcome,
    allowed,
    decisions: [...dearest.values()].sort((a, b) => b.gain - a.gain).slice(0, TOLD),
    curve: moments
      .filter((_, i) => i % every === 0 || i === moments.length - 1)
      .map(({ atMs, celsius, ph }) => ({ atMs: atMs - world.startMs, celsius, ph })),
  };
}

const size = (otherwise: Otherwise): number =>
  otherwise.kind === 'shifted' ? Math.abs(otherwise.minutes) : 0;

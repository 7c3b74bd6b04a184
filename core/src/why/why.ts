import {
  makeAt,
  pointForecast,
  safetyOf,
  showsSet,
  souringOf,
  soursToTheEnd,
  walkThermal,
  type MakeState,
  type SafetyState,
} from '../make/index.ts';
import { faultyKindsOf } from '../products/index.ts';
import {
  answered,
  clueLikelihood,
  CLUES,
  cluesOf,
  COMPLAINTS,
  priorsOf,
  weigh,
  whatWouldTell,
  WORTH_ASKING_BITS,
  type CauseShare,
  type CauseId,
  type ClueId,
  type ComplaintId,
  type LogClue,
  type Suspect,
  type Telling,
} from '../science/causes/index.ts';
import { createRandom, hashSeed } from '../science/numerics/index.ts';
import { drawMembers, STARTER_FACTS, warmCulture, type Cue } from '../science/souring/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import { placeUnchecked } from '../setup/index.ts';
import { churningClues, churningLog, curdClues } from '../steps/index.ts';
import { churnEvidence, churnSuspects } from './churning-fit.ts';
import { kefirLogClues, milkLogClues } from './milk-log-clues.ts';
import { readingEvidence, type Evidence } from './evidence.ts';
import { readingsTell, type ReadingTells } from './readings.ts';
import { rescuing, type Rescue } from './rescues.ts';
import { fitOf, lnAcid, lnNone, souringLog, type SouringLog } from './souring-fit.ts';
import { souringWorlds, type SouringWorld } from './souring-worlds.ts';

/** A batch that is complained of. */
export interface WhyQuestion {
  readonly state: MakeState;
  readonly complaint: ComplaintId;
  /** Answers given: which of the clue's, from 0. */
  readonly answers: Readonly<Partial<Record<ClueId, number>>>;
  readonly nowMs: number;
  /** What earlier complaints of this kind turned out to be in this kitchen. */
  readonly settled?: readonly Suspect[];
}

/** A suspect with what speaks for and against it. */
export interface CauseFound extends CauseShare {
  readonly evidence: readonly Evidence[];
}

/** What went wrong, as far as it can be known. */
export interface WhyAnswer {
  /** The likeliest first; none of them is `null`. Shares add up to 1. */
  readonly causes: readonly CauseFound[];
  /** What would tell most: a question, or a reading. `null` when nothing is worth asking. */
  readonly ask: Telling | ReadingTells | null;
  /** What may still be done with a souring that is late; empty where nothing can be simulated. */
  readonly rescues: readonly Rescue[];
  /** How far its place seems to be off, K, below 0 colder, where that is the likeliest cause; `null` elsewhere. */
  readonly placeOffC: number | null;
  /** The safety clock of a souring that is under way; `null` where nothing sours. */
  readonly safety: SafetyState | null;
}

/** Members run in each world: few, as they are the same ones in every world. */
const MEMBERS = 48;
/** Complaints that the walk of the souring tells about. */
const OF_SOURING: ReadonlySet<ComplaintId> = new Set<ComplaintId>(['not-set', 'not-sour']);
/** A look so recent speaks for itself, h. */
const JUST_LOOKED_H = 0.5;
/** pH of something that does not taste sour, and its scatter. */
const NOT_SOUR = { ph: 6, sigma: 0.45 } as const;
/** A place nobody checked is to blame more often; one that many batches taught, less. */
const UNCHECKED_TIMES = 1.9;
const TAUGHT_TIMES = 0.8;
const TAUGHT_BATCHES = 4;

/** What the complaint itself says of the acid, where nobody entered a look. */
function complained(
  complaint: ComplaintId,
  state: MakeState,
  hour: number,
  cues: readonly Cue[],
): Partial<Pick<SouringLog, 'acid' | 'unset'>> {
  const zero = state.inoculatedAtMs ?? 0;
  const looked = state.acidity.some(
    (entry) => Math.abs((entry.atMs - zero) / HOUR_MS - hour) < JUST_LOOKED_H,
  );
  if (looked) return {};
  return complaint === 'not-sour'
    ? { acid: [{ kind: 'ph', hour, instrument: 'tongue', ...NOT_SOUR }] }
    : { unset: { hour, cues: cues.filter((cue) => !showsSet(cue)), is: true } };
}

/** What moves the priors: whether the place was ever checked, and what cannot be at all. */
function movesOf(state: MakeState): Partial<Record<CauseId, number>> {
  const { plan } = state;
  const taught = (plan.factors?.placeHeat?.makes ?? 0) >= TAUGHT_BATCHES;
  const place = placeUnchecked(plan) ? UNCHECKED_TIMES : taught ? TAUGHT_TIMES : 1;
  const none = STARTER_FACTS[plan.starter.kind].dosing === 'none';
  return {
    'place-cold': place,
    'place-hot': place,
    ...(none ? { 'starter-weak': 0, 'under-dosed': 0, 'too-hot': 0 } : {}),
    ...(state.temperatures.length === 0 ? { 'thermometer-off': 0 } : {}),
  };
}

/** Clues that say nothing of this batch, whoever answers: their words fit another one, or the log says it better. */
function notAsked(state: MakeState, complaint: ComplaintId): ReadonlySet<ClueId> {
  const { inoculatedAtMs, temperatures, chilledAtMs, finished } = state;
  const readWhileSouring = temperatures.some(({ atMs }) => atMs > (inoculatedAtMs ?? Infinity));
  // A thermometer says more than a hand, or than somebody remembers.
  const walked = OF_SOURING.has(complaint) && readWhileSouring;
  const over = chilledAtMs !== null || finished !== null;
  return new Set<ClueId>([
    ...(!warmCulture(state.plan.starter.kind) || walked || (OF_SOURING.has(complaint) && !over)
      ? (['stood'] as const)
      : []),
    ...(walked || over ? (['place-checked'] as const) : []),
    ...(temperatures.length === 0 ? (['ice-check'] as const) : []),
  ]);
}

/** What the log itself says of a complaint's clues. */
function logClues(state: MakeState, nowMs: number): LogClue[] {
  const kinds = new Set(faultyKindsOf(state.plan));
  const at = makeAt(state, nowMs);
  return [
    ...(kinds.has('milk') || kinds.has('curd') || kinds.has('cream') || kinds.has('kefir')
      ? milkLogClues(state, nowMs)
      : []),
    ...(kinds.has('kefir') || kinds.has('cream') ? kefirLogClues(state, nowMs) : []),
    ...(kinds.has('butter') ? churningClues(at) : []),
    ...(kinds.has('curd') ? curdClues(at) : []),
  ];
}

interface Walked {
  readonly worlds: readonly SouringWorld[];
  readonly log: SouringLog;
  readonly lnWorlds: readonly number[];
  readonly lnWalk: ReadonlyMap<Suspect, number>;
  readonly hour: number;
  readonly cues: readonly Cue[];
}

/** The souring in all its worlds, held against the log; `null` where the complaint is of something else. */
function* walked({ state, complaint, nowMs }: WhyQuestion, seed: number): Generator<number, Walked | null> {
  const souring = souringOf(state);
  const zero = state.inoculatedAtMs;
  if (!OF_SOURING.has(complaint) || !souring || !soursToTheEnd(state) || zero === null) return null;
  const random = createRandom(seed);
  const worlds = yield* souringWorlds(state, nowMs, drawMembers(MEMBERS, random));
  if (worlds.length === 0) return null;
  const hour = (Math.min(nowMs, state.chilledAtMs ?? nowMs, state.finished?.atMs ?? nowMs) - zero) / HOUR_MS;
  const { cues } = souring;
  const { denatured } = walkThermal(state, nowMs);
  const log = souringLog(state, denatured, complained(complaint, state, hour, cues));
  const fit = fitOf(worlds, log);
  const { lnWorlds, lnCauses } = fit;
  yield 1;
  const { causes } = COMPLAINTS[complaint];
  const none = lnNone(worlds, log, fit, cues, (cause) => causes[cause] ?? 0, random);
  return { worlds, log, lnWorlds, lnWalk: new Map<Suspect, number>([...lnCauses, [null, none]]), hour, cues };
}

/** How likely each world is, of all worlds and none, by how likely its cause is. */
function worldShares({ worlds, lnWorlds }: Walked, beliefs: readonly CauseShare[]): number[] {
  const of = (cause: Suspect): number => beliefs.find((belief) => belief.cause === cause)?.share ?? 0;
  const own = worlds.map(({ share }, i) => Math.log(share) + lnWorlds[i]!);
  return worlds.map(({ cause }, i) => {
    const peers = worlds.flatMap((world, j) => (world.cause === cause ? [own[j]!] : []));
    const top = Math.max(...peers);
    const all = peers.reduce((sum, ln) => sum + Math.exp(ln - top), 0);
    return of(cause) * (Math.exp(own[i]! - top) / all);
  });
}

/** How far the place is off on average, over the worlds in which it is, K. */
function placeOff({ worlds }: Walked, shares: readonly number[]): number {
  let sum = 0;
  let all = 0;
  for (const [i, { cause, placeOffC = 0 }] of worlds.entries())
    if (cause === 'place-cold') {
      sum += shares[i]! * placeOffC;
      all += shares[i]!;
    }
  return sum / all;
}

/** By how much a clue speaks for a cause rather than for the others, nats. */
function speaks(
  clue: ClueId,
  fits: readonly number[],
  cause: Suspect,
  beliefs: readonly CauseShare[],
): number {
  const others = beliefs.filter((belief) => belief.cause !== cause);
  const rest = others.reduce((sum, { share }) => sum + share, 0);
  if (rest <= 0) return 0;
  const theirs = others.reduce(
    (sum, one) => sum + (one.share / rest) * clueLikelihood(clue, one.cause, fits),
    0,
  );
  return Math.log(clueLikelihood(clue, cause, fits)) - Math.log(theirs);
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** What speaks so little is not told, nats. */
const WORTH_TELLING = 0.3;
const MOST_TOLD = 5;

/**
 * What went wrong with a batch: causes as they are likely by its log, its answers and this kitchen, what would tell most, and
 * what may still be done. A generator, so that a worker may stop between slices: each `yield` tells how far it is, 0..1.
 * Estimates.
 * @throws RangeError for an answer that a clue does not have
 * @example runToEnd(findingWhy({ state, complaint: 'not-set', answers: {}, nowMs })).causes[0].cause // 'place-cold'
 */
export function* findingWhy(question: WhyQuestion): Generator<number, WhyAnswer> {
  const { state, complaint, answers, nowMs, settled } = question;
  const walk = yield* walked(question, hashSeed(`${state.id} why`));
  const asked = new Set(cluesOf(complaint));
  const fromLog = logClues(state, nowMs).filter(({ clue }) => asked.has(clue));
  const churned = complaint === 'no-butter' ? churningLog(makeAt(state, nowMs)) : null;
  const lnWalk = walk?.lnWalk ?? (churned ? churnSuspects(churned) : new Map<Suspect, number>());
  const known = new Map<ClueId, readonly number[]>();
  for (const { clue, fits } of fromLog)
    // A walk has held the readings of heat against every cause already.
    if (!(churned && clue === 'churned-at') && !(walk && clue === 'stood')) known.set(clue, fits);
  for (const [clue, answer] of Object.entries(answers) as [ClueId, number][])
    if (asked.has(clue)) known.set(clue, answered(clue, answer));
  const priors = priorsOf(complaint, { times: movesOf(state), ...(settled ? { settled } : {}) });
  const beliefs = weigh(priors, lnWalk, known);
  const shares = walk ? worldShares(walk, beliefs) : [];
  const skipped = notAsked(state, complaint);
  const said = new Set([...known.keys(), ...(churned?.startC != null ? (['churned-at'] as const) : [])]);
  const questions = whatWouldTell(complaint, beliefs, new Map([...said].map((clue) => [clue, []]))).filter(
    ({ clue }) => !skipped.has(clue),
  );
  const still = walk !== null && state.chilledAtMs === null && state.finished === null;
  const readings = still
    ? readingsTell(
        beliefs,
        walk.worlds,
        shares,
        walk.worlds.map((world) => lnAcid(world, walk.log)),
        { hour: walk.hour, cues: walk.cues, denatured: walk.log.denatured },
      ).filter(({ reading }) => !justRead(state, reading, nowMs))
    : [];
  const best = [...questions, ...readings].sort((a, b) => b.bits - a.bits)[0];
  const safety =
    souringOf(state) && state.finished === null
      ? safetyOf(state, pointForecast(state, nowMs).temperature, nowMs, null)
      : null;
  const rescues =
    still && safety?.verdict !== 'over'
      ? yield* rescuing(state, walk.worlds, shares, walk.log, nowMs, safety?.limitAtMs ?? null)
      : [];
  return {
    causes: beliefs.map((belief) => ({
      ...belief,
      evidence: [
        ...(walk && belief.cause !== null ? readingEvidence(walk, shares, belief.cause) : []),
        ...(churned && belief.cause !== null ? churnEvidence(churned, belief.cause) : []),
        ...fromLog
          .filter(({ clue }) => answers[clue] === undefined)
          .map(({ clue, fits, said: words }): Evidence => ({
            words,
            atMs: null,
            nats: speaks(clue, fits, belief.cause, beliefs),
          })),
        ...(Object.entries(answers) as [ClueId, number][])
          .filter(([clue]) => asked.has(clue))
          .map(([clue, answer]): Evidence => ({
            words: `${CLUES[clue].asks} ${capital(CLUES[clue].answers[answer]!)}.`,
            atMs: null,
            nats: speaks(clue, answered(clue, answer), belief.cause, beliefs),
          })),
      ]
        .filter(({ nats }) => Math.abs(nats) >= WORTH_TELLING)
        .sort((a, b) => Math.abs(b.nats) - Math.abs(a.nats))
        .slice(0, MOST_TOLD),
    })),
    ask: best && best.bits >= WORTH_ASKING_BITS ? best : null,
    rescues,
    placeOffC: walk && beliefs[0]?.cause === 'place-cold' ? placeOff(walk, shares) : null,
    safety,
  };
}

/** Read so lately that reading it again tells nothing, ms. */
const LATELY_MS = 0.25 * HOUR_MS;
function justRead(state: MakeState, reading: ReadingTells['reading'], nowMs: number): boolean {
  const lately = ({ atMs }: { readonly atMs: number }): boolean => nowMs - atMs < LATELY_MS;
  if (reading === 'temperature') return state.temperatures.some(lately);
  return state.acidity.some((entry) => lately(entry) && entry.reading.kind === reading);
}

import {
  makeAt,
  pointForecast,
  safetyOf,
  souringOf,
  type MakeState,
  type SafetyState,
} from '../make/index.ts';
import {
  answered,
  clueLikelihood,
  CLUES,
  cluesOf,
  priorsOf,
  weigh,
  whatWouldTell,
  WORTH_ASKING_BITS,
  type CauseShare,
  type ClueId,
  type ComplaintId,
  type Suspect,
  type Telling,
} from '../science/causes/index.ts';
import { HOUR_MS, capital } from '../science/units/index.ts';
import { churningLog } from '../steps/index.ts';
import { logClues, movesOf, notAsked } from './batch-clues.ts';
import { churnEvidence, churnSuspects } from './churning-fit.ts';
import { readingEvidence, type Evidence } from './evidence.ts';
import { readingsTell, type ReadingTells } from './readings.ts';
import { rescuing, type Rescue } from './rescues.ts';
import { lnAcid } from './souring-fit.ts';
import { placeOff, walked, worldShares } from './walked.ts';

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
  /** The safety clock, of a batch that is over too; `null` where nothing sours. */
  readonly safety: SafetyState | null;
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

/** The same members for every batch: two that were made alike are told alike. */
const SEED = 20;

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
  const walk = yield* walked(question, SEED);
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
  const skipped = notAsked(state, complaint, nowMs);
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
  const safety = souringOf(state)
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
          .filter(({ clue }) => answers[clue] === undefined && known.has(clue))
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

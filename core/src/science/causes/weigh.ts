import type { CauseId } from './causes.ts';
import { CLUE_IDS, CLUES, type ClueId } from './clues.ts';
import { COMPLAINTS, type ComplaintId } from './complaints.ts';

/** A cause, or `null`: none of those known. */
export type Suspect = CauseId | null;

/** How likely each suspect is; shares add up to 1. */
export interface CauseShare {
  readonly cause: Suspect;
  readonly share: number;
}

/** What is known of a clue: how well it goes with each of its answers, 0..1 each. An answer given is 1 for itself and 0 for the rest. */
export type Known = ReadonlyMap<ClueId, readonly number[]>;

/** Before anything is known: none of the known causes. */
export const NONE_PRIOR = 0.05;
/** Finished diagnoses of a kitchen count against so many that the priors stand for. */
const PSEUDO_COUNTS = 20;

/** What moves the priors of a complaint. */
export interface PriorMoves {
  /** Times as likely as in general, by cause. */
  readonly times?: Readonly<Partial<Record<CauseId, number>>>;
  /** What earlier complaints of this kind turned out to be in this kitchen. */
  readonly settled?: readonly Suspect[];
}

/**
 * How likely each suspect is before anything is known of the batch.
 * @returns the causes of the complaint, then none of them; adds up to 1
 * @example priorsOf('skin', {}).map(({ cause }) => cause) // ['lid-off', 'hard-heating', null]
 */
export function priorsOf(complaint: ComplaintId, { times = {}, settled = [] }: PriorMoves): CauseShare[] {
  const listed = Object.entries(COMPLAINTS[complaint].causes) as [CauseId, number][];
  const moved = listed.map(([cause, prior]): readonly [CauseId, number] => [
    cause,
    prior * (times[cause] ?? 1),
  ]);
  const all = moved.reduce((sum, [, prior]) => sum + prior, 0);
  const counted = (cause: Suspect, share: number): CauseShare => ({
    cause,
    share:
      (PSEUDO_COUNTS * share + settled.filter((one) => one === cause).length) /
      (PSEUDO_COUNTS + settled.length),
  });
  const beliefs = [
    ...moved.map(([cause, prior]) => counted(cause, ((1 - NONE_PRIOR) * prior) / all)),
    counted(null, NONE_PRIOR),
  ];
  // What was settled as something this complaint does not list moves nothing.
  const total = beliefs.reduce((sum, { share }) => sum + share, 0);
  return beliefs.map((belief) => ({ ...belief, share: belief.share / total }));
}

/** How often each answer is given where a suspect is at work. A cause nobody knows leaves every clue as usual. */
export const answersOf = (clue: ClueId, cause: Suspect): readonly number[] =>
  (cause === null ? undefined : CLUES[clue].tells[cause]) ?? CLUES[clue].usual;

/** How well what is known of a clue goes with a suspect. */
export const clueLikelihood = (clue: ClueId, cause: Suspect, known: readonly number[]): number =>
  answersOf(clue, cause).reduce((sum, share, i) => sum + share * (known[i] ?? 0), 0);

/**
 * How likely each suspect is with what is known.
 * @param lnWalk ln likelihood of the log's readings where each suspect is at work; left out, 0
 * @example weigh(priorsOf('thin', {}), new Map(), new Map([['heated', [1, 0, 0]]]))[0].cause // 'unheated'
 */
export function weigh(
  priors: readonly CauseShare[],
  lnWalk: ReadonlyMap<Suspect, number>,
  known: Known,
): CauseShare[] {
  const ln = priors.map(
    ({ cause, share }) =>
      Math.log(share) +
      (lnWalk.get(cause) ?? 0) +
      [...known].reduce((sum, [clue, fits]) => sum + Math.log(clueLikelihood(clue, cause, fits)), 0),
  );
  const top = Math.max(...ln);
  const weights = ln.map((value) => Math.exp(value - top));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return priors
    .map(({ cause }, i) => ({ cause, share: weights[i]! / total }))
    .sort((a, b) => b.share - a.share);
}

/** Bits that are missing to certainty. */
export const entropyBits = (shares: readonly number[]): number =>
  shares.reduce((sum, share) => (share > 0 ? sum - share * Math.log2(share) : sum), 0);

/** A question, and what its answer is expected to tell. */
export interface Telling {
  readonly clue: ClueId;
  readonly bits: number;
}

/** Less than this is not worth a question, bits. */
export const WORTH_ASKING_BITS = 0.1;

/** Bits that an observation is expected to tell. @param answersBy how often each outcome is seen, for each belief in turn */
export function expectedBits(
  beliefs: readonly CauseShare[],
  answersBy: readonly (readonly number[])[],
): number {
  const before = entropyBits(beliefs.map(({ share }) => share));
  const outcomes = answersBy[0]?.length ?? 0;
  let after = 0;
  for (let a = 0; a < outcomes; a++) {
    const joint = beliefs.map(({ share }, i) => share * answersBy[i]![a]!);
    const chance = joint.reduce((sum, value) => sum + value, 0);
    if (chance > 0) after += chance * entropyBits(joint.map((value) => value / chance));
  }
  return before - after;
}

/** The clues that have something to say of a complaint. */
export const cluesOf = (complaint: ComplaintId): readonly ClueId[] =>
  CLUE_IDS.filter((clue) =>
    Object.keys(COMPLAINTS[complaint].causes).some(
      (cause) => CLUES[clue].tells[cause as CauseId] !== undefined,
    ),
  );

/** What would tell most, the best first; only what is worth asking. */
export function whatWouldTell(
  complaint: ComplaintId,
  beliefs: readonly CauseShare[],
  known: Known,
): Telling[] {
  return cluesOf(complaint)
    .filter((clue) => !known.has(clue))
    .map((clue) => ({
      clue,
      bits: expectedBits(
        beliefs,
        beliefs.map(({ cause }) => answersOf(clue, cause)),
      ),
    }))
    .filter(({ bits }) => bits >= WORTH_ASKING_BITS)
    .sort((a, b) => b.bits - a.bits);
}

/** An answer as it is known: 1 for itself, 0 for the rest. @throws RangeError for an answer the clue does not have */
export function answered(clue: ClueId, answer: number): readonly number[] {
  const { answers } = CLUES[clue];
  if (!Number.isInteger(answer) || answer < 0 || answer >= answers.length)
    throw new RangeError(`${clue} has no answer ${answer}`);
  return answers.map((_, i) => (i === answer ? 1 : 0));
}

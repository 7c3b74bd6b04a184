import { numbered, type NumberedDay } from './numbered.ts';
import { riskOf } from './exposure.ts';
import { outsideOf, type DayProblem, type DaySlot, type Timetable } from './problem.ts';
import type { Score } from './score.ts';

/** How often a task may pull along what is before it, before the sequence is given up: it would go on without end. */
const MOST_PULLS = 40;
/** The same where one of thousands of sequences is tried, from times that are nearly right. */
const MOST_PULLS_KNOWN = 3;

/**
 * Times sequences of tasks: in the order in which hands are given, each as early as its lags, hands and things let it. A
 * sequence may lack the last tasks of a make; what is then found is the least there can be however they are put in.
 */
export interface SequenceTimer {
  readonly day: NumberedDay;
  /** Start of each task as last timed, min. */
  readonly at: Float64Array;
  /** Who a task is to fall to, though others have hands sooner; -1 whoever has. To be written by whoever searches. */
  readonly given: Int32Array;
  /** When a task is due as last timed: what must pass after the one before it has passed, min. */
  dueOf(task: number): number;
  /** The sequence a timetable is in. */
  sequenceOf(slots: readonly DaySlot[]): number[];
  /**
   * Times a sequence so that nothing that may not wait waits.
   * @param limit what ends later is no use, min
   * @param known when the same sequence without what now stands from a place on began: nothing can begin sooner with more to do,
   * which saves most of the work where one cook does it all; what has just come in is in `soonest` as early as it may ever begin
   * @returns `null` when there is no such way
   */
  timed(
    sequence: readonly number[],
    limit: number,
    known?: { readonly soonest: Float64Array; readonly place: number },
  ): Score | null;
  /**
   * Times it, come what may: minutes by which what may not wait does wait.
   * @param putOff the minute each task is not to begin before, though it could: so what comes after it is due later
   * @returns `null` when not even that: nobody is there for it
   */
  forced(
    sequence: readonly number[],
    putOff: Float64Array,
  ): { readonly broken: number; readonly score: Score } | null;
  /** Minutes by which a task waits longer than it may, as last timed. */
  brokenOf(task: number): number;
  /** What was timed last, whole. */
  slots(): DaySlot[];
}

/**
 * Prepares a day for timing sequences. The times are the least that keep everything at once: found by putting off what is
 * too early until nothing is, which is right because nothing is ever too late to be put off further but by the limit and by
 * what is fixed.
 * @param notBefore the minute a task is not to begin before, though it could
 */
export function createSequenceTimer(
  problem: DayProblem,
  notBefore: (make: string, task: string) => number = () => 0,
): SequenceTimer {
  const day = numbered(problem, notBefore);
  const { tasks, count, before, next, minutes, after, slack, fixed, underWay } = day;
  const { least, latest, tail, by, ownBy, who, cooks, many, holds, there, exposed } = day;
  const alone = cooks === 1;
  const { session } = problem;
  /** Which tasks go on holding it from the task before, so that nothing is given back between. */
  const holdsOn = holds.map((own, i) => own.filter((t) => before[i]! >= 0 && holds[before[i]!]!.includes(t)));

  const at = new Float64Array(count);
  const given = new Int32Array(count).fill(-1);
  const cookOf = new Int32Array(count);
  /** When each cook is free again before each place of the sequence, and what they did last; of place `p`, from `p × cooks` on. */
  const freeAt = new Float64Array((count + 1) * cooks);
  /** No sooner than this, because what may not wait pulled it along. */
  const floor = new Float64Array(count);
  const placeOf = new Int32Array(count);
  const pulls = new Int32Array(count);
  /** From the beginning of a task to the end of all that comes after it at the very soonest. */
  const toCome = new Float64Array(count);
  const present = new Uint8Array(count);
  /** A task must not take each of its things before these let go of it; -1 nobody has it. */
  const giver = holds.map((own) => new Int32Array(own.length));
  /** Who had each of a thing last. */
  const had: number[][] = many.map(() => []);

  /** One task takes what it holds. @param place when, in the sequence; @returns `false` when it cannot be had by then */
  const take = (i: number, place: number): boolean => {
    const own = holds[i]!;
    for (let n = 0; n < own.length; n++) {
      const thing = own[n]!;
      giver[i]![n] = -1;
      const users = had[thing]!;
      if (holdsOn[i]!.includes(thing)) {
        const same = users.indexOf(before[i]!);
        if (same >= 0) {
          users[same] = i;
          continue;
        }
      }
      if (users.length < many[thing]!) {
        users.push(i);
        continue;
      }
      // The one that is given back first.
      let first = 0;
      for (let u = 1; u < users.length; u++) if (placeOf[users[u]!]! < placeOf[users[first]!]!) first = u;
      if (users.length === 0 || placeOf[users[first]!]! >= place) return false;
      giver[i]![n] = users[first]!;
      users[first] = i;
    }
    return true;
  };

  const giveThings = (sequence: readonly number[]): boolean => {
    present.fill(0);
    for (const users of had) users.length = 0;
    for (let p = 0; p < sequence.length; p++) {
      placeOf[sequence[p]!] = p;
      present[sequence[p]!] = 1;
    }
    // What is under way has what it has, though it were one more than there are.
    for (const i of sequence)
      if (underWay[i] && !take(i, -1)) for (const thing of holds[i]!) had[thing]!.push(i);
    for (let p = 0; p < sequence.length; p++) {
      const i = sequence[p]!;
      if (before[i]! < 0 && !underWay[i] && holds[i]!.length > 0 && !take(i, p)) return false;
      const then = next[i]!;
      // What comes after it takes what it holds as soon as this one is over.
      if (then >= 0 && holds[then]!.length > 0 && present[then] && !take(then, p + 0.5)) return false;
    }
    return true;
  };

  /** When all that a task takes is given back by who had it, at the soonest `from`. */
  const freeAfter = (i: number, from: number): number => {
    const givers = giver[i]!;
    let soonest = from;
    for (let n = 0; n < givers.length; n++) {
      const g = givers[n]!;
      if (g < 0) continue;
      const free = at[g]! + minutes[g]!;
      if (free > soonest) soonest = free;
    }
    return soonest;
  };

  /** When a task that can be done from then on really is, and by whom: whoever has hands first. @param p its place */
  const giveHands = (i: number, from: number, p: number): number => {
    const own = p * cooks;
    let best = -1;
    let bestAt = Number.POSITIVE_INFINITY;
    const same = before[i]! < 0 ? -1 : cookOf[before[i]!]!;
    for (let c = 0; c < cooks; c++) {
      if ((who[i]! >= 0 && who[i] !== c) || (given[i]! >= 0 && given[i] !== c)) continue;
      const free = freeAt[own + c]!;
      const when = there(c, free > from ? free : from, i);
      // Of two who are free as soon, the one who is at this batch already; else the one who has had nothing to do for longer.
      const isRather = c === same || (best !== same && best >= 0 && free < freeAt[own + best]!);
      if (when < bestAt || (when === bestAt && isRather)) {
        bestAt = when;
        best = c;
      }
    }
    for (let c = 0; c < cooks; c++)
      freeAt[own + cooks + c] = c === best ? bestAt + minutes[i]! : freeAt[own + c]!;
    cookOf[i] = best;
    return bestAt;
  };

  /**
   * The least times: from the first to the last of the sequence, and back to what is pulled along by what may not wait. Who does
   * what is chosen at each place as it comes: whoever is asleep by the time it really is gets nothing.
   * @param lags whether what may not wait pulls what is before it along
   * @returns `false` when that leads nowhere
   */
  const settle = (
    sequence: readonly number[],
    limit: number,
    lags: boolean,
    soonest: Float64Array = least,
    place = 0,
    most = MOST_PULLS,
  ): boolean => {
    const long = sequence.length;
    for (let p = 0; p < long; p++) at[sequence[p]!] = floor[sequence[p]!] = soonest[sequence[p]!]!;
    pulls.fill(0);
    let left = 0;
    for (let p = long - 1; p >= 0; p--) {
      left += minutes[sequence[p]!]!;
      // One cook does all that comes after it in the sequence after it.
      toCome[sequence[p]!] = alone
        ? Math.max(left, minutes[sequence[p]!]! + tail[sequence[p]!]!)
        : minutes[sequence[p]!]! + tail[sequence[p]!]!;
    }
    freeAt.fill(0, 0, cooks);
    if (place > 0) freeAt[place] = at[sequence[place - 1]!]! + minutes[sequence[place - 1]!]!;
    for (let p = place; p < long; p++) {
      const i = sequence[p]!;
      const b = before[i]!;
      let from = floor[i]!;
      if (b >= 0) {
        const due = at[b]! + minutes[b]! + after[i]!;
        if (due > from) from = due;
      } else from = freeAfter(i, from);
      // When it is over the next of its make takes what that holds: it ends no sooner than that is given back.
      const then = next[i]!;
      if (then >= 0 && present[then]) from = freeAfter(then, from + minutes[i]!) - minutes[i]!;
      from = giveHands(i, from, p);
      if (from + toCome[i]! > limit) return false;
      if (lags && ((fixed[i]! >= 0 && from > fixed[i]!) || from > latest[i]!)) return false;
      at[i] = from;
      if (b < 0 || !lags) continue;
      const notSooner = from - slack[i]! - after[i]! - minutes[b]!;
      if (at[b]! < notSooner) {
        if (++pulls[i]! > most) return false;
        floor[b] = notSooner;
        // Back to it: all that is between may have to move with it.
        p = placeOf[b]! - 1;
        // What was timed before where this begins has been left as it was.
        if (p < place - 1 && p >= 0) freeAt[(p + 1) * cooks] = at[sequence[p]!]! + minutes[sequence[p]!]!;
      }
    }
    return true;
  };

  const brokenOf = (i: number): number => {
    const b = before[i]!;
    const last = b < 0 ? latest[i]! : at[b]! + minutes[b]! + after[i]! + slack[i]!;
    return Math.max(0, at[i]! - last) + (fixed[i]! >= 0 ? at[i]! - fixed[i]! : 0);
  };

  const score = (sequence: readonly number[]): Score => {
    let finish = 0;
    let late = 0;
    let sum = 0;
    let outside = 0;
    let chances = 0;
    for (const i of sequence) {
      const own = exposed[i];
      const b = before[i]!;
      if (own && b >= 0) chances += own(at[b]! + minutes[b]! + after[i]!);
      if (session) outside += outsideOf(session, at[i]!, minutes[i]!);
      const over = at[i]! + minutes[i]!;
      if (over > ownBy[i]!) late += over - ownBy[i]!;
      const then = next[i]!;
      if (then >= 0 && present[then]) continue;
      const end = over + tail[i]!;
      if (end > finish) finish = end;
      sum += end;
      if (end > by[i]!) late += end - by[i]!;
    }
    return { finish, late, sum, outside, risk: riskOf(chances) };
  };

  return {
    day,
    at,
    given,
    dueOf: (i) => (before[i]! < 0 ? least[i]! : at[before[i]!]! + minutes[before[i]!]! + after[i]!),
    sequenceOf: (slots) =>
      [...slots]
        // By their ends: with several cooks what is begun sooner may be over later, and only then gives back what it holds.
        .sort((a, b) => a.to - b.to || b.from - a.from)
        .map(({ make, task }) => day.numberOf(make, task)),
    timed(sequence, limit, known) {
      if (!giveThings(sequence)) return null;
      const until = Math.min(limit, problem.horizon);
      const settled =
        alone && known
          ? settle(sequence, until, true, known.soonest, known.place, MOST_PULLS_KNOWN)
          : settle(sequence, until, true);
      return settled ? score(sequence) : null;
    },
    forced(sequence, putOff) {
      if (!giveThings(sequence)) return null;
      const soonest = least.map((minute, i) => Math.max(minute, putOff[i]!));
      if (!settle(sequence, problem.horizon, false, soonest)) return null;
      let broken = 0;
      for (const i of sequence) broken += brokenOf(i);
      return { broken, score: score(sequence) };
    },
    brokenOf,
    slots: () =>
      tasks.map(({ make, task }, i) => ({
        make: make.id,
        task: task.id,
        from: at[i]!,
        to: at[i]! + minutes[i]!,
        cook: problem.cooks[cookOf[i]!]!.id,
      })),
  };
}

/** A timetable of what a timer timed last. */
export const timetableOf = (timer: SequenceTimer, score: Score): Timetable => ({
  slots: timer.slots(),
  ...score,
});

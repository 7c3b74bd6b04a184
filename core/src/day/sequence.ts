import type { DayProblem, DaySlot, Timetable } from './problem.ts';

/** How good what was timed is: fewer minutes late, then an earlier finish, then makes done sooner. */
export interface Score {
  readonly late: number;
  readonly finish: number;
  readonly sum: number;
}

/** Compares two; negative when the first is better. */
export const compareScores = (a: Score, b: Score): number =>
  a.late - b.late || a.finish - b.finish || a.sum - b.sum;

/**
 * Times sequences of tasks: in the order in which hands are given, each as early as its lags, hands and things let it. A
 * sequence may lack the last tasks of a make; what is then found is the least there can be however they are put in.
 */
export interface SequenceTimer {
  readonly count: number;
  /** Tasks of each make, by number, in order. */
  readonly tasksOf: readonly (readonly number[])[];
  /** Start of each task as last timed, min. */
  readonly at: Float64Array;
  readonly minutes: Int32Array;
  /** When a task is due as last timed: what must pass after the one before it has passed, min. */
  dueOf(task: number): number;
  /** The sequence a timetable is in. */
  sequenceOf(slots: readonly DaySlot[]): number[];
  /**
   * Times a sequence so that nothing that may not wait waits.
   * @param limit what ends later is no use, min
   * @returns `null` when there is no such way
   */
  timed(sequence: readonly number[], limit: number): Score | null;
  /** Times it, come what may: minutes by which what may not wait does wait; `null` when not even that. */
  forced(sequence: readonly number[]): { readonly broken: number; readonly score: Score } | null;
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
  const tasks = problem.makes.flatMap((make, m) => make.tasks.map((task, k) => ({ make, m, task, k })));
  const count = tasks.length;
  const numberOf = new Map(tasks.map(({ make, task }, i) => [`${make.id} ${task.id}`, i]));
  const before = Int32Array.from(tasks, ({ k }, i) => (k === 0 ? -1 : i - 1));
  const next = Int32Array.from(tasks, ({ make, k }, i) => (k + 1 < make.tasks.length ? i + 1 : -1));
  const minutes = Int32Array.from(tasks, ({ task }) => task.minutes);
  const after = Int32Array.from(tasks, ({ task }) => task.after);
  const slack = Float64Array.from(tasks, ({ task }) => task.slack);
  const fixed = tasks.map(({ make, task }) => make.fixed[task.id] ?? -1);
  /** What a make that is under way holds, it holds from the beginning. */
  const underWay = tasks.map(({ make, k }) => k === 0 && make.underWay === true);
  /** The latest start of the first task of what is under way; others may wait as long as anybody likes. */
  const latest = Float64Array.from(tasks, ({ make, task }, i) =>
    underWay[i] ? make.from + task.after + task.slack : Number.POSITIVE_INFINITY,
  );
  const least = Float64Array.from(tasks, ({ make, task, k }, i) =>
    Math.max(k === 0 ? make.from + task.after : 0, fixed[i]!, notBefore(make.id, task.id)),
  );
  /** From the end of a task to that of its make at the very soonest. */
  const tail = new Float64Array(count);
  for (let i = count - 1; i >= 0; i--)
    if (next[i]! >= 0) tail[i] = after[next[i]!]! + minutes[next[i]!]! + tail[next[i]!]!;
  const by = Float64Array.from(tasks, ({ make }) => make.by ?? Number.POSITIVE_INFINITY);
  /** From, to, from, to, … of each cook. */
  const frees = problem.cooks.map(({ free }) => Float64Array.from(free.flat()));
  const who = Int32Array.from(tasks, ({ task }) =>
    task.who === null || task.who === undefined ? -1 : problem.cooks.findIndex(({ id }) => id === task.who),
  );
  const things = Object.keys(problem.things);
  const many = things.map((thing) => problem.things[thing]!);
  const holds = tasks.map(({ task }) =>
    task.holds.map((thing) => things.indexOf(thing)).filter((thing) => thing >= 0),
  );
  /** Which tasks go on holding it from the task before, so that nothing is given back between. */
  const holdsOn = holds.map((own, i) => own.filter((t) => before[i]! >= 0 && holds[before[i]!]!.includes(t)));

  const at = new Float64Array(count);
  const cookOf = new Int32Array(count);
  const handsBefore = new Int32Array(count);
  const placeOf = new Int32Array(count);
  const present = new Uint8Array(count);
  /** A task must not take each of its things before these let go of it; -1 nobody has it. */
  const giver = holds.map((own) => new Int32Array(own.length));
  const freeAt = new Float64Array(frees.length);
  const lastOf = new Int32Array(frees.length);
  /** Who had each of a thing last. */
  const had: number[][] = things.map(() => []);

  const there = (cook: number, from: number, long: number): number => {
    const spans = frees[cook]!;
    for (let n = 0; n < spans.length; n += 2) {
      const start = spans[n]! > from ? spans[n]! : from;
      if (start + long <= spans[n + 1]!) return start;
    }
    return Number.POSITIVE_INFINITY;
  };

  /** Says which cook does what, each who has hands first. */
  const giveHands = (sequence: readonly number[]): boolean => {
    freeAt.fill(0);
    lastOf.fill(-1);
    for (const i of sequence) {
      const b = before[i]!;
      const from = b < 0 ? least[i]! : Math.max(least[i]!, at[b]! + minutes[b]! + after[i]!);
      let best = -1;
      let bestAt = Number.POSITIVE_INFINITY;
      for (let c = 0; c < frees.length; c++) {
        if (who[i]! >= 0 && who[i] !== c) continue;
        const when = there(c, Math.max(from, freeAt[c]!), minutes[i]!);
        // Of two who are free as soon, the one who has had nothing to do for longer: hands are spread.
        if (when < bestAt || (when === bestAt && best >= 0 && freeAt[c]! < freeAt[best]!)) {
          bestAt = when;
          best = c;
        }
      }
      if (best < 0) return false;
      at[i] = bestAt;
      cookOf[i] = best;
      handsBefore[i] = lastOf[best]!;
      lastOf[best] = i;
      freeAt[best] = bestAt + minutes[i]!;
    }
    return true;
  };

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
    for (const i of sequence) if (underWay[i] && !take(i, -1)) return false;
    for (let p = 0; p < sequence.length; p++) {
      const i = sequence[p]!;
      if (before[i]! < 0 && !underWay[i] && !take(i, p)) return false;
      const then = next[i]!;
      // What comes after it takes what it holds as soon as this one is over.
      if (then >= 0 && present[then] && !take(then, p + 0.5)) return false;
    }
    return true;
  };

  /** The least times. @param lags whether what may not wait pulls what is before it along; @returns `false` when that leads nowhere */
  const settle = (sequence: readonly number[], limit: number, lags: boolean): boolean => {
    const long = sequence.length;
    for (let p = 0; p < long; p++) at[sequence[p]!] = least[sequence[p]!]!;
    for (let changed = true, rounds = 0; changed; rounds++) {
      if (rounds > 2 * count + 8) return false;
      changed = false;
      for (let p = 0; p < long; p++) {
        const i = sequence[p]!;
        const b = before[i]!;
        const h = handsBefore[i]!;
        let from = at[i]!;
        if (b >= 0) {
          const due = at[b]! + minutes[b]! + after[i]!;
          if (due > from) from = due;
        }
        if (h >= 0) {
          const free = at[h]! + minutes[h]!;
          if (free > from) from = free;
        }
        const givers = giver[i]!;
        for (let n = 0; n < givers.length; n++) {
          const g = givers[n]!;
          if (g < 0) continue;
          const free = at[g]! + minutes[g]!;
          // A first task takes it when it begins, any other when the one before is over.
          if (b < 0) {
            if (free > from) from = free;
          } else if (at[b]! + minutes[b]! < free) {
            at[b] = free - minutes[b]!;
            changed = true;
          }
        }
        from = there(cookOf[i]!, from, minutes[i]!);
        if (from + minutes[i]! + tail[i]! > limit) return false;
        if (lags && ((fixed[i]! >= 0 && from > fixed[i]!) || from > latest[i]!)) return false;
        if (from > at[i]!) {
          at[i] = from;
          changed = true;
        }
        if (b < 0 || !lags) continue;
        const soonest = from - slack[i]! - after[i]! - minutes[b]!;
        if (at[b]! < soonest) {
          at[b] = soonest;
          changed = true;
        }
      }
    }
    return true;
  };

  const score = (sequence: readonly number[]): Score => {
    let finish = 0;
    let late = 0;
    let sum = 0;
    for (const i of sequence) {
      const then = next[i]!;
      if (then >= 0 && present[then]) continue;
      const end = at[i]! + minutes[i]! + tail[i]!;
      if (end > finish) finish = end;
      sum += end;
      if (end > by[i]!) late += end - by[i]!;
    }
    return { finish, late, sum };
  };

  const tasksOf: number[][] = problem.makes.map(() => []);
  for (const [i, { m }] of tasks.entries()) tasksOf[m]!.push(i);

  return {
    count,
    tasksOf,
    at,
    minutes,
    dueOf: (i) => (before[i]! < 0 ? least[i]! : at[before[i]!]! + minutes[before[i]!]! + after[i]!),
    sequenceOf: (slots) =>
      [...slots]
        .sort((a, b) => a.from - b.from || a.to - b.to)
        .map(({ make, task }) => numberOf.get(`${make} ${task}`)!),
    timed(sequence, limit) {
      if (!giveHands(sequence) || !giveThings(sequence)) return null;
      return settle(sequence, Math.min(limit, problem.horizon), true) ? score(sequence) : null;
    },
    forced(sequence) {
      if (!giveHands(sequence) || !giveThings(sequence)) return null;
      if (settle(sequence, problem.horizon, true)) return { broken: 0, score: score(sequence) };
      if (!settle(sequence, problem.horizon, false)) return null;
      let broken = 0;
      for (const i of sequence) {
        const b = before[i]!;
        const last = b < 0 ? latest[i]! : at[b]! + minutes[b]! + after[i]! + slack[i]!;
        broken += Math.max(0, at[i]! - last) + (fixed[i]! >= 0 ? at[i]! - fixed[i]! : 0);
      }
      return { broken, score: score(sequence) };
    },
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
export const timetableOf = (timer: SequenceTimer, { late, finish, sum }: Score): Timetable => ({
  slots: timer.slots(),
  late,
  finish,
  sum,
});

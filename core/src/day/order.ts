import type { DayProblem, DaySlot, Timetable } from './problem.ts';

/** A task by its number among all of the day's. */
type TaskNo = number;

/** Times an order of all tasks: each as early as the order, its lags, hands and things let it. */
export interface OrderTimer {
  readonly count: number;
  /** Number of the task before in its make; -1 of a first one. */
  readonly before: Int32Array;
  /** Number of the make of each. */
  readonly makeOf: Int32Array;
  /** The order a timetable is in. */
  orderOf(timetable: Timetable): TaskNo[];
  /** @returns `null` when there are not the hours or the things for it */
  timed(order: readonly TaskNo[]): Timed | null;
}

/** A timetable of an order; where it cannot keep what may not wait, by how many minutes it does not. */
type Timed = Timetable & { readonly broken: number };

/**
 * Prepares a day for timing orders of its tasks. The times of an order are the least that keep everything at once: found by
 * putting off what is too early until nothing is, which is right because nothing is ever too late to be put off further but
 * by the horizon and by what is fixed.
 */
export function createOrderTimer(problem: DayProblem): OrderTimer {
  const tasks = problem.makes.flatMap((make) => make.tasks.map((task, k) => ({ make, task, k })));
  const count = tasks.length;
  const numberOf = new Map(tasks.map(({ make, task }, i) => [`${make.id} ${task.id}`, i]));
  const before = Int32Array.from(tasks, ({ k }, i) => (k === 0 ? -1 : i - 1));
  const minutes = Int32Array.from(tasks, ({ task }) => task.minutes);
  const least = Int32Array.from(tasks, ({ make, task, k }) =>
    Math.max(k === 0 ? make.from + task.after : 0, make.fixed[task.id] ?? 0),
  );
  const fixed = tasks.map(({ make, task }) => make.fixed[task.id] ?? null);
  const slack = Float64Array.from(tasks, ({ task }) => task.slack);
  const after = Int32Array.from(tasks, ({ task }) => task.after);
  const frees = problem.cooks.map(({ free }) => free);
  const holds = tasks.map(({ task }) => task.holds.filter((thing) => problem.things[thing] !== undefined));
  const things = Object.keys(problem.things);

  const at = new Float64Array(count);
  const cookOf = new Int32Array(count);
  const handsBefore = new Int32Array(count);
  /** A task must not end before these let go of what it holds from then on. */
  const waitsFor: TaskNo[][] = tasks.map(() => []);
  const place = new Int32Array(count);

  const there = (cook: number, from: number, long: number): number => {
    for (const [begin, end] of frees[cook]!) {
      const start = begin > from ? begin : from;
      if (start + long <= end) return start;
    }
    return Number.POSITIVE_INFINITY;
  };

  /** Says which cook does what, in the order, each who has hands first. */
  const giveHands = (order: readonly TaskNo[]): boolean => {
    const freeAt = frees.map(() => 0);
    const lastOf = frees.map(() => -1);
    for (const i of order) {
      const b = before[i]!;
      let from = least[i]!;
      if (b >= 0) from = Math.max(from, at[b]! + minutes[b]! + after[i]!);
      let best = -1;
      let bestAt = Number.POSITIVE_INFINITY;
      for (let c = 0; c < frees.length; c++) {
        const when = there(c, Math.max(from, freeAt[c]!), minutes[i]!);
        if (when < bestAt) {
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

  /** Which of several of a thing each gets, in the order they are taken, and whom it must wait for. */
  const giveThings = (order: readonly TaskNo[]): boolean => {
    for (const [i, waits] of waitsFor.entries()) {
      waits.length = 0;
      place[i] = 0;
    }
    order.forEach((i, p) => (place[i] = p));
    for (const thing of things) {
      const many = problem.things[thing]!;
      // It is taken when the task before is over: in the order of those, first ones as they begin.
      const takers = order.filter((i) => holds[i]!.includes(thing)).sort((a, b) => taken(a) - taken(b));
      /** Who had each of them last. */
      const last: TaskNo[] = [];
      for (const i of takers) {
        const b = before[i]!;
        // Held on from the task before: nothing is given back between.
        const own = b < 0 ? -1 : last.indexOf(b);
        if (own >= 0) {
          last[own] = i;
          continue;
        }
        if (last.length < many) {
          last.push(i);
          continue;
        }
        // The one that is given back first.
        let first = 0;
        for (let u = 1; u < last.length; u++) if (place[last[u]!]! < place[last[first]!]!) first = u;
        const giver = last[first]!;
        if (place[giver]! >= taken(i)) return false;
        waitsFor[i]!.push(giver);
        last[first] = i;
      }
    }
    return true;
  };
  /**
   * The least times that keep the order. @param lags whether what may not wait pulls what is before it along; @returns `false`
   * when that leads nowhere
   */
  const settle = (order: readonly TaskNo[], lags: boolean): boolean => {
    for (let i = 0; i < count; i++) at[i] = least[i]!;
    for (let changed = true, rounds = 0; changed; rounds++) {
      if (rounds > 2 * count + 8) return false;
      changed = false;
      for (const i of order) {
        const b = before[i]!;
        const h = handsBefore[i]!;
        let from = at[i]!;
        if (b >= 0) from = Math.max(from, at[b]! + minutes[b]! + after[i]!);
        if (h >= 0) from = Math.max(from, at[h]! + minutes[h]!);
        for (const giver of waitsFor[i]!) {
          const free = at[giver]! + minutes[giver]!;
          // A first task takes it when it begins, any other when the one before is over.
          if (b < 0) from = Math.max(from, free);
          else if (at[b]! + minutes[b]! < free) {
            at[b] = free - minutes[b]!;
            changed = true;
          }
        }
        from = there(cookOf[i]!, from, minutes[i]!);
        if (from + minutes[i]! > problem.horizon) return false;
        if (lags && fixed[i] !== null && from > fixed[i]!) return false;
        if (from > at[i]!) {
          at[i] = from;
          changed = true;
        }
        if (b < 0 || !lags) continue;
        const soonest = at[i]! - slack[i]! - after[i]! - minutes[b]!;
        if (at[b]! < soonest) {
          at[b] = soonest;
          changed = true;
        }
      }
    }
    return true;
  };
  const brokenMinutes = (): number => {
    let sum = 0;
    for (let i = 0; i < count; i++) {
      const b = before[i]!;
      if (b >= 0) sum += Math.max(0, at[i]! - (at[b]! + minutes[b]! + after[i]! + slack[i]!));
      if (fixed[i] !== null) sum += at[i]! - fixed[i]!;
    }
    return sum;
  };
  const taken = (i: TaskNo): number => {
    const b = before[i]!;
    return b < 0 ? place[i]! : place[b]! + 0.5;
  };

  return {
    count,
    before,
    makeOf: Int32Array.from(tasks, ({ make }) => problem.makes.indexOf(make)),
    orderOf: ({ slots }) =>
      [...slots]
        .sort((a, b) => a.from - b.from || a.to - b.to)
        .map(({ make, task }) => numberOf.get(`${make} ${task}`)!),
    timed(order) {
      if (!giveHands(order) || !giveThings(order)) return null;
      const kept = settle(order, true);
      const broken = kept ? 0 : settle(order, false) ? brokenMinutes() : null;
      if (broken === null) return null;
      let finish = 0;
      let late = 0;
      let sum = 0;
      const slots: DaySlot[] = [];
      for (const [i, { make, task, k }] of tasks.entries()) {
        const to = at[i]! + minutes[i]!;
        slots.push({ make: make.id, task: task.id, from: at[i]!, to, cook: problem.cooks[cookOf[i]!]!.id });
        if (k < make.tasks.length - 1) continue;
        finish = Math.max(finish, to);
        sum += to;
        if (make.by !== null) late += Math.max(0, to - make.by);
      }
      return { slots, finish, late, sum, broken };
    },
  };
}

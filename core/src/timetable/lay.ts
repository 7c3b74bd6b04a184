import type { DayMake, DayProblem, DaySlot, DayTask, Timetable } from './problem.ts';
import { scoreOf } from './score.ts';
import { createLane, type Lane } from './lane.ts';

/** Tries of one make before it is given up at a start. */
const MOST_TRIES = 4000;

/** A timetable in the making. */
export interface Layout {
  /** Lays a make in as early as it goes; `false` when it goes nowhere. */
  add(make: DayMake): boolean;
  timetable(): Timetable;
}

/** The first minute from `at` on at which a cook is there for so long; Infinity when never again. */
function firstThere(free: readonly (readonly [number, number])[], at: number, task: DayTask): number {
  const [before, after] = task.margin ?? [0, 0];
  for (const [from, to] of free) {
    const begin = Math.max(from + before, at);
    if (begin + task.minutes + after <= to) return begin;
  }
  return Number.POSITIVE_INFINITY;
}

/** An empty day. */
export function createLayout(problem: DayProblem): Layout {
  const hands = problem.cooks.map((cook) => ({ cook, lane: createLane(1) }));
  const things = new Map<string, Lane>(
    Object.entries(problem.things).map(([thing, many]) => [thing, createLane(many)]),
  );
  const slots: DaySlot[] = [];

  /** The first minute from `at` on at which a cook has hands for a task, and who. */
  const firstHands = (at: number, task: DayTask): { at: number; who: number } => {
    const { minutes, who: own } = task;
    let best = { at: Number.POSITIVE_INFINITY, who: -1 };
    hands.forEach(({ cook, lane }, who) => {
      if (own !== null && own !== undefined && own !== cook.id) return;
      let from = at;
      for (;;) {
        const there = firstThere(cook.free, from, task);
        if (there === Number.POSITIVE_INFINITY) break;
        const free = lane.firstFree(there, minutes);
        if (free === there) {
          if (free < best.at) best = { at: free, who };
          break;
        }
        from = free;
      }
    });
    return best;
  };

  /** By how much later than `held` all it holds is free from there until it is done; 0 when it is. */
  const thingsBusy = (task: DayTask, held: number, to: number): number => {
    let later = 0;
    for (const thing of task.holds) {
      const lane = things.get(thing);
      if (lane) later = Math.max(later, lane.firstFree(held, to - held) - held);
    }
    return later;
  };

  /** When a first task can be done: nothing is held before it. */
  const firstStart = (task: DayTask, from: number): { at: number; who: number } => {
    let at = from;
    for (;;) {
      const found = firstHands(at, task);
      if (found.who < 0) return found;
      const later = thingsBusy(task, found.at, found.at + task.minutes);
      if (later === 0) return found;
      at = found.at + later;
    }
  };

  const add = (make: DayMake): boolean => {
    const { tasks } = make;
    let tries = 0;
    /**
     * Lays the tasks from the k-th on.
     * @param held when the one before is over
     * @returns 0 when they are laid; else by how much later `held` must be, at least, before they can be: Infinity never
     */
    const lay = (k: number, held: number): number => {
      if (k === tasks.length) return 0;
      if (++tries > MOST_TRIES) return Number.POSITIVE_INFINITY;
      const task = tasks[k]!;
      const due = held + task.after;
      const last = k === 0 && !make.underWay ? problem.horizon : due + task.slack;
      const fixed = make.fixed[task.id];
      if (fixed !== undefined && fixed < due) return Number.POSITIVE_INFINITY;
      if (fixed !== undefined && fixed > last) return fixed - last;
      let from = fixed ?? due;
      while (from <= last) {
        const found = k === 0 && !make.underWay ? firstStart(task, from) : firstHands(from, task);
        const to = found.at + task.minutes;
        if (found.who < 0 || to > problem.horizon || (fixed !== undefined && found.at !== fixed))
          return Number.POSITIVE_INFINITY;
        if (found.at > last) return found.at - last;
        const begin = k === 0 && !make.underWay ? found.at : held;
        const busy = thingsBusy(task, begin, to);
        // It is held from the end of the task before: putting this one off helps nothing.
        if (busy > 0) return busy;
        const { lane, cook } = hands[found.who]!;
        lane.take(found.at, to);
        for (const thing of task.holds) things.get(thing)?.take(begin, to);
        slots.push({ make: make.id, task: task.id, from: found.at, to, cook: cook.id });
        const later = lay(k + 1, to);
        if (later === 0) return 0;
        slots.pop();
        for (const thing of task.holds) things.get(thing)?.give(begin, to);
        lane.give(found.at, to);
        if (fixed !== undefined || later === Number.POSITIVE_INFINITY) return Number.POSITIVE_INFINITY;
        from = found.at + later;
      }
      return from - last;
    };
    const before = slots.length;
    if (lay(0, make.from) > 0) return false;
    return slots.length > before;
  };
  return {
    add,
    timetable: () => ({ slots: [...slots], ...scoreOf(problem, slots) }),
  };
}

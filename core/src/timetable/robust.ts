import { createRandom } from '../science/numerics/index.ts';
import { onwardFree } from './onward.ts';
import type { DayProblem, DaySlot, DayTask } from './problem.ts';

/** How well a timetable bears waits that come out shorter or longer. */
export interface Robustness {
  readonly days: number;
  /** Days on which something waited longer than it may. */
  readonly clashing: number;
  /** What waited too long most often; `null` when nothing did. */
  readonly worst: { readonly make: string; readonly task: string; readonly days: number } | null;
  /** When the day was over, of ten days the second shortest and the second longest, min. */
  readonly finish: readonly [p10: number, p90: number];
}

/** What takes no longer is done in between, min [judgement]. */
const IN_BETWEEN_MIN = 5;

/** A make as it is gone through: its tasks, and how far it is. */
interface Going {
  readonly tasks: readonly Planned[];
  readonly from: number;
  /** As long as each wait is today, min. */
  readonly waits: Float64Array;
  k: number;
  /** When the task before was over, min. */
  held: number;
  /** Until when it has each of the things that are counted; 0 it has not. */
  readonly has: Float64Array;
  /** When the task it wants next can be done at the soonest, and until when it may wait, min. */
  at: number;
  last: number;
}

interface Planned {
  readonly task: DayTask;
  readonly key: number;
  readonly from: number;
  readonly cook: number;
  /** The counted things it holds. */
  readonly holds: readonly number[];
  /** It begins something new: that waits until it is its turn. */
  readonly begins: boolean;
}

/** The first minute from one on at which somebody is there for so long; infinity never. */
function firstThere(free: Float64Array, from: number, minutes: number): number {
  for (let n = 0; n < free.length; n += 2) {
    const at = free[n]! > from ? free[n]! : from;
    if (at + minutes <= free[n + 1]!) return at;
  }
  return Number.POSITIVE_INFINITY;
}

/** The last minute at which somebody is there for so long, between two; `null` none. */
function lastThere(free: Float64Array, soonest: number, latest: number, minutes: number): number | null {
  let found: number | null = null;
  for (let n = 0; n < free.length; n += 2) {
    const moment = Math.min(free[n + 1]! - minutes, latest);
    if (moment >= Math.max(free[n]!, soonest)) found = moment;
  }
  return found;
}

/**
 * Goes a timetable through on days whose waits come out otherwise, with somebody at the counter who knows no more than the
 * clock: of what can be done, hands go to what was planned first, but nothing is begun that would keep them from what soon may
 * not wait, and what takes a moment is done in between.
 * @example robustness(problem, slots).clashing // 12 of 200 days
 */
export function robustness(problem: DayProblem, slots: readonly DaySlot[], days = 200, seed = 1): Robustness {
  const random = createRandom(seed);
  const slotOf = new Map(slots.map((slot) => [`${slot.make} ${slot.task}`, slot]));
  const things = Object.keys(problem.things);
  const many = things.map((thing) => problem.things[thing]!);
  const free = problem.cooks.map((cook) => Float64Array.from(onwardFree(problem, cook).flat()));
  const cooks = new Map(problem.cooks.map(({ id }, n) => [id, n]));
  const all: { readonly make: string; readonly task: string }[] = [];
  const going = problem.makes.map((make): Going => {
    const tasks = make.tasks.map((task, k): Planned => {
      const slot = slotOf.get(`${make.id} ${task.id}`)!;
      return {
        task,
        key: all.push({ make: make.id, task: task.id }) - 1,
        from: slot.from,
        cook: cooks.get(slot.cook)!,
        holds: task.holds.map((thing) => things.indexOf(thing)).filter((thing) => thing >= 0),
        begins: k === 0 && make.underWay !== true,
      };
    });
    return {
      tasks,
      from: make.from,
      waits: new Float64Array(tasks.length),
      k: 0,
      held: 0,
      has: new Float64Array(things.length),
      at: 0,
      last: 0,
    };
  });
  const freeAt = new Float64Array(problem.cooks.length);
  const broken = new Float64Array(all.length);
  const finishes: number[] = [];
  let clashing = 0;

  /** From when on, of all there are of a thing, one is not another make's. */
  const thingFrom = (own: Going, thing: number, from: number): number => {
    let taken = 0;
    let soonest = Number.POSITIVE_INFINITY;
    for (const other of going) {
      const until = other === own ? 0 : other.has[thing]!;
      if (until <= from) continue;
      taken++;
      if (until < soonest) soonest = until;
    }
    return taken >= many[thing]! ? soonest : from;
  };

  /** What a make wants next: the soonest it can be done, and until when. */
  const look = (g: Going): void => {
    const { task, from: planned, cook, holds, begins } = g.tasks[g.k]!;
    const due = g.held + g.waits[g.k]!;
    let from = Math.max(due, freeAt[cook]!, begins ? planned : 0);
    for (const thing of holds) from = thingFrom(g, thing, from);
    g.at = firstThere(free[cook]!, from, task.minutes);
    g.last = begins ? Number.POSITIVE_INFINITY : due + task.slack;
  };

  /** The task a make wanted is over. */
  const done = (g: Going, to: number): void => {
    g.has.fill(0);
    for (const thing of g.tasks[g.k]!.holds) g.has[thing] = to;
    g.held = to;
    g.k++;
    const next = g.tasks[g.k];
    // What the next one holds it holds from now on.
    if (next) for (const thing of next.holds) g.has[thing] = to + g.waits[g.k]! + next.task.minutes;
  };

  /** A task that takes hands from a minute on is over by then: what may not wait and takes a moment is done in between. */
  const doneWithOthers = (g: Going, at: number): number => {
    const { task, cook } = g.tasks[g.k]!;
    let to = at + task.minutes;
    // A flame is turned down whatever hands are at, unless that is on the fire itself.
    for (const other of task.stays === true ? [] : going) {
      while (other !== g) {
        const own = other.tasks[other.k];
        if (!own || own.begins || own.cook !== cook || own.task.minutes > IN_BETWEEN_MIN) break;
        const due = other.held + other.waits[other.k]!;
        const moment = Math.max(due, at);
        const last = due + own.task.slack;
        if (last >= to || moment > last) break;
        done(other, moment + own.task.minutes);
        to += own.task.minutes;
      }
    }
    done(g, to);
    return to;
  };

  const oneDay = (): number => {
    let finish = 0;
    let missed = 0;
    for (;;) {
      let soonest: Going | null = null;
      for (const g of going) {
        if (g.k >= g.tasks.length) continue;
        look(g);
        const isSooner =
          !soonest ||
          g.at < soonest.at ||
          (g.at === soonest.at && g.tasks[g.k]!.from < soonest.tasks[soonest.k]!.from);
        if (isSooner) soonest = g;
      }
      if (!soonest) break;
      const first = soonest.tasks[soonest.k]!;
      // What soon may not wait is waited for, if this can.
      let chosen = soonest;
      for (const g of going) {
        const own = g.tasks[g.k];
        if (!own || g === soonest || own.cook !== first.cook) continue;
        const isUrgent = g.last < soonest.at + first.task.minutes && g.at + own.task.minutes <= soonest.last;
        if (isUrgent && (chosen === soonest || g.last < chosen.last)) chosen = g;
      }
      const own = chosen.tasks[chosen.k]!;
      let { at } = chosen;
      if (at > chosen.last) {
        // Too late otherwise: the last moment before it is due, where it may be done sooner and somebody is there.
        const due = chosen.held + chosen.waits[chosen.k]!;
        const soon = Math.max(due - (own.task.early ?? 0), freeAt[own.cook]!);
        at = lastThere(free[own.cook]!, soon, due, own.task.minutes) ?? at;
      }
      if (at > chosen.last || at === Number.POSITIVE_INFINITY) {
        missed++;
        broken[own.key]!++;
      }
      if (at === Number.POSITIVE_INFINITY) break;
      const to = doneWithOthers(chosen, at);
      freeAt[own.cook] = to;
      finish = Math.max(finish, to);
    }
    if (missed > 0) clashing++;
    return finish;
  };

  for (let day = 0; day < days; day++) {
    freeAt.fill(0);
    for (const g of going) {
      g.k = 0;
      g.held = g.from;
      g.has.fill(0);
      for (const [k, { task }] of g.tasks.entries())
        g.waits[k] = Math.max(
          0,
          Math.round(task.after + random.normal() * Math.min(task.sigma ?? 0, task.after)),
        );
    }
    finishes.push(oneDay());
  }
  finishes.sort((a, b) => a - b);
  const most = broken.reduce((best, n, key) => (n > (broken[best] ?? 0) ? key : best), 0);
  return {
    days,
    clashing,
    worst: (broken[most] ?? 0) === 0 ? null : { ...all[most]!, days: broken[most]! },
    finish: [finishes[Math.floor(0.1 * days)]!, finishes[Math.floor(0.9 * days)]!],
  };
}

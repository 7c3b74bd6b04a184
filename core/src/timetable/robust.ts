import { createRandom } from '../science/numerics/index.ts';
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

/** How much longer or shorter waits may be: one σ of a wait's length, min, by make and task. */
export type WaitSpread = (make: string, task: string) => number;

/** What a make wants next. */
interface Wanted {
  readonly task: DayTask;
  readonly planned: DaySlot;
  readonly due: number;
}

interface Going {
  readonly make: DayProblem['makes'][number];
  readonly waits: readonly number[];
  k: number;
  /** When the task before was over, min. */
  held: number;
}

/**
 * Goes a timetable through on days whose waits come out otherwise, with somebody at the counter who knows no more than the
 * clock: of what can be done, hands go to what was planned first, but nothing is begun that would keep them from what soon may
 * not wait. @param spread one σ of each wait
 */
export function robustness(
  problem: DayProblem,
  slots: readonly DaySlot[],
  spread: WaitSpread,
  days = 200,
  seed = 1,
): Robustness {
  const random = createRandom(seed);
  const slotOf = new Map(slots.map((slot) => [`${slot.make} ${slot.task}`, slot]));
  const broken = new Map<string, number>();
  const finishes: number[] = [];
  let clashing = 0;
  for (let day = 0; day < days; day++) {
    const going = problem.makes.map((make): Going => ({
      make,
      waits: make.tasks.map((task) =>
        Math.max(
          0,
          Math.round(task.after + random.normal() * Math.min(spread(make.id, task.id), task.after)),
        ),
      ),
      k: 0,
      held: make.from,
    }));
    const freeAt = new Map(problem.cooks.map(({ id }) => [id, 0]));
    /** Until when each of a thing is taken; what goes on holding it has Infinity. */
    const taken: { readonly thing: string; readonly make: string; until: number }[] = [];
    const missed = new Set<string>();
    /** Too late otherwise: the last moment before it is due, where it may be done sooner and somebody is there; `null` where not. */
    const beforeDue = ({ task, planned, due }: Wanted): number | null => {
      const cook = problem.cooks.find(({ id }) => id === planned.cook)!;
      const soonest = Math.max(due - (task.early ?? 0), freeAt.get(cook.id)!);
      return cook.free.reduce<number | null>((latest, [from, to]) => {
        const moment = Math.min(to - task.minutes, due);
        return moment >= Math.max(from, soonest) ? moment : latest;
      }, null);
    };
    let finish = 0;
    for (;;) {
      /** What each make wants next: the soonest it can be done, and until when. */
      const wanted = going.flatMap((g) => {
        const task = g.make.tasks[g.k];
        if (!task) return [];
        const planned = slotOf.get(`${g.make.id} ${task.id}`)!;
        const due = g.held + g.waits[g.k]!;
        const begins = g.k === 0 && g.make.underWay !== true;
        const cook = problem.cooks.find(({ id }) => id === planned.cook)!;
        let from = Math.max(due, freeAt.get(cook.id)!, begins ? planned.from : 0);
        for (const thing of task.holds) {
          const others = taken.filter((t) => t.thing === thing && t.make !== g.make.id && t.until > from);
          if (others.length >= (problem.things[thing] ?? Number.POSITIVE_INFINITY))
            from = Math.max(from, Math.min(...others.map(({ until }) => until)));
        }
        const stretch = cook.free.find(([a, b]) => Math.max(a, from) + task.minutes <= b);
        const at = stretch ? Math.max(stretch[0], from) : Number.POSITIVE_INFINITY;
        return [{ g, task, planned, due, at, last: begins ? Number.POSITIVE_INFINITY : due + task.slack }];
      });
      if (wanted.length === 0) break;
      const soonest = wanted.reduce((a, b) =>
        b.at < a.at || (b.at === a.at && b.planned.from < a.planned.from) ? b : a,
      );
      // What soon may not wait is waited for, if this can.
      const urgent = wanted
        .filter(
          (w) =>
            w !== soonest &&
            w.planned.cook === soonest.planned.cook &&
            w.last < soonest.at + soonest.task.minutes &&
            w.at + w.task.minutes <= soonest.last,
        )
        .reduce<(typeof wanted)[number] | null>((a, b) => (a && a.last <= b.last ? a : b), null);
      const chosen = urgent ?? soonest;
      const { g, task, planned, last } = chosen;
      const at = chosen.at > last ? (beforeDue(chosen) ?? chosen.at) : chosen.at;
      if (at === Number.POSITIVE_INFINITY) {
        missed.add(`${g.make.id} ${task.id}`);
        break;
      }
      if (at > last) missed.add(`${g.make.id} ${task.id}`);
      const to = at + task.minutes;
      for (let i = taken.length - 1; i >= 0; i--) if (taken[i]!.make === g.make.id) taken.splice(i, 1);
      g.held = to;
      g.k++;
      freeAt.set(planned.cook, to);
      for (const thing of task.holds) taken.push({ thing, make: g.make.id, until: to });
      // What the next one holds it holds from now on.
      for (const thing of g.make.tasks[g.k]?.holds ?? [])
        taken.push({ thing, make: g.make.id, until: to + g.waits[g.k]! + g.make.tasks[g.k]!.minutes });
      finish = Math.max(finish, to);
    }
    finishes.push(finish);
    if (missed.size > 0) clashing++;
    for (const key of missed) broken.set(key, (broken.get(key) ?? 0) + 1);
  }
  finishes.sort((a, b) => a - b);
  const [key, many] = [...broken].reduce<readonly [string, number]>((a, b) => (b[1] > a[1] ? b : a), ['', 0]);
  const [make = '', ...task] = key.split(' ');
  return {
    days,
    clashing,
    worst: many === 0 ? null : { make, task: task.join(' '), days: many },
    finish: [finishes[Math.floor(0.1 * days)]!, finishes[Math.floor(0.9 * days)]!],
  };
}

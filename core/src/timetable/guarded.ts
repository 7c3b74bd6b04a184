import type { DayProblem, DaySlot } from './problem.ts';
import type { WaitSpread } from './robust.ts';

/** Hands are kept free no longer than this before and after what may come early or late, min. */
const MOST_GUARD_MIN = 15;
/** What may wait so long waits till morning: nobody need be there for it. */
const OVERNIGHT_MIN = 8 * 60;

/** A day that is laid out so that what comes early or late finds somebody there. */
export interface Guarded {
  readonly problem: DayProblem;
  /** What was laid, at its own times. */
  real(slots: readonly DaySlot[]): DaySlot[];
}

/**
 * The same day made to bear waits that come out otherwise: whoever does what may be early or late is there by then, and awake; and
 * around what may not wait, hands are kept free, as far as its neighbours leave room. What is laid so is a timetable of the day itself.
 * @param spread one σ of each wait, min
 * @param sigmas for how many of them somebody is there, and for how many hands are kept free
 */
export function guarded(
  problem: DayProblem,
  spread: WaitSpread,
  sigmas: { readonly there: number; readonly hands: number },
): Guarded {
  const guards = new Map<string, number>();
  const makes = problem.makes.map((make) => {
    const tasks = make.tasks.map((task) => ({ ...task }));
    for (const [k, task] of tasks.entries()) {
      const then = tasks[k + 1];
      if ((k === 0 && !make.underWay) || make.fixed[task.id] !== undefined) continue;
      const sigma = spread(make.id, task.id);
      const reach = Math.min(Math.round(sigmas.there * sigma), task.after);
      const room = Math.min(task.after, then ? then.after : MOST_GUARD_MIN);
      const guard = Math.floor(Math.min(MOST_GUARD_MIN, sigmas.hands * sigma, room));
      if (guard > 0) {
        guards.set(`${make.id} ${task.id}`, guard);
        tasks[k] = { ...task, after: task.after - guard, minutes: task.minutes + 2 * guard };
        if (then) tasks[k + 1] = { ...then, after: then.after - guard };
      }
      if (reach > 0 && task.slack < OVERNIGHT_MIN)
        tasks[k] = {
          ...tasks[k]!,
          // What is early may wait as long as it may.
          margin: [Math.max(0, reach - task.slack - guard), Math.max(0, reach - guard)],
        };
    }
    return { ...make, tasks };
  });
  return {
    problem: { ...problem, makes },
    real: (slots) =>
      slots.map((slot) => {
        const guard = guards.get(`${slot.make} ${slot.task}`) ?? 0;
        return { ...slot, from: slot.from + guard, to: slot.to - guard };
      }),
  };
}

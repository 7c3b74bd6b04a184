import type { DayProblem } from './problem.ts';

/** Whoever does what may come early or late is there for so many σ before and after it as well. */
const THERE = 0.8;
/** What may wait so long waits till morning: nobody need be there for it. */
const OVERNIGHT_MIN = 8 * 60;

/**
 * The same day made to bear waits that come out otherwise: whoever does what may be early or late is there by then, and awake. What is
 * laid so is a timetable of the day itself.
 * @example guarded(problem).makes[0].tasks[3].margin // [30, 90]: an hour early it may wait half of that
 */
export const guarded = (problem: DayProblem): DayProblem => ({
  ...problem,
  makes: problem.makes.map((make) => ({
    ...make,
    tasks: make.tasks.map((task, k) => {
      const begins = k === 0 && make.underWay !== true;
      const reach = Math.min(Math.round(THERE * (task.sigma ?? 0)), task.after);
      if (begins || reach <= 0 || task.slack >= OVERNIGHT_MIN || make.fixed[task.id] !== undefined)
        return task;
      // What is early may wait as long as it may.
      return { ...task, margin: [Math.max(0, reach - task.slack), reach] as const };
    }),
  })),
});

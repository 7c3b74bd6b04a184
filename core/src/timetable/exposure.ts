import { onwardFree } from './onward.ts';
import type { DayCook, DayProblem, DayTask } from './problem.ts';

/** Moments are told apart on this grid, min. */
const GRID_MIN = 15;
/** What is surer than this finds whom it was planned for, min. */
const LEAST_SIGMA_MIN = 5;
/** A normal wait lies within so many σ. */
const REACH = 3;
/** A chance so small, over a whole day, is none: it would buy nothing. */
const NO_RISK = 0.02;

/**
 * The chance that a task comes due while nobody is there, and for longer than it may wait; by the minute it is due on average.
 * Of hands that are busy it knows nothing, and what cannot be helped whenever the make is begun is left out.
 */
export type Exposure = (dueMin: number) => number;

/** Whether somebody can do a task that comes due at a minute: in time, or as much sooner as it may. */
function isFound(
  cooks: readonly Pick<DayCook, 'id' | 'free'>[],
  { minutes, slack, early = 0, who }: DayTask,
  due: number,
): boolean {
  return cooks.some(
    ({ id, free }) =>
      (who === null || who === undefined || who === id) &&
      free.some(([from, to]) => {
        const at = Math.max(from, due - early);
        return at <= due + slack && at + minutes <= to;
      }),
  );
}

/** @returns `null` where somebody is there whenever it comes due, or as likely at one time as at another */
function exposureOf(problem: DayProblem, task: DayTask, sigma: number): Exposure | null {
  if (sigma < LEAST_SIGMA_MIN) return null;
  const cooks = problem.cooks.map((cook) => ({ id: cook.id, free: onwardFree(problem, cook) }));
  const reach = Math.ceil((REACH * sigma) / GRID_MIN);
  const count = Math.ceil(problem.horizon / GRID_MIN);
  const missed = Float64Array.from({ length: count + reach }, (_, i) =>
    isFound(cooks, task, i * GRID_MIN) ? 0 : 1,
  );
  if (!missed.includes(1)) return null;
  const weights = Float64Array.from({ length: 2 * reach + 1 }, (_, i) =>
    Math.exp(-0.5 * (((i - reach) * GRID_MIN) / sigma) ** 2),
  );
  const chances = Float64Array.from({ length: count }, (_, i) => {
    let chance = 0;
    let all = 0;
    // Nothing comes due before the day begins.
    for (let k = Math.max(0, reach - i); k <= 2 * reach; k++) {
      chance += weights[k]! * missed[i + k - reach]!;
      all += weights[k]!;
    }
    return chance / all;
  });
  // What nobody can help, whenever it is begun, is no reason to begin it at another time.
  const least = chances.reduce((low, chance) => Math.min(low, chance), 1);
  return (due) => Math.max(0, (chances[Math.min(count - 1, Math.round(due / GRID_MIN))] ?? 0) - least);
}

const known = new WeakMap<DayProblem, ReadonlyMap<string, Exposure>>();

/**
 * How each task of a day is exposed, by make and task; those that are not are left out.
 * @example exposures(problem).get('kefir incubate')?.(26 * 60) // 0.3: due at two in the night, give or take
 */
export function exposures(problem: DayProblem): ReadonlyMap<string, Exposure> {
  const before = known.get(problem);
  if (before) return before;
  const all = new Map<string, Exposure>();
  for (const { id, tasks } of problem.makes) {
    let variance = 0;
    for (const [k, task] of tasks.entries()) {
      // What comes before it may be late or early, too.
      variance += Math.min(task.sigma ?? 0, task.after) ** 2;
      const own = k === 0 ? null : exposureOf(problem, task, Math.sqrt(variance));
      if (own) all.set(`${id} ${task.id}`, own);
    }
  }
  known.set(problem, all);
  return all;
}

/** Chances of single tasks together, without those too small to mind, in whole thousandths. */
export const riskOf = (chances: number): number => Math.round(1000 * Math.max(0, chances - NO_RISK)) / 1000;

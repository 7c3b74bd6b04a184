import { exposures, type Exposure } from './exposure.ts';
import type { DayMake, DayProblem, DayTask } from './problem.ts';

/** A day with its tasks numbered through, make by make: what timing sequences of them needs, as numbers. All times are minutes. */
export interface NumberedDay {
  readonly tasks: readonly { readonly make: DayMake; readonly task: DayTask }[];
  readonly count: number;
  /** Tasks of each make, in order. */
  readonly tasksOf: readonly (readonly number[])[];
  /** The task of its make before each and after it; -1 none. */
  readonly before: Int32Array;
  readonly next: Int32Array;
  readonly minutes: Int32Array;
  readonly after: Int32Array;
  readonly slack: Float64Array;
  /** What the maker fixed; -1 nothing. */
  readonly fixed: readonly number[];
  /** What a make that is under way holds, it holds from the beginning. */
  readonly underWay: readonly boolean[];
  /** The soonest a task may begin, whatever comes before it. */
  readonly least: Float64Array;
  /** The latest start of the first task of what is under way; others have no limit. */
  readonly latest: Float64Array;
  /** From the end of a task to that of its make at the very soonest. */
  readonly tail: Float64Array;
  readonly by: Float64Array;
  /** Wished to be over by then itself, where more of its chain comes after it. */
  readonly ownBy: Float64Array;
  /** Who does it, of `cooks`; -1 whoever has hands. */
  readonly who: Int32Array;
  readonly cooks: number;
  /** How each task is exposed to nobody being there; `null` it is not. */
  readonly exposed: readonly (Exposure | null)[];
  /** How many there are of each thing that is scarce, and which of them each task holds. */
  readonly many: readonly number[];
  readonly holds: readonly (readonly number[])[];
  /**
   * When a cook has hands for a task, at the soonest, and is there as long before and after it as it asks.
   * @returns infinity when never
   */
  readonly there: (cook: number, from: number, task: number) => number;
  numberOf(make: string, task: string): number;
}

/**
 * Numbers a day.
 * @param notBefore the minute a task is not to begin before, though it could
 * @example numbered({ makes: [make], cooks, things: {}, horizon: 1440 }).count // its tasks
 */
export function numbered(
  problem: DayProblem,
  notBefore: (make: string, task: string) => number = () => 0,
): NumberedDay {
  const tasks = problem.makes.flatMap((make, m) => make.tasks.map((task, k) => ({ make, m, task, k })));
  const count = tasks.length;
  const numbers = new Map(tasks.map(({ make, task }, i) => [`${make.id} ${task.id}`, i]));
  const before = Int32Array.from(tasks, ({ k }, i) => (k === 0 ? -1 : i - 1));
  const next = Int32Array.from(tasks, ({ make, k }, i) => (k + 1 < make.tasks.length ? i + 1 : -1));
  const minutes = Int32Array.from(tasks, ({ task }) => task.minutes);
  const after = Int32Array.from(tasks, ({ task }) => task.after);
  const fixed = tasks.map(({ make, task }) => make.fixed[task.id] ?? -1);
  const underWay = tasks.map(({ make, k }) => k === 0 && make.underWay === true);
  const tail = new Float64Array(count);
  for (let i = count - 1; i >= 0; i--)
    if (next[i]! >= 0) tail[i] = after[next[i]!]! + minutes[next[i]!]! + tail[next[i]!]!;
  const tasksOf: number[][] = problem.makes.map(() => []);
  for (const [i, { m }] of tasks.entries()) tasksOf[m]!.push(i);
  const things = Object.keys(problem.things);
  const dues = exposures(problem);
  /** From, to, from, to, … of each cook. */
  const early = Int32Array.from(tasks, ({ task }) => task.margin?.[0] ?? 0);
  const lateness = Int32Array.from(tasks, ({ task }) => task.margin?.[1] ?? 0);
  const frees = problem.cooks.map(({ free }) => Float64Array.from(free.flat()));
  return {
    tasks,
    count,
    tasksOf,
    before,
    next,
    minutes,
    after,
    slack: Float64Array.from(tasks, ({ task }) => task.slack),
    fixed,
    underWay,
    least: Float64Array.from(tasks, ({ make, task, k }, i) =>
      Math.max(k === 0 ? make.from + task.after : 0, fixed[i]!, notBefore(make.id, task.id)),
    ),
    latest: Float64Array.from(tasks, ({ make, task }, i) =>
      underWay[i] ? make.from + task.after + task.slack : Number.POSITIVE_INFINITY,
    ),
    tail,
    by: Float64Array.from(tasks, ({ make }) => make.by ?? Number.POSITIVE_INFINITY),
    ownBy: Float64Array.from(tasks, ({ task }) => task.by ?? Number.POSITIVE_INFINITY),
    who: Int32Array.from(tasks, ({ task }) => problem.cooks.findIndex(({ id }) => id === task.who)),
    cooks: frees.length,
    exposed: tasks.map(({ make, task }) => dues.get(`${make.id} ${task.id}`) ?? null),
    many: things.map((thing) => problem.things[thing]!),
    holds: tasks.map(({ task }) =>
      task.holds.map((thing) => things.indexOf(thing)).filter((thing) => thing >= 0),
    ),
    there(cook, from, task) {
      const spans = frees[cook]!;
      const before = early[task]!;
      const long = minutes[task]! + lateness[task]!;
      for (let n = 0; n < spans.length; n += 2) {
        const first = spans[n]! + before;
        const start = first > from ? first : from;
        if (start + long <= spans[n + 1]!) return start;
      }
      return Number.POSITIVE_INFINITY;
    },
    numberOf: (make, task) => numbers.get(`${make} ${task}`)!,
  };
}

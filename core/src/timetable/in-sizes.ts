import type { DayProblem, DaySlot } from './problem.ts';

/** The smallest of a thing that will do for a task; 0 any. */
const leastOf = (task: DayProblem['makes'][number]['tasks'][number], thing: string): number =>
  task.least?.[thing] ?? 0;

/** Each thing that comes in sizes with the sizes its makes ask for, smallest first. */
function asked(
  problem: DayProblem,
): { readonly thing: string; readonly own: readonly number[]; readonly steps: readonly number[] }[] {
  return Object.entries(problem.sizes ?? {}).map(([thing, own]) => ({
    thing,
    own,
    steps: [
      ...new Set(
        problem.makes.flatMap(({ tasks }) =>
          tasks.filter(({ holds }) => holds.includes(thing)).map((task) => leastOf(task, thing)),
        ),
      ),
    ]
      .filter((least) => least > 0)
      .sort((a, b) => a - b),
  }));
}

const rewritten = (
  problem: DayProblem,
  things: Readonly<Record<string, number>>,
  holds: (thing: string, least: number) => readonly string[],
): DayProblem => ({
  ...problem,
  things,
  makes: problem.makes.map((make) => ({
    ...make,
    tasks: make.tasks.map((task) => ({
      ...task,
      holds: task.holds.flatMap((thing) => holds(thing, leastOf(task, thing))),
    })),
  })),
});

/**
 * The same day without sizes: what needs a large pot takes one of all pots and one of those that are large enough. Whatever keeps
 * these counts may still find nobody's pot for one of its makes (`sharedOut` tells).
 * @example inSizes({ things: { pot: 2 }, sizes: { pot: [3, 9] }, … }).things // { pot: 2, 'pot from 5': 1 }
 */
export function inSizes(problem: DayProblem): DayProblem {
  const sized = asked(problem).filter(({ steps }) => steps.length > 0);
  if (sized.length === 0) return problem;
  const from = (thing: string, least: number): string => `${thing} from ${least}`;
  const things = {
    ...problem.things,
    ...Object.fromEntries(
      sized.flatMap(({ thing, own, steps }) =>
        steps.map((least) => [from(thing, least), own.filter((size) => size >= least).length]),
      ),
    ),
  };
  return rewritten(problem, things, (thing, least) => {
    const of = sized.find((s) => s.thing === thing);
    return [thing, ...(of?.steps.filter((step) => step <= least).map((step) => from(thing, step)) ?? [])];
  });
}

/**
 * The same with each size for itself: what would do with a small pot never takes a large one. Fewer days fit, and whatever does
 * has a pot for each of its makes.
 */
export function sizesApart(problem: DayProblem): DayProblem {
  const sized = asked(problem);
  const of = (thing: string, least: number): string => {
    const { own, steps } = sized.find((s) => s.thing === thing) ?? { own: [], steps: [] };
    // The class it would do with, or the next one there is one of.
    const up = [0, ...steps].filter((step) => step >= least);
    const found = up.find((step, n) =>
      own.some((size) => size >= step && size < (up[n + 1] ?? Number.POSITIVE_INFINITY)),
    );
    return `${thing} of ${found ?? least}`;
  };
  const things: Record<string, number> = {};
  for (const [thing, many] of Object.entries(problem.things)) {
    const own = sized.find((s) => s.thing === thing);
    if (!own) things[thing] = many;
    else
      for (const size of own.own) {
        const name = of(
          thing,
          [0, ...own.steps].findLast((step) => step <= size)!,
        );
        things[name] = (things[name] ?? 0) + 1;
      }
  }
  return rewritten(problem, things, (thing, least) =>
    sized.some((s) => s.thing === thing) ? [of(thing, least)] : [thing],
  );
}

/** From when to when a make has a thing that comes in sizes. */
export interface SizedSpan {
  readonly make: string;
  readonly thing: string;
  readonly from: number;
  readonly to: number;
  readonly least: number;
}

/** Each stretch in which a make has one of a thing that comes in sizes, in order of time. */
export function sizedSpans(problem: DayProblem, slots: readonly DaySlot[]): SizedSpan[] {
  const slotOf = new Map(slots.map((slot) => [`${slot.make} ${slot.task}`, slot]));
  const spans: SizedSpan[] = [];
  for (const thing of Object.keys(problem.sizes ?? {}))
    for (const make of problem.makes) {
      let open: { from: number; to: number; least: number } | null = null;
      let end = make.underWay ? make.from : null;
      let own = make.id;
      const close = (): void => {
        if (open) spans.push({ make: own, thing, ...open });
        open = null;
      };
      for (const task of make.tasks) {
        const slot = slotOf.get(`${make.id} ${task.id}`);
        if (!slot) break;
        if (task.of && task.of.make !== own) {
          // Another batch of its chain takes one of its own.
          close();
          own = task.of.make;
        }
        if (task.holds.includes(thing)) {
          open ??= { from: end ?? slot.from, to: slot.to, least: 0 };
          open.to = slot.to;
          open.least = Math.max(open.least, leastOf(task, thing));
        } else close();
        end = slot.to;
      }
      close();
    }
  return spans.sort((a, b) => a.from - b.from || b.least - a.least);
}

/**
 * Gives each stretch one of the things it may have, the smallest that leads somewhere.
 * @returns which of them each has, in the order of the stretches; `null` where there is no way
 * @example sharedOut([{ from: 0, to: 60, least: 5, … }], [3, 9]) // [1]
 */
export function sharedOut(
  spans: readonly Pick<SizedSpan, 'from' | 'to' | 'least'>[],
  sizes: readonly number[],
): number[] | null {
  const bySize = sizes.map((size, unit) => ({ size, unit })).sort((a, b) => a.size - b.size);
  const until = sizes.map(() => Number.NEGATIVE_INFINITY);
  const given: number[] = [];
  let tries = 0;
  const give = (n: number): boolean => {
    if (n === spans.length) return true;
    if (++tries > MOST_TRIES) return false;
    const { from, to, least } = spans[n]!;
    for (const { size, unit } of bySize) {
      const before = until[unit]!;
      if (size < least || before > from) continue;
      until[unit] = to;
      given.push(unit);
      if (give(n + 1)) return true;
      given.pop();
      until[unit] = before;
    }
    return false;
  };
  return give(0) ? given : null;
}

/** Ways of sharing out that are tried: with a kitchen's few pots all there are. */
const MOST_TRIES = 20_000;

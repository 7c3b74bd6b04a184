import { DAY_MIN } from '../science/units/index.ts';
import type { DayMake, DayProblem, DaySlot, DayTask } from './problem.ts';

/** What a batch gave may stand so long before the next one is made of it, min [judgement]. */
const FETCHED_WITHIN_MIN = DAY_MIN;
/** No step is called so: it has a space. */
const FETCH = 'fetch first';

/** A task as its batch and its step are called. */
export interface StepOfMake {
  readonly make: string;
  readonly task: string;
}

const keyOf = ({ make, task }: StepOfMake): string => `${make} ${task}`;

/** The name of a task in a chain, and whose it is. */
const named = (make: string, task: DayTask, id = task.id): DayTask => ({
  ...task,
  id: `${make} ${id}`,
  of: { make, task: task.id },
});

/** Tasks of what is made from the batch before: that is fetched first, and things are taken when it is. */
function fetching({ id, title, tasks }: DayMake, fetchMin: number): DayTask[] {
  const [first, ...rest] = tasks;
  if (!first) return [];
  const fetch: DayTask = {
    ...first,
    // Not shown as a step: it is called as its batch, for a clash that is told.
    title,
    minutes: fetchMin,
    after: 0,
    slack: FETCHED_WITHIN_MIN,
    holds: [],
    washes: [],
    fetches: true,
  };
  // Fetching was part of it; what waits by itself first had no part in it.
  const then =
    first.after === 0 ? { ...first, minutes: Math.max(1, first.minutes - fetchMin), slack: 0 } : first;
  return [named(id, fetch, FETCH), named(id, then), ...rest.map((task) => named(id, task))];
}

function chainOf(links: readonly [DayMake, ...DayMake[]], fetchMin: number): DayMake {
  const [root] = links;
  const last = links.at(-1)!;
  return {
    ...root,
    tasks: links.flatMap((make) => {
      const own = make === root ? make.tasks.map((task) => named(make.id, task)) : fetching(make, fetchMin);
      const end = own.at(-1);
      // The end of the chain is that of its last batch; the others are wished done at ends of their own.
      return make === last || make.by === null || !end ? own : [...own.slice(0, -1), { ...end, by: make.by }];
    }),
    fixed: Object.fromEntries(
      links.flatMap((make) =>
        Object.entries(make.fixed).map(([step, minute]) => [
          `${make.id} ${make !== root && step === make.tasks[0]?.id ? FETCH : step}`,
          minute,
        ]),
      ),
    ),
    by: last.by,
  };
}

/**
 * Makes of a day of which some are made from what others give: each of those becomes one chain with what feeds it, from the first task
 * of the one to the last of the other. Whoever lays chains out need not know of feeding.
 * @param fedBy which make is made from which; one that is not among them counts for nothing, and each may feed one other
 * @param fetchMin fetching and measuring out, min
 * @example chained([butter, ghee], new Map([['ghee', 'butter']]), 3).length // 1
 */
export function chained(
  makes: readonly DayMake[],
  fedBy: ReadonlyMap<string, string>,
  fetchMin: number,
): DayMake[] {
  const byId = new Map(makes.map((make) => [make.id, make]));
  const eaterOf = new Map<string, DayMake>();
  for (const make of makes) {
    const feeder = fedBy.get(make.id);
    if (feeder !== undefined && byId.has(feeder)) eaterOf.set(feeder, make);
  }
  return makes.flatMap((make) => {
    if (byId.has(fedBy.get(make.id) ?? '')) return [];
    const links: [DayMake, ...DayMake[]] = [make];
    for (let next = eaterOf.get(make.id); next; next = eaterOf.get(next.id)) links.push(next);
    return [links.length === 1 ? make : chainOf(links, fetchMin)];
  });
}

const tasksByKey = ({ makes }: Pick<DayProblem, 'makes'>): ReadonlyMap<string, DayTask> =>
  new Map(makes.flatMap((make) => make.tasks.map((task) => [`${make.id} ${task.id}`, task] as const)));

/** Whose a task of a day is: in a chain its own batch's. @example stepIn(day)({ make: 'butter', task: 'ghee boil' }) // { make: 'ghee', task: 'boil' } */
export function stepIn(problem: Pick<DayProblem, 'makes'>): (at: StepOfMake) => StepOfMake {
  const tasks = tasksByKey(problem);
  return ({ make, task }) => tasks.get(`${make} ${task}`)?.of ?? { make, task };
}

/** Batches of a day's makes: of a chain all of them. @example batchesIn(day, ['butter']) // ['butter', 'ghee'] */
export const batchesIn = ({ makes }: Pick<DayProblem, 'makes'>, ids: readonly string[]): string[] =>
  makes
    .filter(({ id }) => ids.includes(id))
    .flatMap(({ id, tasks }) => [...new Set(tasks.map(({ of }) => of?.make ?? id))]);

/** Slots of chains as those of their batches: fetching is part of the first step it comes before. */
export function unchained(problem: Pick<DayProblem, 'makes'>, slots: readonly DaySlot[]): DaySlot[] {
  const tasks = tasksByKey(problem);
  const taskOf = (slot: DaySlot): DayTask | undefined => tasks.get(keyOf(slot));
  const fetched = new Map(
    slots.flatMap((slot) => {
      const task = taskOf(slot);
      return task?.fetches && task.of ? [[keyOf(task.of), slot] as const] : [];
    }),
  );
  return slots.flatMap((slot): DaySlot[] => {
    const task = taskOf(slot);
    if (!task?.of) return [slot];
    if (task.fetches) return [];
    const fetch = fetched.get(keyOf(task.of));
    return [{ ...slot, ...task.of, from: fetch?.to === slot.from ? fetch.from : slot.from }];
  });
}

/** Slots of batches as those of the chains they stand in. */
export function rechained({ makes }: Pick<DayProblem, 'makes'>, slots: readonly DaySlot[]): DaySlot[] {
  const slotOf = new Map(slots.map((slot) => [keyOf(slot), slot]));
  const inChain = makes.flatMap((make) =>
    make.tasks.flatMap((task, k): DaySlot[] => {
      const slot = task.of && slotOf.get(keyOf(task.of));
      if (!slot) return [];
      const own = { ...slot, make: make.id, task: task.id };
      if (task.fetches) return [{ ...own, to: slot.from + task.minutes }];
      const fetch = make.tasks[k - 1];
      const from = fetch?.fetches && task.after === 0 ? slot.from + fetch.minutes : slot.from;
      return [{ ...own, from, to: Math.max(from, slot.to) }];
    }),
  );
  const taken = new Set(makes.flatMap(({ tasks }) => tasks.flatMap(({ of }) => (of ? [of.make] : []))));
  return [...slots.filter(({ make }) => !taken.has(make)), ...inChain];
}

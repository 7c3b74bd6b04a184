import { createRandom } from '../science/numerics/index.ts';
import { createInserter, type Placed } from './insert.ts';
import type { DayProblem, DaySlot } from './problem.ts';
import type { NumberedDay } from './numbered.ts';
import { createSequenceTimer, type SequenceTimer } from './sequence.ts';

/** Less than this is not worth saying that it moved, min. */
const MOVED_MIN = 5;
/** Sequences timed for one make put in anew. */
const MOST_AN_INSERTION = 1500;

/** What a new timetable is, against the one before. */
export interface Relaid {
  readonly slots: readonly DaySlot[];
  /** What is at another time now. */
  readonly moved: readonly {
    readonly make: string;
    readonly task: string;
    readonly was: number;
    readonly now: number;
  }[];
  /** Minutes by which what may not wait does wait, all together: there was no other way left. */
  readonly broken: number;
}

const keyOf = ({ make, task }: Pick<DaySlot, 'make' | 'task'>): string => `${make} ${task}`;

/** When each task may begin at the soonest, were its make alone and hands always there, min. */
function soonestOf({ count, before, least, minutes, after }: NumberedDay): Float64Array {
  const soonest = new Float64Array(count);
  for (let i = 0; i < count; i++) {
    const b = before[i]!;
    soonest[i] = b < 0 ? least[i]! : Math.max(least[i]!, soonest[b]! + minutes[b]! + after[i]!);
  }
  return soonest;
}

/** Two orders made one: each stays in its own order, and of the two that come next the sooner one goes first. */
function merged(one: readonly number[], other: readonly number[], soonest: Float64Array): number[] {
  const both: number[] = [];
  const left = [...other];
  for (const task of one) {
    while (left.length > 0 && soonest[left[0]!]! < soonest[task]!) both.push(left.shift()!);
    both.push(task);
  }
  return [...both, ...left];
}

/**
 * Lays out anew what is left of a day, with as little changed as needed: first the same sequence, each at its time or as much
 * later as it must be; then earlier where something came early; then one make after the other is put in elsewhere. When nothing
 * keeps everything, the sequence under which the least is broken.
 * @param problem what is left: makes that are going on say so
 * @param before the timetable so far; what it does not know was added
 * @returns `null` when nobody is there any more for what is left
 */
export function relayDay(problem: DayProblem, before: readonly DaySlot[], seed = 1): Relaid | null {
  const old = new Map(before.map((slot) => [keyOf(slot), slot]));
  const kept: DayProblem = {
    ...problem,
    makes: problem.makes.map((make) => ({
      ...make,
      tasks: make.tasks.map((task) => {
        const cook = old.get(`${make.id} ${task.id}`)?.cook;
        const knows = cook !== undefined && problem.cooks.some(({ id }) => id === cook);
        return { ...task, who: task.who ?? (knows ? cook : null) };
      }),
    })),
  };
  const at = (make: string, task: string): number => old.get(`${make} ${task}`)?.from ?? 0;
  const isFirst = new Set(
    problem.makes.flatMap(({ id, tasks, underWay }) =>
      tasks[0] && !underWay ? [`${id} ${tasks[0].id}`] : [],
    ),
  );
  /** Nothing is earlier than it was; or only what begins is not. */
  const ways: readonly ((make: string, task: string) => number)[] = [
    at,
    (make, task) => (isFirst.has(`${make} ${task}`) ? at(make, task) : 0),
    () => 0,
  ];
  const known = problem.makes
    .map((make, m) => ({ make, m }))
    .filter(({ make }) => old.has(`${make.id} ${make.tasks[0]?.id}`));
  const added = problem.makes.map((_, m) => m).filter((m) => !known.some((k) => k.m === m));
  const random = createRandom(seed);
  const order = (timer: SequenceTimer): number[] => {
    const slots = known.flatMap(({ make }) =>
      make.tasks.map(({ id }): DaySlot => {
        const slot = old.get(`${make.id} ${id}`);
        return (
          slot ?? {
            make: make.id,
            task: id,
            from: Number.MAX_SAFE_INTEGER,
            to: Number.MAX_SAFE_INTEGER,
            cook: '',
          }
        );
      }),
    );
    return timer.sequenceOf(slots);
  };
  const movedOf = (slots: readonly DaySlot[]): Relaid['moved'] =>
    slots.flatMap((slot) => {
      const was = old.get(keyOf(slot));
      // By its end: what is being done began before.
      return was === undefined || Math.abs(was.to - slot.to) < MOVED_MIN
        ? []
        : [{ make: slot.make, task: slot.task, was: was.from, now: slot.from }];
    });
  /** Puts what was added among the others. */
  const freely = { worst: null, most: MOST_AN_INSERTION, random };
  const completed = (timer: SequenceTimer, sequence: readonly number[], of: DayProblem): Placed | null => {
    const score = timer.timed(sequence, of.horizon);
    let placed: Placed | null = score && { sequence, score };
    const insert = createInserter(timer);
    for (const m of added) {
      if (!placed) return null;
      ({ placed } = insert(placed.sequence, m, { ...freely, horizon: of.horizon }));
    }
    return placed;
  };
  const found: (Relaid & { readonly late: number })[] = [];
  const best = (): Relaid | null =>
    found.reduce<(typeof found)[number] | null>(
      (a, b) => (a && (a.late < b.late || (a.late === b.late && a.moved.length <= b.moved.length)) ? a : b),
      null,
    );
  const better = (timer: SequenceTimer, placed: Placed | null, of: DayProblem): void => {
    const score = placed && timer.timed(placed.sequence, of.horizon);
    if (!score) return;
    const slots = timer.slots();
    found.push({ slots, moved: movedOf(slots), broken: 0, late: score.late });
  };
  for (const day of [kept, problem])
    for (const way of ways) {
      const timer = createSequenceTimer(day, way);
      better(timer, completed(timer, order(timer), day), day);
      if (found.length > 0) return best();
    }
  const timer = createSequenceTimer(problem);
  const sequence = order(timer);
  const insert = createInserter(timer);
  for (const { m } of known) {
    const others = sequence.filter((task) => !timer.day.tasksOf[m]!.includes(task));
    const put = insert(others, m, { ...freely, horizon: problem.horizon });
    better(timer, put.placed && completed(timer, put.placed.sequence, problem), problem);
  }
  if (found.length > 0) return best();
  // Everything cannot be kept: of some orders the one that breaks least.
  const own = (task: number): boolean => sequence.includes(task);
  const soonest = soonestOf(timer.day);
  const bySoonest = (tasks: readonly number[]): number[] =>
    [...tasks].sort((a, b) => soonest[a]! - soonest[b]! || a - b);
  const all = bySoonest(timer.day.tasksOf.flat());
  const oldFirst = merged(
    sequence,
    all.filter((task) => !own(task)),
    soonest,
  );
  let least: { readonly broken: number; readonly slots: DaySlot[] } | null = null;
  const firsts = known.flatMap(({ m }) => timer.day.tasksOf[m]!.slice(0, 1));
  for (const order of [
    oldFirst,
    all,
    ...firsts.map((task) => [task, ...oldFirst.filter((t) => t !== task)]),
  ]) {
    const forced = timer.forced(order);
    if (forced && (!least || forced.broken < least.broken))
      least = { broken: forced.broken, slots: timer.slots() };
  }
  if (!least) return null;
  return { ...least, moved: movedOf(least.slots) };
}

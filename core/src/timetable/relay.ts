import { createRandom, type Random } from '../science/numerics/index.ts';
import { createInserter, type Placed } from './insert.ts';
import { inSizes } from './in-sizes.ts';
import { createLayout } from './lay.ts';
import type { DayProblem, DaySlot } from './problem.ts';
import type { Score } from './score.ts';
import type { NumberedDay } from './numbered.ts';
import { createSequenceTimer, type SequenceTimer } from './sequence.ts';

/** Less than this is not worth saying that it moved, min. */
const MOVED_MIN = 5;
/** Sequences timed for one make put in anew. */
const MOST_AN_INSERTION = 1500;
/** What breaks so much more may be gone on from at first, min. */
const WORSE_MIN = 30;
/** Places tried for single tasks where everything cannot be kept. */
const MOST_ELSEWHERE = 6000;
/** It begins so often from the best again, as warm as at first. */
const AGAIN = 4;

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
export function relayDay(asked: DayProblem, before: readonly DaySlot[], seed = 1): Relaid | null {
  const problem = inSizes(asked);
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
  const found: (Relaid & Pick<Score, 'late' | 'outside'>)[] = [];
  const best = (): Relaid | null =>
    found.reduce<(typeof found)[number] | null>(
      (a, b) =>
        a && (a.late - b.late || a.outside - b.outside || a.moved.length - b.moved.length) <= 0 ? a : b,
      null,
    );
  const better = (timer: SequenceTimer, placed: Placed | null, of: DayProblem): void => {
    const score = placed && timer.timed(placed.sequence, of.horizon);
    if (!score) return;
    const slots = timer.slots();
    const { late, outside } = score;
    found.push({ slots, moved: movedOf(slots), broken: 0, late, outside });
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
  const firsts = known.flatMap(({ m }) => timer.day.tasksOf[m]!.slice(0, 1));
  const begun = [
    oldFirst,
    all,
    ...firsts.map((task) => [task, ...oldFirst.filter((t) => t !== task)]),
    ...patientOrders(problem, timer, at),
  ];
  const least = leastBroken(timer, begun, movedOf, random);
  return least && { ...least, moved: movedOf(least.slots) };
}

/**
 * Orders in which everything can be had, were all as patient as can be: each make as early as it goes, what is under way first, then in
 * the order of before; and one make after the other.
 */
function patientOrders(
  problem: DayProblem,
  timer: SequenceTimer,
  at: (make: string, task: string) => number,
): number[][] {
  const makes = problem.makes
    .map((make, m) => ({ make, m, was: at(make.id, make.tasks[0]?.id ?? '') }))
    .sort((a, b) => Number(b.make.underWay ?? false) - Number(a.make.underWay ?? false) || a.was - b.was);
  const serial = makes.flatMap(({ m }) => timer.day.tasksOf[m]!);
  const layout = createLayout(problem);
  const fits = makes.every(({ make }) =>
    layout.add({
      ...make,
      fixed: {},
      tasks: make.tasks.map((task) => ({ ...task, slack: problem.horizon })),
    }),
  );
  return fits ? [timer.sequenceOf(layout.timetable().slots), serial] : [serial];
}

/** What is given up of a day, least first: minutes something waits too long, then wishes, then the session, then what is at another time. */
interface GivenUp {
  readonly broken: number;
  readonly late: number;
  readonly outside: number;
  readonly moves: number;
  readonly slots: readonly DaySlot[];
}

/** A way that was tried. */
interface Tried {
  readonly order: readonly number[];
  /** The minute each task is not to begin before. */
  readonly putOff: Float64Array;
  readonly is: GivenUp;
}

const isLess = (a: GivenUp, b: GivenUp): boolean =>
  (a.broken - b.broken || a.late - b.late || a.outside - b.outside || a.moves - b.moves) < 0;

/** Of some orders, and what becomes of them when single tasks go elsewhere in them, the one that breaks least. */
function leastBroken(
  timer: SequenceTimer,
  orders: readonly (readonly number[])[],
  movedOf: (slots: readonly DaySlot[]) => Relaid['moved'],
  random: Random,
): GivenUp | null {
  const { before, next, count } = timer.day;
  const asSoonAsCan = new Float64Array(count);
  const givenUp = (order: readonly number[], putOff: Float64Array): GivenUp | null => {
    const forced = timer.forced(order, putOff);
    if (!forced) return null;
    const slots = timer.slots();
    const { late, outside } = forced.score;
    return { broken: forced.broken, late, outside, moves: movedOf(slots).length, slots };
  };
  let best: Tried | null = null;
  for (const order of orders) {
    const is = givenUp(order, asSoonAsCan);
    if (is && (!best || isLess(is, best.is))) best = { order, putOff: asSoonAsCan, is };
  }
  if (!best) return null;
  const pick = (below: number): number => Math.min(below - 1, Math.floor(random.uniform() * below));
  /** What waits too long waits less when what is before it is put off: that may itself wait, or break less. */
  const lessWaiting = (from: Tried): Float64Array | null => {
    if (!givenUp(from.order, from.putOff)) return null;
    const waiting = from.order.filter((task) => before[task]! >= 0 && timer.brokenOf(task) > 0);
    const task = waiting[pick(waiting.length)];
    if (task === undefined) return null;
    const putOff = from.putOff.slice();
    const b = before[task]!;
    const share = random.uniform() < 0.5 ? 1 : random.uniform();
    putOff[b] = timer.at[b]! + Math.ceil(share * timer.brokenOf(task));
    // As soon as can be again: what was put off for another order may be in the way of this one.
    if (random.uniform() < 0.3) putOff[from.order[pick(from.order.length)]!] = 0;
    return putOff;
  };
  /** One task stands elsewhere among the others; its own make's order stays. */
  const elsewhere = (from: Tried): readonly number[] => {
    const order = [...from.order];
    const [task] = order.splice(pick(order.length), 1) as [number];
    const first = before[task]! < 0 ? 0 : order.indexOf(before[task]!) + 1;
    const last = next[task]! < 0 ? order.length : order.indexOf(next[task]!);
    order.splice(first + pick(last - first + 1), 0, task);
    return order;
  };
  let here = best;
  for (let n = 0; n < MOST_ELSEWHERE && best.is.broken > 0; n++) {
    const way = random.uniform();
    const order = way < 0.6 ? elsewhere(here) : here.order;
    // Now and then all is as soon as it can be again, in the new order.
    const putOff = way < 0.2 ? asSoonAsCan : way < 0.6 ? here.putOff : lessWaiting(here);
    const is = putOff && givenUp(order, putOff);
    // What is as good, or a little worse at first, is gone on from, too: it may lead further.
    const cooled = (n % (MOST_ELSEWHERE / AGAIN)) / (MOST_ELSEWHERE / AGAIN);
    const worse = WORSE_MIN * (1 - cooled) * random.uniform();
    if (!is || (isLess(here.is, is) && is.broken > here.is.broken + worse)) continue;
    here = { order, putOff, is };
    if (isLess(is, best.is)) best = here;
    else if (cooled === 0) here = best;
  }
  return best.is;
}

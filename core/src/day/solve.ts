import { createRandom } from '../numerics/index.ts';
import { createLayout } from './lay.ts';
import { createOrderTimer } from './order.ts';
import { isBetter, type DayMake, type DayProblem, type Timetable } from './problem.ts';

/** Orders of makes that are tried: fewer where each takes longer. */
const triesFor = (tasks: number): number => Math.round(Math.min(400, Math.max(120, 24_000 / tasks)));
/** Moves of single tasks that are tried in each round, for each order of makes. */
const ORDERS_PER_TRY = 10;
/** A day that ends so much later is gone on from one time in three at first, min. */
const HOTTEST_MIN = 20;
/**
 * A minute too late for what may not wait counts as so many of the day, round after round: at first it costs nothing, so that
 * days on the far side of what cannot be are reached at all.
 */
const BROKEN_COSTS = [0, 0, 0.1, 0, 0.3, 0, 0, 1];
/** The same as long as there is no timetable at all. */
const UNTIL_IT_FITS = 3;
/** Orders tried for whether some of the makes fit. */
const CLASH_TRIES = 60;

/** A day laid out, with how near it is to the best there can be. */
export interface DaySolution {
  readonly timetable: Timetable;
  /** No timetable finishes earlier than this, min. */
  readonly bound: number;
  /** Orders that were tried. */
  readonly tries: number;
}

/** Which makes cannot be fitted, as few as there are. */
export interface DayClash {
  readonly clash: readonly string[];
  /** Each of them goes nowhere even alone; otherwise no timetable was found, which is no proof that there is none. */
  readonly proven: boolean;
}

interface Choice {
  readonly order: readonly DayMake[];
  /** Tasks that are put off though they could be done, until another is done: by make and task, the minute. */
  readonly putOff: ReadonlyMap<string, number>;
}
const NOTHING_PUT_OFF: Choice['putOff'] = new Map();
const keyOf = (make: string, task: string): string => `${make} ${task}`;

/** Lays the makes in, in this order; what the maker fixed comes first. */
function laid(problem: DayProblem, { order, putOff }: Choice): Timetable | null {
  const layout = createLayout(problem);
  for (const make of order) {
    const of = (task: string): number => putOff.get(keyOf(make.id, task)) ?? 0;
    if (!layout.add(make, of)) return null;
  }
  return layout.timetable();
}

const isFixed = ({ fixed }: DayMake): boolean => Object.keys(fixed).length > 0;

/**
 * No timetable can finish earlier: each make alone in the empty kitchen, and all hands there are to do one after the other.
 * @returns minutes; `null` when a make alone goes nowhere
 */
export function lowerBound(problem: DayProblem): number | null {
  let bound = 0;
  for (const make of problem.makes) {
    const alone = laid(problem, { order: [make], putOff: NOTHING_PUT_OFF });
    if (!alone) return null;
    bound = Math.max(bound, alone.finish);
  }
  const work = problem.makes.reduce(
    (sum, { tasks }) => sum + tasks.reduce((own, { minutes }) => own + minutes, 0),
    0,
  );
  const first = Math.min(...problem.makes.map(({ from, tasks }) => from + (tasks[0]?.after ?? 0)));
  const stretches = problem.cooks
    .flatMap(({ free }) => free)
    .map(([from, to]) => [Math.max(from, first), to] as const)
    .filter(([from, to]) => to > from);
  const edges = [...new Set(stretches.flat())].sort((a, b) => a - b);
  let left = work;
  for (const [i, from] of edges.entries()) {
    const to = edges[i + 1];
    const hands = stretches.filter(([begin, end]) => begin <= from && end > from).length;
    if (to === undefined || hands * (to - from) >= left) {
      if (hands > 0) bound = Math.max(bound, Math.ceil(from + left / hands));
      break;
    }
    left -= hands * (to - from);
  }
  return bound;
}

/** The fewest makes that clash among those that do not fit together: one after the other is left out as long as they still clash. */
function smallestClash(problem: DayProblem, fits: (makes: readonly DayMake[]) => boolean): DayClash {
  let makes = [...problem.makes];
  for (const make of problem.makes) {
    const without = makes.filter(({ id }) => id !== make.id);
    if (without.length > 0 && !fits(without)) makes = without;
  }
  return { clash: makes.map(({ id }) => id), proven: false };
}

/**
 * Lays a day out, as good as it is found: tries orders of the makes and small delays, each laid as early as it goes. A generator,
 * so that a worker may stop between slices; the same seed gives the same day everywhere.
 * @yields how far it is, 0..1
 */
export function* solvingDay(
  problem: DayProblem,
  seed = 1,
  tries = triesFor(problem.makes.reduce((sum, { tasks }) => sum + tasks.length, 0)),
): Generator<number, DaySolution | DayClash> {
  const random = createRandom(seed);
  const longest = (make: DayMake): number =>
    make.tasks.reduce((sum, { after, minutes }) => sum + after + minutes, 0);
  const start = [...problem.makes].sort(
    (a, b) => Number(isFixed(b)) - Number(isFixed(a)) || longest(b) - longest(a),
  );
  const bound = lowerBound(problem);
  const pick = (below: number): number => Math.min(below - 1, Math.floor(random.uniform() * below));
  /** Another choice near to one: a make elsewhere in the order, a task put off until another is done, or not any more. */
  const varied = ({ order, putOff }: Choice, now: Timetable | null): Choice => {
    const next = [...order];
    if (next.length > 1 && random.uniform() < 0.5) {
      const [make] = next.splice(pick(next.length), 1);
      next.splice(pick(next.length + 1), 0, make!);
      // What is fixed is laid first, whatever is tried.
      next.sort((a, b) => Number(isFixed(b)) - Number(isFixed(a)));
      if (random.uniform() < 0.5) return { order: next, putOff };
    }
    const delays = new Map(putOff);
    const some = [...delays.keys()];
    if (some.length > 0 && random.uniform() < 0.35) delays.delete(some[pick(some.length)]!);
    if (now && random.uniform() < 0.75) {
      const [one, other] = [now.slots[pick(now.slots.length)]!, now.slots[pick(now.slots.length)]!];
      if (one.make !== other.make) delays.set(keyOf(one.make, one.task), other.to);
    }
    return { order: next, putOff: delays };
  };
  /** A worse day is gone on from at first, now and then, so that a better one behind it is found; later hardly ever. */
  const isWorth = (there: Tried, here: Tried, heat: number, brokenCosts = 1): boolean => {
    const worse =
      brokenCosts * ((there.broken ?? 0) - (here.broken ?? 0)) +
      5 * (there.late - here.late) +
      (there.finish - here.finish) +
      0.05 * (there.sum - here.sum);
    if (worse <= 0) return true;
    return random.uniform() < Math.exp(-worse / (0.2 + HOTTEST_MIN * heat * heat));
  };
  const search = function* (of: DayProblem, from: Choice, most: number): Generator<number, Searched> {
    let choice = from;
    let here = laid(of, choice);
    let best = here;
    let done = 1;
    for (; done < most; done++) {
      if (best && bound !== null && best.late === 0 && best.finish <= bound && done > most / 4) break;
      const other = varied(choice, here);
      const there = laid(of, other);
      if (there && (!here || isWorth(there, here, 1 - done / most))) {
        choice = other;
        here = there;
        if (!best || isBetter(there, best)) best = there;
      } else if (!here) choice = other;
      if (done % 50 === 0) yield done / most;
    }
    return { best, tries: done };
  };
  const taskMoved = (order: readonly number[]): number[] => {
    const other = [...order];
    const [task] = other.splice(pick(other.length), 1);
    other.splice(pick(other.length + 1), 0, task!);
    return other;
  };
  /** All tasks of one make somewhere else among the others, in their order. */
  const makeStrewn = (order: readonly number[], makeOf: Int32Array): number[] => {
    const make = makeOf[pick(makeOf.length)]!;
    const own = order.filter((i) => makeOf[i] === make);
    const other = order.filter((i) => makeOf[i] !== make);
    const places = own.map(() => pick(other.length + 1)).sort((a, b) => b - a);
    for (const [n, place] of places.entries()) other.splice(place, 0, own[own.length - 1 - n]!);
    return other;
  };
  /** Goes on from a day by moving single tasks in the order in which hands are given. */
  const refined = function* (from: Tried, most: number, brokenCosts: number): Generator<number, Searched> {
    const timer = createOrderTimer(problem);
    let order = timer.orderOf(from);
    const first = timer.timed(order);
    let here: Tried = first ?? from;
    let best: Timetable | null = (from.broken ?? 0) > 0 ? null : from;
    if (first?.broken === 0 && (!best || isBetter(first, best))) best = first;
    let done = 0;
    for (; done < most && timer.count > 1; done++) {
      if (best?.late === 0 && bound !== null && best.finish <= bound && done > most / 4) break;
      const other = random.uniform() < 0.3 ? makeStrewn(order, timer.makeOf) : taskMoved(order);
      if (!keepsMakes(other, timer.before)) continue;
      const there = timer.timed(other);
      if (there && isWorth(there, here, 1 - done / most, best ? brokenCosts : UNTIL_IT_FITS)) {
        order = other;
        here = there;
        if (there.broken === 0 && (!best || isBetter(there, best))) best = there;
      }
      if (done % 200 === 0) yield done / most;
    }
    return { best, tries: done };
  };
  if (bound === null) {
    const nowhere = problem.makes.filter(
      (make) => !laid(problem, { order: [make], putOff: NOTHING_PUT_OFF }),
    );
    return { clash: nowhere.map(({ id }) => id), proven: true };
  }
  const found = yield* search(problem, { order: start, putOff: NOTHING_PUT_OFF }, tries);
  let timetable = found.best;
  let more = 0;
  const alone = eachAlone(problem);
  for (const costs of BROKEN_COSTS) {
    const from = timetable ?? alone;
    const { best, tries: tried } = yield* refined(from, ORDERS_PER_TRY * tries, costs);
    if (best && (!timetable || isBetter(best, timetable))) timetable = best;
    more += tried;
  }
  if (timetable) return { timetable, bound: Math.min(bound, timetable.finish), tries: found.tries + more };
  return smallestClash(problem, (makes) => {
    const some = { ...problem, makes };
    const order = start.filter((make) => makes.includes(make));
    const work = search(some, { order, putOff: NOTHING_PUT_OFF }, CLASH_TRIES);
    for (;;) {
      const step = work.next();
      if (step.done) return step.value.best !== null;
    }
  });
}

/** Every make as it would go alone: no timetable, but an order to begin with. */
function eachAlone(problem: DayProblem): Tried {
  const slots = problem.makes.flatMap(
    (make) => laid(problem, { order: [make], putOff: NOTHING_PUT_OFF })?.slots ?? [],
  );
  return { slots, finish: Infinity, late: Infinity, sum: Infinity, broken: Infinity };
}

/** Whether each task comes after the one before in its make. */
function keepsMakes(order: readonly number[], before: Int32Array): boolean {
  const seen = new Uint8Array(before.length);
  for (const i of order) {
    if (before[i]! >= 0 && seen[before[i]!] === 0) return false;
    seen[i] = 1;
  }
  return true;
}

/** A day that was tried; where what may not wait does wait, it is no timetable yet. */
type Tried = Timetable & { readonly broken?: number };

interface Searched {
  readonly best: Timetable | null;
  readonly tries: number;
}

/** `solvingDay` run to its end. */
export function solveDay(problem: DayProblem, seed = 1, tries?: number): DaySolution | DayClash {
  const work = solvingDay(problem, seed, tries);
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

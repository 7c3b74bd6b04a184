import { createRandom, type Random } from '../science/numerics/index.ts';
import { createInserter, type Inserter, type Placed } from './insert.ts';
import { createLayout } from './lay.ts';
import { type DayMake, type DayProblem, type DaySlot, type Timetable } from './problem.ts';
import { isBetter, type Score } from './score.ts';
import { scaled } from './scaled.ts';
import { createSequenceTimer, timetableOf, type SequenceTimer } from './sequence.ts';
import { inSizes, sharedOut, sizedSpans, sizesApart } from './in-sizes.ts';

/** Sequences timed: more where there are more ways. */
export const triesFor = ({ makes }: DayProblem): number => {
  const tasks = makes.reduce((sum, make) => sum + make.tasks.length, 0);
  return Math.min(60_000, Math.max(6000, 400 * tasks));
};
/** Of them, those spent on each beginning from nothing; the rest makes the best of what was found better. */
const BEGINNINGS = 3;
const BEGINNINGS_SHARE = 0.5;
/** Most of the makes taken out and put in again at once. */
const MOST_TAKEN_OUT = 3;
/** Most sequences timed for one make put in at first, while room must be found, and later. */
const MOST_AT_FIRST = 1000;
const MOST_AN_INSERTION = 600;
/** A day that is worse by this share is gone on from at first. */
const HOTTEST = 0.1;
/** How much more the order of each beginning is left to chance than that of the one before. */
const CHANCE = 0.3;
/** How often what is worse than the best so far is given up for it. */
const GIVEN_UP = 0.02;
/** Beginnings tried for whether some of the makes fit, and sequences timed in all of them: who clashes is told soon, or roughly. */
const CLASH_BEGINNINGS = 2;
const CLASH_TRIES = 40_000;

/** A day laid out. */
export interface DaySolution {
  readonly timetable: Timetable;
  /** No timetable finishes earlier than this, min. */
  readonly bound: number;
  /** Sequences that were timed. */
  readonly tries: number;
}

/** Which makes cannot be fitted, as few as there are. */
export interface DayClash {
  readonly clash: readonly string[];
  /** Each of them goes nowhere even alone; otherwise no timetable was found, which is no proof that there is none. */
  readonly proven: boolean;
}

/** When a make is done alone in the empty kitchen; `null` when it goes nowhere. */
function finishAlone(problem: DayProblem, make: DayMake): number | null {
  const layout = createLayout(problem);
  return layout.add(make) ? layout.timetable().finish : null;
}

/** What no timetable can be better than. */
interface Bound {
  /** Each make alone in the empty kitchen, and all hands there are to do one after the other, min. */
  readonly finish: number;
  /** Minutes late, and the sum of when each is done, when none of them waits for another. */
  readonly late: number;
  readonly sum: number;
}

/**
 * What no timetable can be better than: a wish that goes unmet even alone is found out here.
 * @returns `null` when a make alone goes nowhere
 */
export function lowerBound(problem: DayProblem): Bound | null {
  let finish = 0;
  let late = 0;
  let sum = 0;
  for (const make of problem.makes) {
    const alone = finishAlone(problem, make);
    if (alone === null) return null;
    finish = Math.max(finish, alone);
    sum += alone;
    if (make.by !== null) late += Math.max(0, alone - make.by);
  }
  return { finish: Math.max(finish, allHands(problem)), late, sum };
}

/** When all hands there are to do one after the other are done at the soonest, min. */
function allHands(problem: DayProblem): number {
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
    if (to === undefined || hands * (to - from) >= left)
      return hands > 0 ? Math.ceil(from + left / hands) : 0;
    left -= hands * (to - from);
  }
  return 0;
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

/** How the makes are laid in at first: the long and the fixed ones before the others, and a little by chance. */
function beginningOrder({ makes }: DayProblem, random: Random, chance: number): number[] {
  const longest = makes.reduce(
    (most, { tasks }) =>
      Math.max(
        most,
        tasks.reduce((sum, t) => sum + t.after + t.minutes, 0),
      ),
    1,
  );
  const rank = makes.map(
    ({ tasks, fixed, underWay }) =>
      (underWay || Object.keys(fixed).length > 0 ? 2 : 0) +
      tasks.reduce((sum, t) => sum + t.after + t.minutes, 0) / longest +
      chance * random.uniform(),
  );
  return makes.map((_, m) => m).sort((a, b) => rank[b]! - rank[a]!);
}

/** What a search works with. */
interface Search {
  readonly problem: DayProblem;
  readonly timer: SequenceTimer;
  readonly insert: Inserter;
  readonly random: Random;
}

const searchOf = (problem: DayProblem, random: Random): Search => {
  const timer = createSequenceTimer(problem);
  return { problem, timer, insert: createInserter(timer), random };
};

/** Lays one make in after the other. @returns how many sequences it took, and `null` when one goes nowhere */
function beginning(
  { problem, timer, insert, random }: Search,
  chance: number,
): { readonly placed: Placed | null; readonly tried: number } {
  timer.given.fill(-1);
  let placed: Placed = { sequence: [], score: { late: 0, outside: 0, risk: 0, sum: 0, finish: 0 } };
  let tried = 0;
  const how = { worst: null, most: MOST_AT_FIRST, random, horizon: problem.horizon };
  for (const make of beginningOrder(problem, random, chance)) {
    const put = insert(placed.sequence, make, how);
    tried += put.tried;
    if (!put.placed) return { placed: null, tried };
    placed = put.placed;
  }
  return { placed, tried };
}

/** Orders of the makes that are tried, each laid as early as it goes. */
const ORDERS = 60;

/** The best of some orders of the makes, each make laid as early as it goes. */
function laidInOrder({ problem, timer, random }: Search, isDone: (score: Score) => boolean): Placed | null {
  let best: Placed | null = null;
  for (let n = 0; n < ORDERS && !(best && isDone(best.score)); n++) {
    const layout = createLayout(problem);
    const order = beginningOrder(problem, random, (CHANCE * n) / 4);
    if (!order.every((make) => layout.add(problem.makes[make]!))) continue;
    const sequence = timer.sequenceOf(layout.timetable().slots);
    const score = timer.timed(sequence, problem.horizon);
    if (score && (!best || isBetter(score, best.score))) best = { sequence, score };
  }
  return best;
}

/** What is a little worse than this may still be gone on from. */
const warmed = ({ late, outside, risk, sum }: Score, heat: number): Score => ({
  late,
  outside: outside * (1 + heat),
  risk: risk * (1 + heat),
  sum: sum * (1 + heat),
  finish: Number.POSITIVE_INFINITY,
});

/** How often, with several cooks, who does what is left to chance where makes are put in again, and of how many of their tasks. */
const GIVEN_BY_CHANCE = 0.5;
const GIVEN_SHARE = 0.4;

/** Makes a sequence better by taking some makes out and putting them in again. @yields how far it is, 0..1 */
function* bettered(
  { problem, timer, insert, random }: Search,
  from: Placed,
  most: number,
  isDone: (score: Score) => boolean,
): Generator<number, { readonly best: Placed; readonly tried: number }> {
  let here = from;
  let best = from;
  let tried = 0;
  const count = problem.makes.length;
  const { cooks } = timer.day;
  const nobody = new Int32Array(timer.day.count).fill(-1);
  const pick = (below: number): number => Math.min(below - 1, Math.floor(random.uniform() * below));
  while (tried < most && !isDone(best.score)) {
    yield tried / most;
    const heat = HOTTEST * (1 - tried / most) ** 2;
    const out = new Set<number>();
    const many = 1 + pick(Math.min(MOST_TAKEN_OUT, count));
    while (out.size < many) out.add(pick(count));
    const gone = new Set([...out].flatMap((make) => timer.day.tasksOf[make]!));
    timer.given.set(here.given ?? nobody);
    if (cooks > 1)
      for (const task of gone)
        timer.given[task] =
          random.uniform() < GIVEN_BY_CHANCE && random.uniform() < GIVEN_SHARE ? pick(cooks) : -1;
    const how = {
      worst: warmed(here.score, heat),
      most: MOST_AN_INSERTION,
      random,
      horizon: problem.horizon,
    };
    let next: Placed | null = {
      sequence: here.sequence.filter((task) => !gone.has(task)),
      score: here.score,
    };
    // Where none is taken out besides it, a make may well go back where it was.
    for (const make of out) {
      const put = insert(next.sequence, make, how);
      tried += put.tried + 1;
      next = put.placed;
      if (!next) break;
    }
    if (!next) continue;
    here = cooks > 1 ? { ...next, given: timer.given.slice() } : next;
    if (isBetter(here.score, best.score)) best = here;
    // What has gone far astray is given up.
    else if (random.uniform() < GIVEN_UP) here = best;
  }
  return { best, tried };
}

/**
 * Lays a day out, as good as it is found: lays the makes in one after the other, each in the best places there are, then again
 * and again takes some out and puts them in anew. A generator, so that a worker may stop between slices; the same seed gives the
 * same day everywhere.
 * @param tries sequences timed, about
 * @param roughly begun from one beginning only; and where no way is found, nobody asks which of them clash
 * @yields how far it is, 0..1
 */
export function* solvingDay(
  problem: DayProblem,
  seed = 1,
  tries = triesFor(problem),
  roughly = false,
): Generator<number, DaySolution | DayClash> {
  const solved = yield* searching(inSizes(problem), seed, tries, roughly);
  if ('clash' in solved || hasRoom(problem, solved.timetable.slots)) return solved;
  // Counted, there is a pot for each; given out, there is not.
  return yield* searching(sizesApart(problem), seed, tries, roughly);
}

/** Whether each make finds one of its own of what comes in sizes. */
export const hasRoom = (problem: DayProblem, slots: readonly DaySlot[]): boolean =>
  Object.entries(problem.sizes ?? {}).every(
    ([thing, sizes]) =>
      sharedOut(
        sizedSpans(problem, slots).filter((span) => span.thing === thing),
        sizes,
      ) !== null,
  );

function* searching(
  problem: DayProblem,
  seed: number,
  tries: number,
  roughly: boolean,
): Generator<number, DaySolution | DayClash> {
  const random = createRandom(seed);
  const bound = lowerBound(problem);
  if (bound === null) {
    const nowhere = problem.makes.filter((make) => finishAlone(problem, make) === null);
    return { clash: nowhere.map(({ id }) => id), proven: true };
  }
  const search = searchOf(problem, random);
  const { timer } = search;
  const isDone = (score: Score): boolean =>
    score.late <= bound.late && score.outside === 0 && score.risk === 0 && score.sum <= bound.sum;
  let best: Placed | null = laidInOrder(search, isDone);
  let tried = ORDERS;
  const beginnings = roughly ? 1 : BEGINNINGS;
  for (let n = 0; n < beginnings && !(best && isDone(best.score)); n++) {
    const share = (BEGINNINGS_SHARE * tries) / beginnings;
    const begun = beginning(search, CHANCE * n);
    tried += begun.tried;
    yield (BEGINNINGS_SHARE * n) / beginnings;
    if (!begun.placed) continue;
    const work = bettered(search, begun.placed, share, isDone);
    const better = yield* scaled(work, (BEGINNINGS_SHARE * n) / beginnings, BEGINNINGS_SHARE / beginnings);
    tried += better.tried;
    if (!best || isBetter(better.best.score, best.score)) best = better.best;
  }
  if (!best) {
    if (roughly) return { clash: [], proven: false };
    let looked = 0;
    return smallestClash(problem, (makes) => {
      const own = searchOf({ ...problem, makes }, random);
      for (let n = 0; n < CLASH_BEGINNINGS && looked < CLASH_TRIES; n++) {
        const begun = beginning(own, CHANCE * n);
        looked += begun.tried;
        if (begun.placed) return true;
      }
      // Not found in the time there is: it stays among those that may clash.
      return looked >= CLASH_TRIES;
    });
  }
  const work = bettered(search, best, (1 - BEGINNINGS_SHARE) * tries, isDone);
  const better = yield* scaled(work, BEGINNINGS_SHARE, 1 - BEGINNINGS_SHARE);
  tried += better.tried;
  if (isBetter(better.best.score, best.score)) best = better.best;
  if (best.given) timer.given.set(best.given);
  else timer.given.fill(-1);
  const score = timer.timed(best.sequence, problem.horizon)!;
  return { timetable: timetableOf(timer, score), bound: Math.min(bound.finish, score.finish), tries: tried };
}

/** `solvingDay` run to its end. */
export function solveDay(problem: DayProblem, seed = 1, tries?: number): DaySolution | DayClash {
  const work = solvingDay(problem, seed, tries);
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

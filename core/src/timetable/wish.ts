import type { KitchenSettings, Method } from '../contract/index.ts';
import { planOfMethod } from '../products/index.ts';
import { clashWords } from './clash-words.ts';
import { dayMakeOf, dayProblem } from './from-makes.ts';
import { withoutKept, type KeptFree } from './kept-free.ts';
import { robustness, type Robustness } from './robust.ts';
import { isBetter, type DayMake, type DayProblem, type DaySlot } from './problem.ts';
import { scaled } from './scaled.ts';
import { solvingDay, type DayClash, type DaySolution } from './solve.ts';
import { handsOf, type DayHands } from './hands.ts';
import { DAY_MIN } from '../science/units/index.ts';

/** What would just fit is not said to clash because it is put off into the next morning, days. */
export const SPARE_DAYS = 2;

/** Other days that are tried for how well they bear waits that come out otherwise. */
const STEADIER = 6;

/** A make somebody wants in a day. */
export interface WishedMake {
  readonly id: string;
  readonly name: string;
  readonly method: Method;
  /** Left out, as much as a make of it usually is. */
  readonly litres?: number | undefined;
  /** Not before, and wished by, min from the zero. */
  readonly from?: number;
  readonly by?: number | null;
  /** When hands of a step must begin, by step. */
  readonly fixed?: Readonly<Record<string, number>>;
  /** Who does a step, by step. */
  readonly who?: Readonly<Record<string, string>>;
}

/** A piece of work besides the makes, at its time: skimming what the makes need. */
export interface DayChore {
  readonly id: string;
  readonly title: string;
  readonly at: number;
  readonly minutes: number;
}

/** What somebody wants to make in a day, or in several. */
export interface DayWish {
  readonly kitchen: KitchenSettings;
  readonly zeroMs: number;
  /** What falls into these days is laid out; what is later goes on after them. */
  readonly days: number;
  readonly makes: readonly WishedMake[];
  readonly chores?: readonly DayChore[];
  /** Hours that are wished free, the dearest first. */
  readonly keptFree?: readonly KeptFree[];
  readonly seed?: number;
}

/** What a wish costs: how much sooner all would be done, and how much less late, without it. */
export interface WishPrice {
  readonly id: string;
  readonly soonerMin: number;
  readonly lessLateMin: number;
}

/** A day laid out, or why it cannot be. */
export type DayAnswer =
  | {
      readonly fits: true;
      /** In order of time. */
      readonly hands: readonly DayHands[];
      readonly finish: number;
      /** No timetable finishes earlier, min. */
      readonly bound: number;
      readonly late: number;
      /** Hours wished free that could not be: without giving them up nothing fits. */
      readonly givenUp: readonly string[];
      readonly prices: readonly WishPrice[];
      readonly robustness: Robustness;
      /** What makes ask for after the days chosen, about when, min. */
      readonly after: readonly { readonly make: string; readonly title: string; readonly at: number }[];
    }
  | { readonly fits: false; readonly why: string; readonly clashing: readonly string[] };

interface Tail {
  readonly make: string;
  readonly title: string;
  readonly offset: number;
}

/** The tasks of a make that fall into so many minutes when nothing holds it up, and those after them. */
export function cut(
  make: DayMake,
  minutes: number,
): { readonly within: DayMake; readonly later: readonly Tail[] } {
  let offset = 0;
  const later: Tail[] = [];
  let within = make.tasks.length;
  for (const [k, task] of make.tasks.entries()) {
    offset += task.after;
    if (within === make.tasks.length && make.from + offset + task.minutes > minutes) within = k;
    if (k >= within) later.push({ make: make.id, title: task.title, offset });
    offset += task.minutes;
  }
  return { within: { ...make, tasks: make.tasks.slice(0, within) }, later };
}

/** A piece of work as a make of its own, at its time. */
export const choreMake = ({ id, title, at, minutes }: DayChore): DayMake => ({
  id,
  title,
  from: 0,
  by: null,
  fixed: { [id]: at },
  tasks: [{ id, title, minutes, after: 0, slack: 0, holds: [] }],
});

type Solved = DaySolution | DayClash;
/** Lays a day out, a slice at a time. @yields how far it is, 0..1 */
export function* layingDay(wish: DayWish): Generator<number, DayAnswer> {
  const { kitchen, zeroMs, days, makes, chores = [], keptFree = [], seed = 1 } = wish;
  const lacks = (['burners', 'pots', 'cooks'] as const).find((things) => kitchen[things].length === 0);
  if (lacks === 'burners' || lacks === 'pots')
    return { fits: false, why: `There is no ${lacks.slice(0, -1)} in this kitchen.`, clashing: [] };
  if (lacks === 'cooks') return { fits: false, why: 'Nobody is there in that time.', clashing: [] };
  const startAt = new Date(zeroMs).toISOString();
  const asked: DayMake[] = [];
  const tails: Tail[] = [];
  const sigmas = new Map<string, ReadonlyMap<string, number>>();
  for (const { id, name, method, litres, from = 0, by = null, fixed = {}, who = {} } of makes) {
    const refuse = (why: string): DayAnswer => ({ fits: false, why, clashing: [id] });
    const unknown = [...Object.keys(fixed), ...Object.keys(who)].find(
      (step) => !method.steps.some((s) => s.id === step),
    );
    if (unknown !== undefined)
      return refuse(`“${name}” has no step “${unknown}” to set a time or a person for.`);
    const nobody = Object.values(who).find((cook) => !kitchen.cooks.some((c) => c.id === cook));
    if (nobody !== undefined)
      return refuse(`“${name}” is given to someone who is not a cook in this kitchen.`);
    const plan = { ...planOfMethod(method, kitchen, startAt, litres), name };
    const seen = dayMakeOf({ id, plan, from, by, fixed, who });
    if (!seen) return refuse(`“${name}” would never finish in this kitchen as it is set up.`);
    if (by !== null && by <= from)
      return refuse(`“${name}” is due before its earliest start. Change one of the two times.`);
    const { within, later } = cut(seen.make, days * DAY_MIN);
    if (within.tasks.length === 0) return refuse(`“${name}” does not start within the chosen days.`);
    asked.push(within);
    sigmas.set(id, seen.sigmaMin);
    tails.push(...later);
    yield 0;
  }
  const all = [...chores.map(choreMake), ...asked];
  const whole = dayProblem(kitchen, all, zeroMs, days + SPARE_DAYS);
  const keeping = (kept: readonly KeptFree[]): DayProblem => ({
    ...whole,
    cooks: withoutKept(whole.cooks, kept),
  });
  // A wish may be about several days: it is kept, priced and given up whole.
  const wishes = [...new Set(keptFree.map(({ id }) => id))];
  const runs = 1 + wishes.length;
  let problem = keeping(keptFree);
  let solved = yield* scaled(solvingDay(problem, seed), 0, 1 / runs);
  const first = solved;
  let givenUp: string[] = [];
  const prices: WishPrice[] = [];
  // Each wish in its turn is left out, the least dear first.
  for (const [n, without] of [...wishes].reverse().entries()) {
    const other = keeping(keptFree.filter(({ id }) => id !== without));
    const tried = yield* scaled(solvingDay(other, seed), (n + 1) / runs, 1 / runs);
    if ('clash' in tried) continue;
    if ('clash' in first) {
      if (givenUp.length > 0) continue;
      givenUp = [without];
      [solved, problem] = [tried, other];
    } else
      prices.push({
        id: without,
        soonerMin: Math.max(0, first.timetable.finish - tried.timetable.finish),
        lessLateMin: Math.max(0, first.timetable.late - tried.timetable.late),
      });
  }
  if ('clash' in solved && wishes.length > 1) {
    const none = yield* scaled(solvingDay(whole, seed), 0.99, 0);
    if (!('clash' in none)) {
      givenUp = wishes;
      [solved, problem] = [none, whole];
    }
  }
  if ('clash' in solved) return { fits: false, why: clashWords(whole, solved), clashing: solved.clash };
  const simulated = (of: DaySolution): Robustness =>
    robustness(problem, of.timetable.slots, (make, task) => sigmas.get(make)?.get(task) ?? 0);
  let steady = { solved, robust: simulated(solved) };
  // Of days that are over as early as can be, the one that bears most: each is soon found.
  for (
    let n = 1;
    n <= STEADIER && solved.timetable.finish <= solved.bound && steady.robust.clashing > 0;
    n++
  ) {
    const other: Solved = yield* scaled(solvingDay(problem, seed + n), 0.99, 0);
    if ('clash' in other || isBetter({ ...solved.timetable, sum: 0 }, { ...other.timetable, sum: 0 }))
      continue;
    const robust = simulated(other);
    if (robust.clashing < steady.robust.clashing) steady = { solved: other, robust };
  }
  const { slots, finish, late } = steady.solved.timetable;
  const begins = (make: string): number => slots.find((slot: DaySlot) => slot.make === make)?.from ?? 0;
  return {
    fits: true,
    hands: handsOf(problem, slots),
    finish,
    bound: solved.bound,
    late,
    givenUp,
    prices,
    robustness: steady.robust,
    after: tails
      .map(({ make, title, offset }) => ({ make, title, at: offset + begins(make) }))
      .sort((a, b) => a.at - b.at),
  };
}

/** `layingDay` run to its end. */
export function layDay(wish: DayWish): DayAnswer {
  const work = layingDay(wish);
  for (;;) {
    const step = work.next();
    if (step.done === true) return step.value;
  }
}

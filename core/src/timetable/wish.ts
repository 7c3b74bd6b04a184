import type { KitchenSettings, Method } from '../contract/index.ts';
import { planOfMethod } from '../products/index.ts';
import { clashWords } from './clash-words.ts';
import { dayMakeOf, dayProblem } from './from-makes.ts';
import { withoutKept, type KeptFree } from './kept-free.ts';
import { robustness, type Robustness } from './robust.ts';
import { guarded, scoreOf } from './guarded.ts';
import { sharedOut, sizedSpans } from './in-sizes.ts';
import type { DayMake, DayProblem, DaySlot, Score } from './problem.ts';
import { scaled } from './scaled.ts';
import { solvingDay, triesFor, type DayClash, type DaySolution } from './solve.ts';
import { leastPot } from './vessels.ts';
import { formatVolume } from '../science/units/index.ts';
import { handsOf, type DayHands } from './hands.ts';
import { DAY_MIN } from '../science/units/index.ts';

/** What would just fit is not said to clash because it is put off into the next morning, days. */
export const SPARE_DAYS = 2;

/** Around what may come early or late, hands are kept free of so many σ in the days that are tried for a steadier one. */
const GUARDS = [
  { there: 0.8, hands: 0.3 },
  { there: 1.28, hands: 0.3 },
  { there: 0.8, hands: 0 },
];
/** Such a share of simulated days on which nothing waits too long is enough. */
const STEADY = 0.95;
/** What a wish costs is worked out more roughly than the day itself, and so are steadier days: so much of the work. */
const ROUGHLY = 0.4;

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
  /** Hours meant to be spent at it, min from the zero; outside of them only short looks are laid where it can be. */
  readonly session?: readonly (readonly [from: number, to: number])[];
  readonly seed?: number;
}

/** What a wish costs: how much sooner a batch would be done on average, and how much less late all of them, without it. */
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
      /** Minutes of hands outside the session, short looks not counted. */
      readonly outside: number;
      /** Which pot each make has, of those that have one. */
      readonly pots: readonly { readonly make: string; readonly pot: string; readonly name: string }[];
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

/** The smallest pot that holds so much, L; `null` when none does. */
const smallestPot = ({ pots }: KitchenSettings, litres: number): KitchenSettings['pots'][number] | null =>
  [...pots].sort((a, b) => a.litres - b.litres).find((pot) => pot.litres >= litres) ?? null;

/** A day laid out, with how well it bears waits that come out otherwise. */
interface Laid {
  readonly slots: readonly DaySlot[];
  readonly score: Score;
  readonly robust: Robustness;
  readonly isSteady: boolean;
}

/** Wishes first, then the session, then that it bears what usually runs late, then makes done soon. */
function isMoreWelcome(a: Laid, b: Laid): boolean {
  const wishes = a.score.late - b.score.late || a.score.outside - b.score.outside;
  if (wishes !== 0) return wishes < 0;
  if (a.isSteady !== b.isSteady) return a.isSteady;
  return a.isSteady ? a.score.sum < b.score.sum : a.robust.clashing < b.robust.clashing;
}

/** Which pot each make has. */
function potsOf(
  { pots }: KitchenSettings,
  problem: DayProblem,
  slots: readonly DaySlot[],
): { make: string; pot: string; name: string }[] {
  const spans = sizedSpans(problem, slots);
  const given = sharedOut(
    spans,
    pots.map(({ litres }) => litres),
  );
  return (given ?? []).map((unit, i) => ({
    make: spans[i]!.make,
    pot: pots[unit]!.id,
    name: pots[unit]!.name,
  }));
}

/** Lays a day out, a slice at a time. @yields how far it is, 0..1 */
export function* layingDay(wish: DayWish): Generator<number, DayAnswer> {
  const { kitchen, zeroMs, days, makes, chores = [], keptFree = [], session, seed = 1 } = wish;
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
    const planned = planOfMethod(method, kitchen, startAt, litres);
    const needs = leastPot(planned);
    const plan = { ...planned, name, pot: smallestPot(kitchen, needs) ?? planned.pot };
    const seen = dayMakeOf({ id, plan, from, by, fixed, who });
    if (!seen) return refuse(`“${name}” would never finish in this kitchen as it is set up.`);
    if (by !== null && by <= from)
      return refuse(`“${name}” is due before its earliest start. Change one of the two times.`);
    const largest = Math.max(...kitchen.pots.map((pot) => pot.litres));
    if (needs > largest && seen.make.tasks.some(({ holds }) => holds.includes('pot')))
      return refuse(
        `“${name}” needs a pot for ${formatVolume(needs, kitchen.units.measures)}. The largest here holds ${formatVolume(largest, kitchen.units.measures)}. Make less, or make it in two batches.`,
      );
    const { within, later } = cut(seen.make, days * DAY_MIN);
    if (within.tasks.length === 0) return refuse(`“${name}” does not start within the chosen days.`);
    asked.push(within);
    sigmas.set(id, seen.sigmaMin);
    tails.push(...later);
    yield 0;
  }
  const all = [...chores.map(choreMake), ...asked];
  const whole = { ...dayProblem(kitchen, all, zeroMs, days + SPARE_DAYS), ...(session ? { session } : {}) };
  const tries = triesFor(all.reduce((sum, { tasks }) => sum + tasks.length, 0));
  const roughly = (problem: DayProblem, as: number) => solvingDay(problem, as, ROUGHLY * tries, true);
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
    const tried = yield* scaled(roughly(other, seed), (n + 1) / runs, 1 / runs);
    if ('clash' in tried) continue;
    if ('clash' in first) {
      if (givenUp.length > 0) continue;
      givenUp = [without];
      [solved, problem] = [tried, other];
    } else
      prices.push({
        id: without,
        soonerMin: Math.max(0, Math.round((first.timetable.sum - tried.timetable.sum) / all.length)),
        lessLateMin: Math.max(0, first.timetable.late - tried.timetable.late),
      });
  }
  if ('clash' in solved && wishes.length > 1) {
    const none = yield* scaled(roughly(whole, seed), 0.99, 0);
    if (!('clash' in none)) {
      givenUp = wishes;
      [solved, problem] = [none, whole];
    }
  }
  if ('clash' in solved) return { fits: false, why: clashWords(whole, solved), clashing: solved.clash };
  const spread = (make: string, task: string): number => sigmas.get(make)?.get(task) ?? 0;
  const seen = (slots: readonly DaySlot[]): Laid => {
    const robust = robustness(problem, slots, spread);
    const isSteady = robust.days - robust.clashing >= STEADY * robust.days;
    return { slots, robust, isSteady, score: scoreOf(problem, slots) };
  };
  let laid = seen(solved.timetable.slots);
  for (const guard of GUARDS) {
    if (laid.isSteady) break;
    const other = guarded(problem, spread, guard);
    const steadier: Solved = yield* scaled(roughly(other.problem, seed), 0.99, 0);
    if ('clash' in steadier) continue;
    const own = seen(other.real(steadier.timetable.slots));
    if (isMoreWelcome(own, laid)) laid = own;
  }
  const { slots } = laid;
  const begins = (make: string): number => slots.find((slot: DaySlot) => slot.make === make)?.from ?? 0;
  return {
    fits: true,
    hands: handsOf(problem, slots),
    finish: laid.score.finish,
    bound: Math.min(solved.bound, laid.score.finish),
    late: laid.score.late,
    outside: laid.score.outside,
    pots: potsOf(kitchen, problem, slots),
    givenUp,
    prices,
    robustness: laid.robust,
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

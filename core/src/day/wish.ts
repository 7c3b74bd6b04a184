import type { KitchenSettings, Method } from '../contract/index.ts';
import { planOfMethod } from '../products/index.ts';
import { clashWords } from './clash-words.ts';
import { dayMakeOf, dayProblem } from './from-makes.ts';
import type { DayMake } from './problem.ts';
import { solvingDay } from './solve.ts';
import { whyHere, type WhyHere } from './why-here.ts';

const DAY_MIN = 24 * 60;
/** What would just fit is not said to clash because it is put off into the next morning, days. */
const SPARE_DAYS = 2;

/** What somebody wants to make in a day, or in several. */
export interface DayWish {
  readonly kitchen: KitchenSettings;
  readonly zeroMs: number;
  /** What falls into these days is laid out; what is later goes on after them. */
  readonly days: number;
  readonly makes: readonly {
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
  }[];
  readonly seed?: number;
}

/** One stretch of hands of a day, with what to call it. */
export interface DayHands {
  readonly make: string;
  readonly step: string;
  readonly title: string;
  readonly cook: string;
  /** Minutes from the zero. */
  readonly from: number;
  readonly to: number;
  readonly why: WhyHere;
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
      /** Makes that go on after the days chosen, with the first thing to do then, and about when, min. */
      readonly after: readonly { readonly make: string; readonly title: string; readonly at: number }[];
    }
  | { readonly fits: false; readonly why: string; readonly clashing: readonly string[] };

/** The tasks of a make that fall into so many minutes when nothing holds it up, and the first one after them. */
function cut(
  make: DayMake,
  minutes: number,
): { readonly within: DayMake; readonly later: { readonly title: string; readonly offset: number } | null } {
  let offset = 0;
  for (const [k, task] of make.tasks.entries()) {
    offset += task.after;
    if (make.from + offset + task.minutes > minutes)
      return { within: { ...make, tasks: make.tasks.slice(0, k) }, later: { title: task.title, offset } };
    offset += task.minutes;
  }
  return { within: make, later: null };
}

/** Lays a day out, a slice at a time. @yields how far it is, 0..1 */
export function* layingDay(wish: DayWish): Generator<number, DayAnswer> {
  const { kitchen, zeroMs, days, makes, seed = 1 } = wish;
  const startAt = new Date(zeroMs).toISOString();
  const asked: DayMake[] = [];
  const tails: { make: string; title: string; offset: number }[] = [];
  for (const { id, name, method, litres, from = 0, by = null, fixed = {} } of makes) {
    const unknown = Object.keys(fixed).find((step) => !method.steps.some((s) => s.id === step));
    if (unknown !== undefined)
      return { fits: false, why: `“${name}” has no step “${unknown}” to fix.`, clashing: [id] };
    const plan = { ...planOfMethod(method, kitchen, startAt, litres), name };
    const make = dayMakeOf({ id, plan, from, by, fixed });
    if (!make)
      return {
        fits: false,
        why: `“${name}” never comes to an end in this kitchen as it is.`,
        clashing: [id],
      };
    const { within, later } = cut(make, days * DAY_MIN);
    if (within.tasks.length === 0)
      return { fits: false, why: `“${name}” does not begin within the days chosen.`, clashing: [id] };
    asked.push(within);
    if (later) tails.push({ make: id, ...later });
    yield 0;
  }
  const problem = dayProblem(kitchen, asked, zeroMs, days + SPARE_DAYS);
  const solved = yield* solvingDay(problem, seed);
  if ('clash' in solved) return { fits: false, why: clashWords(problem, solved), clashing: solved.clash };
  const { slots, finish, late } = solved.timetable;
  const titles = new Map(asked.flatMap(({ id, tasks }) => tasks.map((t) => [`${id} ${t.id}`, t.title])));
  const whys = new Map(whyHere(problem, slots).map((why, i) => [slots[i]!, why]));
  return {
    fits: true,
    hands: [...slots]
      .sort((a, b) => a.from - b.from)
      .map((slot) => [slot, whys.get(slot)!] as const)
      .map(([{ make, task, from, to, cook }, why]) => ({
        why,
        make,
        step: task,
        title: titles.get(`${make} ${task}`)!,
        cook: problem.cooks.find(({ id }) => id === cook)!.name,
        from,
        to,
      })),
    finish,
    bound: solved.bound,
    late,
    after: tails.map(({ make, title, offset }) => ({
      make,
      title,
      at: offset + (slots.find((slot) => slot.make === make)?.from ?? 0),
    })),
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

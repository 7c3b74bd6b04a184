import type { KitchenSettings } from '../contract/index.ts';
import { askedDay, type DayWish } from './asked-day.ts';
import { clashWords } from './clash-words.ts';
import { withoutKept, type KeptFree } from './kept-free.ts';
import { batchesIn, stepIn } from './chain.ts';
import type { Robustness } from './robust.ts';
import { steadier } from './steadier.ts';
import { sharedOut, sizedSpans } from './in-sizes.ts';
import type { DayProblem, DaySlot } from './problem.ts';
import { scaled } from './scaled.ts';
import { solvingDay, triesFor } from './solve.ts';
import { handsOf, type DayHands } from './hands.ts';

/** What a wish costs is worked out more roughly than the day itself: so much of the work. */
const ROUGHLY = 0.4;

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
  const { kitchen, keptFree = [], seed = 1 } = wish;
  const day = yield* askedDay(wish);
  if ('why' in day) return day;
  const { whole, tails } = day;
  const all = whole.makes;
  const tries = triesFor(whole);
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
  if ('clash' in solved)
    return { fits: false, why: clashWords(whole, solved), clashing: batchesIn(whole, solved.clash) };
  const laid = yield* scaled(steadier(problem, solved.timetable.slots, seed), 0.99, 0);
  const { slots } = laid;
  const { worst } = laid.robust;
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
    robustness: { ...laid.robust, worst: worst && { ...worst, ...stepIn(problem)(worst) } },
    after: tails
      .map(({ make, title, since, offset }) => ({ make, title, at: offset + begins(since) }))
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

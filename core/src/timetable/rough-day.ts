import { askedDay, type DayWish, type Refused } from './asked-day.ts';
import { batchesIn } from './chain.ts';
import { withoutKept } from './kept-free.ts';
import type { Score } from './score.ts';
import { solvingDay, triesFor } from './solve.ts';

/** Of the work a day is laid out with. */
const ROUGHLY = 0.5;

/** A day as far as it takes to tell whether it is worth a closer look. */
export interface RoughDay {
  readonly fits: true;
  readonly score: Score;
  /** How many makes and pieces of work there are in it. */
  readonly makes: number;
  /** Hands of all of it, min. */
  readonly handsMin: number;
}

/**
 * Lays a day out roughly: as good as told or a little better once it is laid out in earnest.
 * @yields how far it is, 0..1
 */
export function* layingRoughly(wish: DayWish): Generator<number, RoughDay | Refused> {
  const day = yield* askedDay(wish);
  if ('why' in day) return day;
  const problem = { ...day.whole, cooks: withoutKept(day.whole.cooks, wish.keptFree ?? []) };
  const solved = yield* solvingDay(problem, wish.seed ?? 1, ROUGHLY * triesFor(problem), true);
  if ('clash' in solved) return { fits: false, why: '', clashing: batchesIn(problem, solved.clash) };
  const { slots } = solved.timetable;
  return {
    fits: true,
    score: solved.timetable,
    makes: problem.makes.length,
    handsMin: slots.reduce((sum, { from, to }) => sum + to - from, 0),
  };
}

import type { MakePlan } from '../contract/index.ts';
import { pointForecast, stateOfPlan } from './forecast.ts';
import { HOUR_MS } from '../science/units/index.ts';

/** What is got ready before a make, and clocks that were never quite right. */
const BEFORE_MS = 24 * HOUR_MS;
/** However long a method takes, nobody enters this long before it began, or begins it this long ago. */
const YEAR_MS = 366 * 24 * HOUR_MS;

/** How long a plan takes from its first step to its last, ms. */
function lengthMs(plan: MakePlan): number {
  const state = stateOfPlan(plan);
  const { steps } = pointForecast(state, state.startedAtMs);
  return (steps.at(-1)?.endMs ?? state.startedAtMs) - state.startedAtMs;
}

/**
 * Whether an entry is dated so long before its make began that the clock it was dated by must be wrong: longer than the
 * whole method takes, a day at least, and never a year.
 * @param atMs the entry's time, ms since 1970
 * @example datedTooEarly(plan, startedAtMs, 0) // true: a tablet whose clock was never set
 */
export function datedTooEarly(plan: MakePlan, startedAtMs: number, atMs: number): boolean {
  const beforeMs = startedAtMs - atMs;
  if (beforeMs <= BEFORE_MS) return false;
  return beforeMs > Math.min(YEAR_MS, Math.max(BEFORE_MS, lengthMs(plan)));
}

/** The same of a make that begins: more than a year before the kitchen's present. */
export const begunTooEarly = (startedAtMs: number, nowMs: number): boolean => nowMs - startedAtMs > YEAR_MS;

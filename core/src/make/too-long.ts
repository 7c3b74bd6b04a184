import { tooLongMin } from '../butter/index.ts';
import { churningOf, type LegRun } from '../steps/index.ts';
import type { MakeState } from './state.ts';
import { legRunOf, walkThermal } from './thermal.ts';

/** A churning that is on, as it is gone through; `null` where nothing is churned. */
export function churningNow(state: MakeState, nowMs: number): LegRun | null {
  const step = state.current;
  if (!step?.step.facts.parts || step.startedAtMs === null) return null;
  const startMs = step.startedAtMs;
  const walk = walkThermal(state, nowMs);
  const startC = walk.course.findLast(([ms]) => ms <= startMs)?.[1] ?? state.plan.milk.startC;
  return legRunOf(state, step, startC, startMs, nowMs);
}

/** From when on a churning takes too long, ms since 1970: twice the longest it should have. */
export const tooLongFromMs = (run: LegRun): number => run.startMs + tooLongMin(churningOf(run)) * 60_000;

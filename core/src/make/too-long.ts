import { tooLongMin } from '../butter/index.ts';
import { loadRuns, type LegRun, type LoadRun } from '../steps/index.ts';
import type { MakeState, StepState } from './state.ts';
import { legRunOf, walkThermal } from './thermal.ts';

/** The churning of a make, done, on or to come; `undefined` where nothing is churned. */
export const churningStep = ({ steps }: Pick<MakeState, 'steps'>): StepState | undefined =>
  steps.find(({ step, status }) => step.facts.parts && status !== 'skipped');

/** A churning that is on, as it is gone through; `null` where nothing is churned. */
export function churningNow(state: MakeState, nowMs: number): LegRun | null {
  const step = state.current;
  if (!step?.step.facts.parts || step.startedAtMs === null) return null;
  return churningRun(state, step, step.startedAtMs, nowMs);
}

/** A churning as it is gone through, from when it began or is to begin. */
export function churningRun(state: MakeState, step: StepState, startMs: number, nowMs: number): LegRun {
  const walk = walkThermal(state, nowMs);
  const startC = walk.course.findLast(([ms]) => ms <= startMs)?.[1] ?? state.plan.milk.startC;
  return legRunOf(state, step, startC, startMs, nowMs);
}

/** The load in the churn, or the one that broke last while the next waits. */
export const loadInChurn = (runs: readonly LoadRun[]): LoadRun | undefined =>
  runs.findLast(({ begun }) => begun);

/** From when on the load in the churn takes too long, ms since 1970: twice the longest it should have. */
export function tooLongFromMs(run: LegRun): number {
  const load = loadInChurn(loadRuns(run))!;
  return run.startMs + (load.startMin + tooLongMin(load.churning)) * 60_000;
}

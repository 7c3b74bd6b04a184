import {
  CHURN_STAGES,
  churnAlong,
  STAGE_SHARE,
  tooLongMin,
  type ChurnStage,
} from '../science/butter/index.ts';
import { loadRuns, type LegRun, type LoadRun } from '../steps/index.ts';
import type { MakeState, StepState } from './state.ts';
import { legRunOf, walkThermal } from './thermal.ts';
import { MINUTE_MS } from '../science/units/index.ts';

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

/** So much later than expected the next stage is asked for, in shares of its time. */
const ASKED_AT = 1.3;

/** The stage a churning should have come to by an instant, where nobody has seen it. */
export interface LateStage {
  readonly stage: ChurnStage;
  readonly atMs: number;
}

/** Which stage comes next in the churn, and from when on somebody is asked whether it is there; `null` when it broke. */
export function lateStage(run: LegRun): LateStage | null {
  const load = loadInChurn(loadRuns(run))!;
  if (load.broke) return null;
  const last = load.way.seen.at(-1)?.stage;
  const stage = CHURN_STAGES[last ? CHURN_STAGES.indexOf(last) + 1 : 0];
  if (!stage || stage === 'lump') return null;
  // What was expected when it began, or by what was seen since: not by how late it is already.
  const { minutes } = churnAlong(load.churning, load.way, 0);
  return {
    stage,
    atMs: run.startMs + (load.startMin + ASKED_AT * STAGE_SHARE[stage] * minutes) * MINUTE_MS,
  };
}

/** From when on the load in the churn takes too long, ms since 1970: twice the longest it should have. */
export function tooLongFromMs(run: LegRun): number {
  const load = loadInChurn(loadRuns(run))!;
  return run.startMs + (load.startMin + tooLongMin(load.churning)) * MINUTE_MS;
}

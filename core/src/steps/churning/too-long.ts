import {
  CHURN_STAGES,
  churnAlong,
  STAGE_SHARE,
  tooLongMin,
  type ChurnStage,
} from '../../science/butter/index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';
import type { LegRun } from '../leg.ts';
import type { MakeAt, MakeView, StepState } from '../make-view.ts';
import { loadRuns, type LoadRun } from './load-runs.ts';

/** The churning of a make, done, on or to come; `undefined` where nothing is churned. */
export const churningStep = ({ steps }: Pick<MakeView, 'steps'>): StepState | undefined =>
  steps.find(({ step, status }) => step.kind === 'churn' && status !== 'skipped');

/** A churning that is on, as it is gone through; `null` where nothing is churned. */
export function churningNow(at: MakeAt): LegRun | null {
  const step = at.make.current;
  return step?.step.kind === 'churn' && step.startedAtMs !== null ? at.run(step) : null;
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

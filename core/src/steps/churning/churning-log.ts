import { brokeAfter, type Churning, type SeenStage } from '../../science/butter/index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';
import type { MakeAt } from '../make-view.ts';
import { loadRuns } from './load-runs.ts';
import { churningStep, loadInChurn } from './too-long.ts';

/** What a log tells of a churning, of the load in the churn or the one that broke last; minutes since it went in. */
export interface ChurningLog {
  /** As it was planned to be. */
  readonly churning: Churning;
  readonly elapsedMin: number;
  readonly seen: readonly SeenStage[];
  readonly brokeMin: number | null;
  /** Heat read when it went in, °C; `null` where nobody measured. */
  readonly startC: number | null;
  /** The last heat read in the churn. */
  readonly lastC: { readonly minutes: number; readonly celsius: number } | null;
}

/** A reading so long before it went in still says how warm it was, ms. */
const BEFORE_MS = 15 * MINUTE_MS;
/** Read within so many minutes of going in, it went in like that. */
const AT_START_MIN = 3;

/** What a log tells of its churning; `null` where churning has not begun. */
export function churningLog(at: MakeAt): ChurningLog | null {
  const step = churningStep(at.make);
  if (!step || step.startedAtMs === null || (step.status !== 'current' && step.status !== 'done'))
    return null;
  const run = at.run(step);
  const load = loadInChurn(loadRuns(run));
  if (!load) return null;
  const startMs = step.startedAtMs + load.startMin * MINUTE_MS;
  const read = at.make.temperatures.findLast(
    ({ atMs }) => atMs >= startMs - BEFORE_MS && atMs <= startMs + AT_START_MIN * MINUTE_MS,
  );
  const later = load.way.heats.at(-1);
  return {
    churning: load.churning,
    elapsedMin: Math.max(0, ((step.endedAtMs ?? at.nowMs) - startMs) / MINUTE_MS),
    seen: load.way.seen,
    brokeMin: brokeAfter(load.way.seen),
    startC: read?.celsius ?? null,
    lastC: later ?? null,
  };
}

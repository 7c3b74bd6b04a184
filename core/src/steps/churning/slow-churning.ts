import {
  remediesFor,
  slowCauses,
  type ChurnStage,
  type Remedy,
  type SlowCause,
} from '../../science/butter/index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';
import { batchOf } from '../../setup/index.ts';
import type { MakeAt } from '../make-view.ts';
import { loadRuns } from './load-runs.ts';
import { churningNow, lateStage, loadInChurn, tooLongFromMs } from './too-long.ts';

/** A churning that takes longer than twice the longest it should have. */
export interface SlowNow {
  /** Since when it is slow, ms since 1970: its next stage is late, or all of it takes too long. */
  readonly sinceMs: number;
  /** The stage nobody has seen yet; `null` once all of it takes too long. */
  readonly late: ChurnStage | null;
  /** Heat of the cream read since then, °C; `null` as long as nobody measured. */
  readonly heatC: number | null;
  /** Empty until its heat is known. */
  readonly causes: readonly SlowCause[];
  readonly remedies: readonly Remedy[];
}

/** A reading so long ago says little of now, ms. */
const FRESH_MS = 10 * MINUTE_MS;

/**
 * When a churning is, or will be, too long; and what to do about it once its heat is known. `null` where nothing is churned, or
 * it broke.
 */
export function slowChurning(at: MakeAt): SlowNow | null {
  const run = churningNow(at);
  if (!run) return null;
  const { make, nowMs } = at;
  const load = loadInChurn(loadRuns(run))!;
  if (load.broke) return null;
  const startMs = run.startMs + load.startMin * MINUTE_MS;
  const tooLongMs = tooLongFromMs(run);
  const next = lateStage(run);
  const sinceMs = Math.min(tooLongMs, next?.atMs ?? tooLongMs);
  const late = nowMs < tooLongMs ? (next?.stage ?? null) : null;
  const read = make.temperatures.at(-1);
  const heatC = read && read.atMs >= Math.max(startMs, nowMs - FRESH_MS) ? read.celsius : null;
  if (heatC === null || nowMs < sinceMs) return { sinceMs, late, heatC: null, causes: [], remedies: [] };
  const slow = {
    churning: load.churning,
    composition: batchOf(make.plan).composition,
    homogenised: make.plan.milk.homogenised === true,
    elapsedMin: (nowMs - startMs) / MINUTE_MS,
    heatC,
    way: load.way,
  };
  return { sinceMs, late, heatC, causes: slowCauses(slow), remedies: remediesFor(slow) };
}

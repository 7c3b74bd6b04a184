import { isChurnStage, STAGE_SHARE } from '../../science/butter/index.ts';
import { Z90 } from '../../science/numerics/index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';
import type { MakeAt, MakeView } from '../make-view.ts';
import type { Within } from '../step-type.ts';
import { loadsOf, temperMin } from '../temper.ts';
import { told } from '../told.ts';
import { CHURN_TOLD, type ChurnTold } from './churn-told.ts';
import { loadRuns, type LoadRun } from './load-runs.ts';
import { churningNow, churningStep, loadInChurn } from './too-long.ts';

/** Which load of a churning is on. */
export interface LoadStanding {
  readonly no: number;
  readonly of: number;
  /** It was seen to break: the next one may go in. */
  readonly broke: boolean;
}

/** Which load is in the churn; `null` while nothing is churned. @example loadStanding(state) // { no: 1, of: 3, broke: false } */
export function loadStanding(make: Pick<MakeView, 'plan' | 'current' | 'events'>): LoadStanding | null {
  if (make.current?.step.kind !== 'churn') return null;
  const no = told(make, CHURN_TOLD).loadsAtMs.length + 1;
  return {
    no,
    of: Math.max(no, loadsOf(make.plan)),
    broke: stagesOfLoad(make).some(({ stage }) => STAGE_SHARE[stage] === 1),
  };
}

/** What was seen of the load in the churn. */
export const stagesOfLoad = (make: Pick<MakeView, 'events'>): ChurnTold['stages'] => {
  const { stages, loadsAtMs } = told(make, CHURN_TOLD);
  const sinceMs = loadsAtMs.at(-1) ?? -Infinity;
  return stages.filter(({ atMs }) => atMs > sinceMs);
};

/** How a churning stands within itself: of several loads each has a break, and bells, of its own. */
export function withinChurning(make: MakeView): Within | null {
  const load = loadStanding(make);
  if (!load) return null;
  const { no, of, broke } = load;
  const next = broke && no < of;
  return {
    suffix: no === 1 ? '' : `-load-${no}`,
    over: broke,
    ...(of === 1
      ? {}
      : {
          doneWords: !broke
            ? `Load ${no} has broken`
            : next
              ? `Load ${no + 1} is in`
              : 'All loads are churned',
        }),
    ...(next
      ? {
          doing:
            'Lift the butter grains into cold water. Pour the buttermilk into its jug. Then put the next load in.',
        }
      : {}),
    // One load broke, or the next one went in: the churning itself goes on.
    ends: no >= of,
    says: !broke
      ? [{ type: 'stage-seen', data: { stage: 'broken' } }]
      : next
        ? [{ type: 'load-begun', data: { load: no + 1 } }]
        : [],
  };
}

/** One load on the clock. */
export interface LoadTime {
  readonly run: LoadRun;
  readonly startMs: number;
  readonly endMs: number;
  /** Between when and when it breaks; its end when it did. */
  readonly lowMs: number;
  readonly highMs: number;
}

/** The loads of a churning. */
export interface ChurnLoads {
  readonly loads: readonly LoadTime[];
  /** The one in the churn, or that broke last. */
  readonly now: LoadTime;
  /** The one that waits, and when it is to come out of the cold; `null` when none does. */
  readonly next: { readonly no: number; readonly startMs: number; readonly takeOutMs: number } | null;
}

/**
 * The loads of a churning on the clock, done, on or to come, with the next one's tempering meanwhile.
 * @returns `null` where nothing is churned
 */
export function churnLoads(at: MakeAt): ChurnLoads | null {
  const step = churningStep(at.make);
  if (!step) return null;
  const { nowMs } = at;
  const run = at.run(step);
  const loads = loadRuns(run).map((load): LoadTime => {
    const startMs = run.startMs + load.startMin * MINUTE_MS;
    const endMs = run.startMs + load.endMin * MINUTE_MS;
    const reach = load.broke ? 0 : Z90 * load.along.lnSigma * load.along.minutes * MINUTE_MS;
    // What is in the churn has not broken yet.
    const soonestMs = load.begun && !load.broke ? nowMs : -Infinity;
    return {
      run: load,
      startMs,
      endMs,
      lowMs: Math.max(soonestMs, endMs - reach),
      highMs: Math.max(soonestMs, endMs + reach),
    };
  });
  const now = loads.findLast(({ run: { begun } }) => begun)!;
  const next = loads.find(({ run: { begun } }) => !begun);
  return {
    loads,
    now,
    next: next
      ? {
          no: next.run.no,
          startMs: next.startMs,
          takeOutMs: next.startMs - temperMin(run.plan, next.startMs) * MINUTE_MS,
        }
      : null,
  };
}

/** When the load in the churn breaks by what is known, as the bells want it: the early end of its band, and its middle. */
export function breakOfLoad(at: MakeAt): { readonly earlyMs: number; readonly middleMs: number } | null {
  const run = churningNow(at);
  const load = run && loadInChurn(loadRuns(run));
  if (!run || !load) return null;
  const middleMs = run.startMs + load.endMin * MINUTE_MS;
  return { middleMs, earlyMs: middleMs - Z90 * load.along.lnSigma * load.along.minutes * MINUTE_MS };
}

/**
 * Why a stage cannot have been seen then; `null` when it can: after the break of its load only a lump comes, until the next
 * load is in.
 * @example stageFault(state, 'froth', atMs) // 'comes after the break of its load …'
 */
export function stageFault(make: Pick<MakeView, 'events'>, stage: string, atMs: number): string | null {
  if (!isChurnStage(stage) || STAGE_SHARE[stage] === 1) return null;
  const { stages, loadsAtMs } = told(make, CHURN_TOLD);
  const sinceMs = loadsAtMs.findLast((ms) => ms <= atMs) ?? -Infinity;
  const broke = stages.find((s) => STAGE_SHARE[s.stage] === 1 && s.atMs > sinceMs && s.atMs < atMs);
  return broke ? 'comes after this load has broken. Undo the break first, or start the next load' : null;
}

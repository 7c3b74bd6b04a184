import { isChurnStage, STAGE_SHARE } from '../science/butter/index.ts';
import { loadRuns, loadsOf, temperMin, type LoadRun } from '../steps/index.ts';
import type { MakeState } from './state.ts';
import { walkThermal } from './thermal.ts';
import { churningNow, churningRun, churningStep, loadInChurn } from './too-long.ts';
import { MINUTE_MS } from '../science/units/index.ts';
import { Z90 } from '../science/numerics/index.ts';

/** Which load of a churning is on. */
export interface LoadStanding {
  readonly no: number;
  readonly of: number;
  /** It was seen to break: the next one may go in. */
  readonly broke: boolean;
}

/** Which load is in the churn; `null` while nothing is churned. @example loadStanding(state) // { no: 1, of: 3, broke: false } */
export function loadStanding({
  plan,
  current,
  loadsAtMs,
  stages,
}: Pick<MakeState, 'plan' | 'current' | 'loadsAtMs' | 'stages'>): LoadStanding | null {
  if (!current?.step.facts.parts) return null;
  const no = loadsAtMs.length + 1;
  return {
    no,
    of: Math.max(no, loadsOf(plan)),
    broke: stagesOfLoad({ stages, loadsAtMs }).some(({ stage }) => STAGE_SHARE[stage] === 1),
  };
}

/** What was seen of the load in the churn. */
export const stagesOfLoad = ({ stages, loadsAtMs }: Pick<MakeState, 'stages' | 'loadsAtMs'>) => {
  const sinceMs = loadsAtMs.at(-1) ?? -Infinity;
  return stages.filter(({ atMs }) => atMs > sinceMs);
};

/** What the one large button says: a step is called done by it, or a load of it. @example doneWordsOf(state) // 'Load 2 is in' */
export function doneWordsOf(state: MakeState): string | null {
  const load = loadStanding(state);
  if (!load || load.of === 1) return state.current?.step.doneWords ?? null;
  if (!load.broke) return `Load ${load.no} has broken`;
  return load.no < load.of ? `Load ${load.no + 1} is in` : 'All loads are churned';
}

/** What to do now, in a sentence; between two loads it is to empty and fill the churn. */
export function doingOf(state: MakeState): string {
  const load = loadStanding(state);
  return load?.broke && load.no < load.of
    ? 'Lift the butter grains into cold water. Pour the buttermilk into its jug. Then put the next load in.'
    : (state.current?.step.doing ?? '');
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
export function churnLoads(state: MakeState, nowMs: number): ChurnLoads | null {
  const step = churningStep(state);
  if (!step) return null;
  const startMs =
    step.startedAtMs ??
    walkThermal(state, nowMs).steps.find(({ id }) => id === step.step.id)?.startMs ??
    state.startedAtMs;
  const run = churningRun(state, step, startMs, nowMs);
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

/** When the load in the churn breaks by what is known, as the alarms want it: the early end of its band, and its middle. */
export function breakOfLoad(
  state: MakeState,
): { readonly earlyMs: number; readonly middleMs: number } | null {
  const run = churningNow(state, state.current?.startedAtMs ?? 0);
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
export function stageFault(
  { stages, loadsAtMs }: Pick<MakeState, 'stages' | 'loadsAtMs'>,
  stage: string,
  atMs: number,
): string | null {
  if (!isChurnStage(stage) || STAGE_SHARE[stage] === 1) return null;
  const sinceMs = loadsAtMs.findLast((ms) => ms <= atMs) ?? -Infinity;
  const broke = stages.find((s) => STAGE_SHARE[s.stage] === 1 && s.atMs > sinceMs && s.atMs < atMs);
  return broke ? 'comes after this load has broken. Undo the break first, or start the next load' : null;
}

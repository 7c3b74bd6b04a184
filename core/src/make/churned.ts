import { brokeAfter, softnessAt } from '../science/butter/index.ts';
import type { Churned } from '../contract/index.ts';
import { batchOf } from '../setup/index.ts';
import { againSteps, churnName, loadRuns } from '../steps/index.ts';
import type { MakePlan } from '../contract/index.ts';
import { fatBalance } from './fat-balance.ts';
import type { MakeState } from './state.ts';
import { churningRun, churningStep } from './too-long.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** A reading so long before churning began still says how warm it was then, and so soon after, ms. */
const BEFORE_MS = 15 * MINUTE_MS;
const AFTER_MS = 2 * MINUTE_MS;

/** Heat of the cream when churning began, as read, °C; `null` when nobody did. */
function startReadC({ temperatures }: MakeState, startMs: number): number | null {
  return (
    temperatures.findLast((t) => t.atMs <= startMs + AFTER_MS && t.atMs >= startMs - BEFORE_MS)?.celsius ??
    null
  );
}

/** Minutes a load was forecast to take when the make began; `null` when nothing was stored then. */
function forecastMin({ planned, steps }: MakeState, loads: number): number | null {
  const at = steps.findIndex(({ step }) => step.facts.parts);
  const endOf = (i: number): number | null =>
    planned?.steps.find(({ step }) => step === steps[i]?.step.id)?.end.p50 ?? null;
  const [from, to] = [endOf(at - 1), endOf(at)];
  return from === null || to === null ? null : (to - from) / MINUTE_MS / loads;
}

/**
 * A churning in a line, to be compared with others: heat, minutes, what came, where the fat went. `null` for a make that churned
 * nothing.
 */
export function churnedOf(state: MakeState): Churned | null {
  const step = churningStep(state);
  if (step?.status !== 'done' || step.startedAtMs === null || step.endedAtMs === null) return null;
  const { startedAtMs: startMs, endedAtMs: endMs } = step;
  const fat = fatBalance(state, endMs);
  if (!fat) return null;
  const loads = loadRuns(churningRun(state, step, startMs, endMs)).filter(({ begun }) => begun);
  const minutes = loads.map(
    ({ way, startMin, endMin, no }) =>
      brokeAfter(way.seen) ?? (no === loads.length ? (endMs - startMs) / MINUTE_MS : endMin) - startMin,
  );
  const { plan } = state;
  const outKg = fat.inButterKg === null ? null : fat.fatKg - fat.inButterKg;
  return {
    churn: churnName(plan),
    startC: startReadC(state, startMs),
    minutes: minutes.reduce((sum, m) => sum + m, 0) / minutes.length,
    forecastMin: forecastMin(state, loads.length),
    loads: loads.length,
    creamKg: fat.creamKg,
    fatFraction: batchOf(plan).composition.fatFraction,
    ripened: plan.milk.soured === true,
    possibleKg: fat.possibleKg,
    butterKg: fat.realKg,
    buttermilkKg: fat.buttermilkKg,
    lostFraction: outKg === null ? null : Math.max(0, outKg / fat.fatKg),
    softness: softnessAt(fat.breakC),
  };
}

/** The plan of a make to be made again: what was measured and told of it takes the place of what was planned. */
export function planAgain(state: MakeState): MakePlan {
  const churning = churningStep(state);
  if (!churning) return state.plan;
  const fat = fatBalance(state, state.finished?.atMs ?? state.startedAtMs);
  const { method } = state.plan;
  return {
    ...state.plan,
    method: {
      ...method,
      steps: againSteps(method.steps, {
        startC: churning.startedAtMs === null ? null : startReadC(state, churning.startedAtMs),
        rinses: state.rinses.length,
        saltFraction:
          state.saltKg === null || fat?.realKg == null ? null : state.saltKg / (fat.realKg + state.saltKg),
      }),
    },
  };
}

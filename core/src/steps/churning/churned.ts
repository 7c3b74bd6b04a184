import type { Churned, MakePlan } from '../../contract/index.ts';
import { brokeAfter, softnessAt } from '../../science/butter/index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';
import { batchOf } from '../../setup/index.ts';
import { SALT_TOLD, WASH_TOLD } from '../butter-told.ts';
import type { MakeAt, MakeView } from '../make-view.ts';
import { told } from '../told.ts';
import { againSteps } from './again.ts';
import { fatBalance } from './fat-balance.ts';
import { churnName, loadRuns } from './load-runs.ts';
import { churningStep } from './too-long.ts';

/** A reading so long before churning began still says how warm it was then, and so soon after, ms. */
const BEFORE_MS = 15 * MINUTE_MS;
const AFTER_MS = 2 * MINUTE_MS;

/** Heat of the cream when churning began, as read, °C; `null` when nobody did. */
function startReadC({ temperatures }: MakeView, startMs: number): number | null {
  return (
    temperatures.findLast((t) => t.atMs <= startMs + AFTER_MS && t.atMs >= startMs - BEFORE_MS)?.celsius ??
    null
  );
}

/** Minutes a load was forecast to take when the make began; `null` when nothing was stored then. */
function forecastMin({ planned, steps }: MakeView, loads: number): number | null {
  const at = steps.findIndex(({ step }) => step.kind === 'churn');
  const endOf = (i: number): number | null =>
    planned?.steps.find(({ step }) => step === steps[i]?.step.id)?.end.p50 ?? null;
  const [from, to] = [endOf(at - 1), endOf(at)];
  return from === null || to === null ? null : (to - from) / MINUTE_MS / loads;
}

/**
 * A churning in a line, to be compared with others: heat, minutes, what came, where the fat went. `null` for a make that churned
 * nothing.
 */
export function churnedOf(at: MakeAt): Churned | null {
  const { make } = at;
  const step = churningStep(make);
  if (step?.status !== 'done' || step.startedAtMs === null || step.endedAtMs === null) return null;
  const { startedAtMs: startMs, endedAtMs: endMs } = step;
  const fat = fatBalance(at);
  if (!fat) return null;
  const loads = loadRuns(at.run(step)).filter(({ begun }) => begun);
  const minutes = loads.map(
    ({ way, startMin, endMin, no }) =>
      brokeAfter(way.seen) ?? (no === loads.length ? (endMs - startMs) / MINUTE_MS : endMin) - startMin,
  );
  const { plan } = make;
  const outKg = fat.inButterKg === null ? null : fat.fatKg - fat.inButterKg;
  return {
    churn: churnName(plan),
    startC: startReadC(make, startMs),
    minutes: minutes.reduce((sum, m) => sum + m, 0) / minutes.length,
    forecastMin: forecastMin(make, loads.length),
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
export function churnedPlanAgain(at: MakeAt): MakePlan {
  const { make } = at;
  const churning = churningStep(make);
  if (!churning) return make.plan;
  const realKg = fatBalance(at)?.realKg ?? null;
  const saltKg = told(make, SALT_TOLD);
  const { method } = make.plan;
  return {
    ...make.plan,
    method: {
      ...method,
      steps: againSteps(method.steps, {
        startC: churning.startedAtMs === null ? null : startReadC(make, churning.startedAtMs),
        rinses: told(make, WASH_TOLD).rinses.length,
        saltFraction: saltKg === null || realKg === null ? null : saltKg / (realKg + saltKg),
      }),
    },
  };
}

import { brokeAfter, churnPriorLnSigma, churnWork } from '../../science/butter/index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';
import type { Fit } from '../learns.ts';
import type { MakeAt } from '../make-view.ts';
import { loadRuns } from './load-runs.ts';

/** A heat read longer ago than this says little of how a churning began, ms. */
const FRESH_MS = 15 * MINUTE_MS;

/** How much longer than the book a churning took until it broke, ln; from how it was begun and what was read on its way. */
export function churnFit(at: MakeAt): Fit | null {
  const { make } = at;
  const step = make.steps.find((s) => s.step.kind === 'churn');
  if (step?.status !== 'done' || step.startedAtMs === null || step.endedAtMs === null) return null;
  const { startedAtMs: startMs } = step;
  const startC = make.temperatures.findLast(
    (t) => t.atMs <= startMs + 2 * MINUTE_MS && t.atMs >= startMs - FRESH_MS,
  )?.celsius;
  // Nobody read how warm it was: that would be a lesson about the thermometer that was not used.
  if (startC === undefined) return null;
  const run = at.run(step, { plan: { ...make.plan, factors: {} }, startC });
  // Each load that was seen to break, or the whole where nobody said so, is one say.
  const loads = loadRuns(run).filter(({ begun }) => begun);
  const says = loads.flatMap(({ churning, way, startMin, no }) => {
    const over = no === loads.length ? run.nowMs : startMs + (loads[no]?.startMin ?? 0) * MINUTE_MS;
    const minutes = brokeAfter(way.seen) ?? (over - startMs) / MINUTE_MS - startMin;
    return minutes > 1 ? [Math.log(churnWork(churning, way, minutes))] : [];
  });
  if (says.length === 0) return null;
  const [first] = loads;
  return {
    value: says.reduce((sum, value) => sum + value, 0) / says.length,
    sigma: 0.05,
    // Of a motor little is known: its first churning counts almost whole.
    ...(first ? { prior: churnPriorLnSigma(first.churning) } : {}),
  };
}

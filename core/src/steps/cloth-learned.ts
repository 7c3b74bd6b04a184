import { DRAIN_TAU_AT_6C_H, tauByWeighings } from '../science/curd/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import { clothSeen } from './cloth-seen.ts';
import { CURD_TOLD, NOTHING_SEEN } from './curd-run.ts';
import { drainingOf, drainWayOf } from './draining-of.ts';
import type { Fit } from './learns.ts';
import type { MakeAt } from './make-view.ts';
import { told } from './told.ts';

/** So wide a belief says nothing against what was weighed, σ of ln. */
const NO_BELIEF = 10;

/** How much slower than the book a curd let its whey go, ln; by the whey that was weighed. */
export function clothFit(at: MakeAt): Fit | null {
  const { make } = at;
  const own = make.steps.findLast(({ step, status }) => step.kind === 'strain' && status === 'done');
  const way = drainWayOf(make.plan);
  if (!own || !way || own.startedAtMs === null || own.endedAtMs === null) return null;
  const denatured = at.denatured();
  const curd = at.into(own, denatured);
  const { onCurve } = clothSeen(told(make, CURD_TOLD), own.step.id, curd.massKg);
  if (onCurve.length === 0) return null;
  const startMs = own.startedAtMs;
  const { draining } = drainingOf({ ...make.plan, factors: {} }, at.of(own), {
    curd,
    denatured,
    startMs,
    seen: NOTHING_SEEN,
  });
  const fit = tauByWeighings(
    draining,
    onCurve.map(({ atMs, wheyKg }) => ({ hours: (atMs - startMs) / HOUR_MS, wheyKg })),
    NO_BELIEF,
  );
  if (fit.sigma > 1) return null;
  return { value: Math.log(fit.tauAt6CH / DRAIN_TAU_AT_6C_H[way]), sigma: fit.sigma };
}

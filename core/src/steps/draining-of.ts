import {
  DRAIN_SIGMA,
  DRAIN_TAU_AT_6C_H,
  tauByWeighings,
  type Draining,
  type DrainWay,
  type Thickness,
} from '../science/curd/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import type { MakePlan } from '../contract/index.ts';
import { clothSeen } from './cloth-seen.ts';
import type { Curd, CurdSeen } from './curd-run.ts';
import { paramsOf } from './step-type.ts';
import type { StepOf } from './step-of.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'strain');
/** In the cold, °C. */
export const COLD_C = 5;
/** Longer than this nothing is left hanging, h. */
export const LONGEST_DRAIN_H = 72;

/** How a plan drains, for what is learned of it; `null` when it drains nothing. */
export const drainWayOf = ({ method }: Pick<MakePlan, 'method'>): DrainWay | null =>
  method.steps.findLast((step) => step.kind === 'strain')?.way ?? null;

/** What is to be reached. */
export const thicknessOf = (of: StepOf): Thickness => ({ of: own(of).of, fraction: own(of).fraction });

/** Curd in its cloth as the model wants it, refitted by what was weighed of it. */
export function drainingOf(
  plan: MakePlan,
  of: StepOf,
  run: { readonly curd: Curd; readonly denatured: number; readonly startMs: number; readonly seen: CurdSeen },
): { readonly draining: Draining; readonly sigma: number } {
  const { way, stands } = own(of);
  const book: Draining = {
    ...run.curd,
    heated: run.denatured > 0.3,
    tauAt6CH: DRAIN_TAU_AT_6C_H[way],
    celsius: stands === 'cold' ? COLD_C : plan.roomC,
  };
  const learned = plan.factors?.cloth;
  const tau = book.tauAt6CH * Math.exp(learned?.value ?? 0);
  const sigma = Math.hypot(
    learned ? Math.min(DRAIN_SIGMA.cloth, learned.sigma) : DRAIN_SIGMA.cloth,
    DRAIN_SIGMA.batch,
  );
  const weighings = clothSeen(run.seen, of.step.id, run.curd.massKg)
    .onCurve.filter(({ atMs }) => atMs > run.startMs)
    .map(({ atMs, wheyKg }) => ({ hours: (atMs - run.startMs) / HOUR_MS, wheyKg }));
  const refit = tauByWeighings({ ...book, tauAt6CH: tau }, weighings, sigma);
  return { draining: { ...book, tauAt6CH: refit.tauAt6CH }, sigma: refit.sigma };
}

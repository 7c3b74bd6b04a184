import type { StepId } from '../contract/index.ts';
import {
  drainedAfter,
  drainedBy,
  hoursToThickness,
  wheyBackKg,
  type Drained,
  type Thickness,
} from '../science/curd/index.ts';
import { Z90 } from '../science/numerics/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import { clothSeen } from './cloth-seen.ts';
import { CURD_TOLD } from './curd-run.ts';
import type { MakeAt } from './make-view.ts';
import { drainingOf, LONGEST_DRAIN_H, thicknessOf } from './draining-of.ts';
import { told } from './told.ts';

/** Curd in its cloth, now. Estimates until it is weighed. */
export interface DrainingNow {
  readonly step: StepId;
  readonly target: Thickness;
  /** What hung in the cloth at first, kg. */
  readonly startKg: number;
  readonly now: Drained;
  /** As thick as wanted, between when and when; `null` when it never gets there. */
  readonly thickMs: readonly [number, number, number] | null;
  /** Whey to catch until then, kg. */
  readonly wheyToCatchKg: number;
  /** Whey to stir back, when it is too thick, kg. */
  readonly backKg: number;
  /** Whey stirred back already, kg. */
  readonly returnedKg: number;
  /** Somebody weighed bag or whey. */
  readonly weighed: boolean;
  /** Since it began, h. */
  readonly hours: number;
}

/** The draining that is on, or the last one; `null` in a make that drains nothing. @param denatured whey protein unfolded, 0..1 */
export function drainingNow(at: MakeAt, denatured: number): DrainingNow | null {
  const { make, nowMs } = at;
  const own =
    make.steps.find(({ step, status }) => step.kind === 'strain' && status === 'current') ??
    make.steps.findLast(({ step, status }) => step.kind === 'strain' && status === 'done');
  if (!own || own.startedAtMs === null) return null;
  const startMs = own.startedAtMs;
  const of = at.of(own);
  const curd = at.into(own, denatured);
  const seen = told(make, CURD_TOLD);
  const { draining, sigma } = drainingOf(make.plan, of, { curd, denatured, startMs, seen });
  const target = thicknessOf(of);
  const hours = (Math.min(nowMs, own.endedAtMs ?? nowMs) - startMs) / HOUR_MS;
  const toThick = hoursToThickness(draining, target);
  const { whey, returnedKg } = clothSeen(seen, own.step.id, curd.massKg);
  const last = whey.at(-1);
  // A weighing of just now knows better than any curve through it.
  const byCurve = drainedAfter(draining, hours);
  const wheyKg = last
    ? Math.max(
        last.wheyKg,
        last.wheyKg + byCurve.wheyKg - drainedAfter(draining, (last.atMs - startMs) / HOUR_MS).wheyKg,
      )
    : byCurve.wheyKg;
  const now = drainedBy(draining, Math.max(0, wheyKg - returnedKg));
  const atTarget = toThick === null ? null : drainedAfter(draining, toThick);
  return {
    step: own.step.id,
    target,
    startKg: curd.massKg,
    now,
    thickMs:
      toThick === null || toThick > LONGEST_DRAIN_H
        ? null
        : ([-1, 0, 1].map((z) => startMs + toThick * Math.exp(z * Z90 * sigma) * HOUR_MS) as unknown as [
            number,
            number,
            number,
          ]),
    // A bowl for what has run off already, too, where it hung for too long.
    wheyToCatchKg: Math.max(now.wheyKg, atTarget?.wheyKg ?? 0),
    backKg: wheyBackKg(now, target),
    returnedKg,
    weighed: whey.length > 0,
    hours,
  };
}

import type { KitchenSettings, StepId, StepKind } from '../contract/index.ts';
import { sournessOfPh, type Sourness } from '../science/souring/index.ts';
import { nobodyThere } from '../kitchen/index.ts';
import { interpolateLinear } from '../science/numerics/index.ts';
import { stepFacts } from '../steps/index.ts';
import type { PointForecast } from './forecast.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** Sleeping hours are looked at on this grid. */
const LOOK_MS = 5 * MINUTE_MS;

/** A moment that needs hands while everybody sleeps or is away. */
export interface SleepClash {
  readonly step: StepId;
  readonly kind: StepKind;
  readonly atMs: number;
  /** When somebody is up again. */
  readonly wakeMs: number;
  /** Incubation only: how it would taste if it waited till then. */
  readonly sournessAtWake: Sourness | null;
}

/** Finds hands moments that fall into everybody's sleep or absence, in order. */
export function sleepClashes(point: PointForecast, kitchen: KitchenSettings): SleepClash[] {
  const allAsleep = (ms: number): boolean => nobodyThere(kitchen, ms);
  return point.steps
    .filter(
      (s) => (s.status === 'coming' || s.status === 'current') && !stepFacts(s.kind).overnight && !s.endless,
    )
    .filter((s) => allAsleep(s.endMs))
    .map((s) => {
      let wakeMs = Math.ceil(s.endMs / LOOK_MS) * LOOK_MS;
      while (allAsleep(wakeMs) && wakeMs < s.endMs + 24 * 60 * MINUTE_MS) wakeMs += LOOK_MS;
      const ph =
        stepFacts(s.kind).sours && point.ph.length > 0
          ? interpolateLinear(
              point.ph.map(([ms]) => ms),
              point.ph.map(([, v]) => v),
              wakeMs,
            )
          : null;
      return {
        step: s.id,
        kind: s.kind,
        atMs: s.endMs,
        wakeMs,
        sournessAtWake: ph === null ? null : sournessOfPh(ph),
      };
    });
}

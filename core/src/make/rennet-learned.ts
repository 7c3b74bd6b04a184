import { strengthByBreak } from '../science/curd/index.ts';
import { batchOf } from '../setup/index.ts';
import { rennetAmount, rennetOf } from '../steps/index.ts';
import { interpolateLinear } from '../science/numerics/index.ts';
import type { PointForecast } from './forecast.ts';
import type { MakeState } from './state.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/**
 * What a clean break said of a rennet whose label says nothing: IMCU of one drop, millilitre or tablet, about; `null` where
 * there is nothing to be learned.
 */
export function rennetLearned(
  state: MakeState,
  point: Pick<PointForecast, 'ph' | 'temperature' | 'denatured'>,
): { readonly imcu: number; readonly unit: 'mL' | 'drop' | 'tablet' } | null {
  const rennet = rennetOf(state.plan);
  const set = state.steps.find(({ step }) => step.facts.tells === 'break');
  if (!rennet || rennet.strengthImcu !== null || !set || set.startedAtMs === null || set.endedAtMs === null)
    return null;
  const tookMin = (set.endedAtMs - set.startedAtMs) / MINUTE_MS;
  if (!(tookMin > 1)) return null;
  const at = (course: readonly (readonly [number, number])[], otherwise: number): number =>
    course.length === 0
      ? otherwise
      : interpolateLinear(
          course.map(([ms]) => ms),
          course.map(([, v]) => v),
          set.startedAtMs!,
        );
  return {
    unit: rennet.unit,
    imcu: strengthByBreak(
      {
        imcuPerLitre: rennet.imcuPerLitre,
        celsius: at(point.temperature, state.plan.inoculateC),
        ph: at(point.ph, 6.6),
        denaturedFraction: point.denatured,
      },
      tookMin,
      batchOf(state.plan).litres,
      rennetAmount(state.plan, rennet),
    ),
  };
}

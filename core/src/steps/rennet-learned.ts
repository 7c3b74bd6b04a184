import { strengthByBreak } from '../science/curd/index.ts';
import { interpolateLinear } from '../science/numerics/index.ts';
import { MINUTE_MS } from '../science/units/index.ts';
import { batchOf } from '../setup/index.ts';
import { rennetAmount, rennetOf } from './add-rennet.ts';
import type { MakeView } from './make-view.ts';

/** [ms since 1970, value] */
type Course = readonly (readonly [number, number])[];

/**
 * What a clean break said of a rennet whose label says nothing: IMCU of one drop, millilitre or tablet, about; `null` where
 * there is nothing to be learned.
 */
export function rennetLearned(
  make: Pick<MakeView, 'plan' | 'steps'>,
  point: { readonly ph: Course; readonly temperature: Course; readonly denatured: number },
): { readonly imcu: number; readonly unit: 'mL' | 'drop' | 'tablet' } | null {
  const rennet = rennetOf(make.plan);
  const set = make.steps.find(({ step }) => step.kind === 'coagulate');
  if (!rennet || rennet.strengthImcu !== null || !set || set.startedAtMs === null || set.endedAtMs === null)
    return null;
  const tookMin = (set.endedAtMs - set.startedAtMs) / MINUTE_MS;
  if (!(tookMin > 1)) return null;
  const at = (course: Course, otherwise: number): number =>
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
        celsius: at(point.temperature, make.plan.inoculateC),
        ph: at(point.ph, 6.6),
        denaturedFraction: point.denatured,
      },
      tookMin,
      batchOf(make.plan).litres,
      rennetAmount(make.plan, rennet),
    ),
  };
}

import { massFlow, type MassFlow } from '../products/index.ts';
import { clothSeen } from '../steps/index.ts';
import type { MakeState } from './state.ts';

/**
 * Where the mass of a make goes, with what was weighed of it.
 * @param denatured whey protein unfolded, 0..1
 * @param gelH hours from inoculation to the gel
 */
export function makeFlow(
  { plan, steps, dose, curd }: Pick<MakeState, 'plan' | 'steps' | 'dose' | 'curd'>,
  denatured: number,
  gelH: number | null = null,
): MassFlow {
  const off = new Set(steps.filter(({ endedAtMs }) => endedAtMs !== null).map(({ step }) => step.id));
  return massFlow(plan, {
    doseKg: dose.massKg,
    denatured,
    gelH,
    skipped: new Set(steps.filter(({ status }) => status === 'skipped').map(({ step }) => step.id)),
    // What was weighed of a cloth counts once it is off; until then it is on its way to what is wanted.
    wheyOff: (step, wholeKg) => (off.has(step) ? clothSeen(curd, step, wholeKg).offKg : null),
  });
}

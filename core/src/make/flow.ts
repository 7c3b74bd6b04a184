import { massFlow, type MassFlow } from '../products/index.ts';
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
  // What was weighed of a cloth counts once it is off; there is one cloth that is weighed.
  const cloth = steps.findLast(({ step }) => step.facts.tells === 'drips');
  const caught = curd.whey.at(-1);
  return massFlow(plan, {
    doseKg: dose.massKg,
    denatured,
    gelH,
    skipped: new Set(steps.filter(({ status }) => status === 'skipped').map(({ step }) => step.id)),
    wheyKg: new Map(cloth && caught && cloth.endedAtMs !== null ? [[cloth.step.id, caught.wheyKg]] : []),
  });
}

import { massFlow, type MassFlow } from '../products/index.ts';
import { wheyOffKg } from '../steps/index.ts';
import type { MakeState } from './state.ts';

/** All the starter that went in, kg; `null` where it was not weighed. */
export const starterKg = ({ dose, helpings }: Pick<MakeState, 'dose' | 'helpings'>): number | null =>
  helpings.reduce<number | null>(
    (sum, { massKg }) => (massKg === null ? sum : (sum ?? 0) + massKg),
    dose.massKg,
  );

/**
 * Where the mass of a make goes, with what was weighed of it.
 * @param denatured whey protein unfolded, 0..1
 * @param gelH hours from inoculation to the gel
 */
export function makeFlow(
  make: Pick<MakeState, 'plan' | 'steps' | 'dose' | 'helpings' | 'events'>,
  denatured: number,
  gelH: number | null = null,
): MassFlow {
  const { plan, steps, dose, helpings } = make;
  const off = new Set(steps.filter(({ endedAtMs }) => endedAtMs !== null).map(({ step }) => step.id));
  return massFlow(plan, {
    doseKg: starterKg({ dose, helpings }),
    denatured,
    gelH,
    skipped: new Set(steps.filter(({ status }) => status === 'skipped').map(({ step }) => step.id)),
    // What was weighed of a cloth counts once it is off; until then it is on its way to what is wanted.
    wheyOff: (step, wholeKg) => (off.has(step) ? wheyOffKg(make, step, wholeKg) : null),
  });
}

import { jarOfTwo } from '../science/curd/index.ts';
import { batchOf, isHeated } from '../setup/index.ts';
import type { MakePlan } from '../contract/index.ts';
import { potOfMilk } from '../science/heat/index.ts';
import { widthMOf } from '../contract/index.ts';
import { factsOf, type StepType } from './step-type.ts';

/** When nobody knows when it gelled, h: a room's night. */
const USUAL_GEL_H = 16;

/** How high the milk stands in its jar, cm. */
function depthCmOf(plan: MakePlan): number {
  const { composition, litres } = batchOf(plan);
  return litres / potOfMilk(composition, litres, widthMOf(plan.pot)).topM2 / 10;
}

/** What a jar of creamy milk parts into; `null` when no layer is promised. @param gelH hours it stood before it gelled */
export const twoOf = (
  plan: MakePlan,
  curd: { readonly massKg: number; readonly fatFraction: number },
  gelH: number | null,
) =>
  jarOfTwo({
    massKg: curd.massKg,
    fatFraction: curd.fatFraction,
    depthCm: depthCmOf(plan),
    treatment: isHeated(plan) ? 'heated' : plan.milk.treatment,
    homogenised: plan.milk.homogenised === true,
    hoursToGel: gelH ?? USUAL_GEL_H,
  });

/** The sour cream is lifted off; below it is buttermilk. */
export const LADLE: StepType = {
  kind: 'ladle',
  gerund: 'skimming the cream',
  asks: ['a ladle'],
  facts: factsOf({ inThePot: 'cold', pad: 'mass', endedBy: 'weighed' }),
  words: () => ({
    title: 'Lift the cream',
    doneWords: 'Lifted, not weighed',
    doing:
      'Lift off the thick layer with a wet ladle, starting round the edge. Weigh it. What is left below is buttermilk.',
    why: 'The fat rose while the milk was still sweet. Once soured, the fat stays where it is.',
  }),
  hands: () => ({ handsMin: 5, slackMin: 1440, mustAct: false }),
  cautions: () => ['allergen'],
  flow: (curd, { plan, gelH }) => {
    const two = twoOf(plan, curd, gelH);
    if (!two) return { curd, off: [], added: [] };
    // Protein is in the water of both.
    const perPlasma = (curd.proteinFraction * curd.massKg) / (curd.massKg * (1 - curd.fatFraction));
    const of = (massKg: number, fatFraction: number) => ({
      massKg,
      fatFraction,
      proteinFraction: perPlasma * (1 - fatFraction),
    });
    return {
      curd: of(two.creamKg, two.creamFatFraction),
      off: [{ what: 'buttermilk', ...of(two.buttermilkKg, two.buttermilkFatFraction) }],
      added: [],
    };
  },
};

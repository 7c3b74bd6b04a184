import type { MakePlan } from '../contract/index.ts';
import { cheeseOf } from '../science/curd/index.ts';
import { thinned, type Curd } from './curd-run.ts';
import type { StepOf } from './step-of.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';

/** Curd that is milled and salted holds so much more whey than the cheese that is pressed of it [judgement]. */
const MILLED = 1.2;

/** What salt is weighed by: the curd as it lies there; where it is pressed afterwards, without the whey that was drawn off it. */
function saltedKg(curd: Curd, { method: { steps } }: MakePlan, { step }: StepOf): number {
  const press = steps.slice(steps.findIndex(({ id }) => id === step.id)).find(({ kind }) => kind === 'press');
  return press === undefined
    ? curd.massKg
    : Math.min(curd.massKg, MILLED * cheeseOf(curd, paramsOf(press, 'press').moistureFraction).cheeseKg);
}

/** Salted by hand. */
export const SALT: StepType = {
  kind: 'salt',
  gerund: 'salting',
  usual: { saltFraction: 0.015, how: 'mixed' },
  asks: ['salt', 'scales'],
  facts: factsOf({ inThePot: 'curd', pad: 'mass' }),
  words: (_plan, { step }) => ({
    title: 'Salt',
    doneWords: 'Salted',
    doing:
      paramsOf(step, 'salt').how === 'rubbed'
        ? 'Weigh the salt; do not guess. Rub it in all round.'
        : 'Weigh the salt; do not guess. Sprinkle it over and mix it through.',
    why: 'Salt draws out whey, slows the souring and helps the cheese keep.',
  }),
  aim: (_plan, { step }) => ({
    to: 'added',
    words: `${(paramsOf(step, 'salt').saltFraction * 100).toFixed(1)} % of the curd’s weight`,
  }),
  hands: () => ({ handsMin: 5, slackMin: 120, mustAct: false }),
  cautions: () => [],
  flow: (curd, { plan, of }) => {
    const { saltFraction } = paramsOf(of.step, 'salt');
    const massKg = (saltedKg(curd, plan, of) * saltFraction) / (1 - saltFraction);
    return { curd: thinned(curd, massKg), off: [], added: [{ what: 'salt', massKg }] };
  },
};

import { thinned } from './curd-run.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';

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
  flow: (curd, { of }) => {
    const { saltFraction } = paramsOf(of.step, 'salt');
    const massKg = (curd.massKg * saltFraction) / (1 - saltFraction);
    return { curd: thinned(curd, massKg), off: [], added: [{ what: 'salt', massKg }] };
  },
};

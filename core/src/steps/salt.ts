import { thinned } from './curd-run.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';

/** Salted by hand. */
export const SALT: StepType = {
  kind: 'salt',
  facts: factsOf({ inThePot: 'curd', pad: 'mass' }),
  words: (_plan, { step }) => ({
    title: 'Salt',
    doneWords: 'It is salted',
    doing:
      paramsOf(step, 'salt').how === 'rubbed'
        ? 'Rub the salt in all round; weigh it, do not guess.'
        : 'Strew the salt over and mix it through; weigh it, do not guess.',
    why: 'Salt draws whey, slows the souring and keeps it.',
  }),
  aim: (_plan, { step }) => ({
    to: 'added',
    words: `${(paramsOf(step, 'salt').saltFraction * 100).toFixed(1)} % of its weight`,
  }),
  hands: () => ({ handsMin: 5, slackMin: 120, mustAct: false }),
  cautions: () => [],
  flow: (curd, { of }) => {
    const { saltFraction } = paramsOf(of.step, 'salt');
    const massKg = (curd.massKg * saltFraction) / (1 - saltFraction);
    return { curd: thinned(curd, massKg), off: [], added: [{ what: 'salt', massKg }] };
  },
};

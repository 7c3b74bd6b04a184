import { isHeated } from '../setup/index.ts';
import { factsOf, type StepType } from './step-type.ts';

/** Some is put by for the next make. */
export const RESERVE: StepType = {
  kind: 'reserve',
  gerund: 'saving starter',
  facts: factsOf({
    inThePot: 'cold',
    overnight: true,
    whenever: true,
    pad: 'mass',
    endedBy: 'reserved',
  }),
  words: () => ({
    title: 'Keep a spoonful',
    doneWords: 'Keep none',
    doing: 'Keep a spoonful for the next batch before you eat the rest.',
    why: 'The next batch starts from this one.',
  }),
  hands: () => ({ handsMin: 2, slackMin: 2880, mustAct: false }),
  cautions: (plan) => (plan.milk.treatment === 'raw' && !isHeated(plan) ? ['starter-raw'] : []),
};

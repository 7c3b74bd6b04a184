import { factsOf, type StepType } from './step-type.ts';

/** What came out is weighed. */
export const WEIGH: StepType = {
  kind: 'weigh',
  gerund: 'weighing',
  facts: factsOf({
    inThePot: 'cold',
    overnight: true,
    whenever: true,
    pad: 'mass',
    endedBy: 'weighed',
  }),
  words: () => ({
    title: 'Weigh',
    doneWords: 'Skip weighing',
    doing: 'Weigh what you got.',
    why: 'Comparing weight in with weight out shows the losses.',
  }),
  hands: () => ({ handsMin: 2, slackMin: 2880, mustAct: false }),
  cautions: () => [],
};

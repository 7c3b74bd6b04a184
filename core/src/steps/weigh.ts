import { factsOf, type StepType } from './step-type.ts';

/** What came out is weighed. */
export const WEIGH: StepType = {
  kind: 'weigh',
  facts: factsOf({
    inThePot: 'cold',
    overnight: true,
    whenever: true,
    pad: 'mass',
    endedBy: 'weighed',
  }),
  words: () => ({
    title: 'Weigh',
    doneWords: 'Go on without weighing',
    doing: 'Weigh what came out.',
    why: 'Mass in against mass out shows what was lost.',
  }),
  hands: () => ({ handsMin: 2, slackMin: 2880, mustAct: false }),
  cautions: () => [],
};

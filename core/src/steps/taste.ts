import { factsOf, type StepType } from './step-type.ts';

/** It is judged. */
export const TASTE: StepType = {
  kind: 'taste',
  gerund: 'tasting',
  facts: factsOf({
    inThePot: 'cold',
    overnight: true,
    whenever: true,
    endedBy: 'tasted',
  }),
  words: () => ({
    title: 'Taste',
    doneWords: 'Skip tasting',
    doing: 'Smell and look first. Then taste.',
    why: 'Your own judgement improves the next forecasts.',
  }),
  hands: () => ({ handsMin: 2, slackMin: 2880, mustAct: false }),
  cautions: () => ['clean-smell-first', 'discard'],
};

import { factsOf, type StepType } from './step-type.ts';

/** It is judged. */
export const TASTE: StepType = {
  kind: 'taste',
  facts: factsOf({
    inThePot: 'cold',
    overnight: true,
    whenever: true,
    endedBy: 'tasted',
  }),
  words: () => ({
    title: 'Taste',
    doneWords: 'Go on without tasting',
    doing: 'Smell, look, then taste.',
    why: 'Your own judgement beside the forecast teaches the kitchen.',
  }),
  hands: () => ({ handsMin: 2, slackMin: 2880, mustAct: false }),
  cautions: () => ['clean-smell-first', 'discard'],
};

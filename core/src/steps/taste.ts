import type { StepType } from './step-type.ts';

/** It is judged. */
export const TASTE: StepType = {
  kind: 'taste',
  facts: {
    inThePot: 'cold',
    waits: false,
    overnight: true,
    whenever: true,
    pad: 'temperature',
    probed: false,
    endedBy: 'tasted',
    moves: null,
    inoculates: false,
    sours: false,
    setShowsAcid: false,
  },
  words: () => ({
    title: 'Taste',
    doneWords: 'Go on without tasting',
    doing: 'Smell, look, then taste.',
    why: 'Your own judgement beside the forecast teaches the kitchen.',
  }),
  hands: () => ({ handsMin: 2, slackMin: 2880, mustAct: false }),
  cautions: () => ['clean-smell-first', 'discard'],
};

import type { StepType } from './step-type.ts';

/** The culture works, in the warm and in peace. */
export const INCUBATE: StepType = {
  kind: 'incubate',
  facts: {
    inThePot: 'souring',
    waits: true,
    overnight: false,
    whenever: false,
    pad: 'ph',
    probed: true,
    endedBy: null,
    moves: null,
    inoculates: false,
    sours: true,
    setShowsAcid: true,
  },
  words: () => ({
    title: 'Incubate',
    doneWords: 'Into the cold',
    doing: 'Keep it warm and still. Look without stirring: tilt the jar.',
    endWords: 'into the cold',
    why: 'The culture turns milk sugar into acid; the curd sets on the way down.',
  }),
  aim: () => ({ to: 'ready' }),
  hands: () => ({ handsMin: 3, slackMin: 60, mustAct: false }),
  cautions: () => ['clean-smell-first', 'discard'],
};

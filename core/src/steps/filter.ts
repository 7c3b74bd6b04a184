import { factsOf, type StepType } from './step-type.ts';

/** Strained from its solids into dry, warmed jars. */
export const FILTER: StepType = {
  kind: 'filter',
  facts: factsOf({ inThePot: 'hot-ghee' }),
  words: () => ({
    title: 'Filter',
    doneWords: 'It is in its jars',
    doing: 'Pour through paper or fine mesh into bone-dry, warmed jars, away from you.',
    why: 'Solids and drops of water left in it spoil it.',
  }),
  hands: () => ({ handsMin: 8, slackMin: 60, mustAct: false }),
  cautions: () => ['hot-fat', 'ghee-glass'],
};

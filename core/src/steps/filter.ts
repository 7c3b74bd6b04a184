import { factsOf, type StepType } from './step-type.ts';

/** Strained from its solids into dry, warmed jars. */
export const FILTER: StepType = {
  kind: 'filter',
  gerund: 'filtering',
  asks: ['a filter or a fine cloth'],
  facts: factsOf({ inThePot: 'hot-ghee', fat: true }),
  words: () => ({
    title: 'Filter',
    doneWords: 'Ghee is in jars',
    doing: 'Pour through paper or fine mesh into bone-dry, warmed jars. Pour away from yourself.',
    why: 'Solids or drops of water left in ghee spoil it.',
  }),
  hands: () => ({ handsMin: 8, slackMin: 60, mustAct: false }),
  cautions: () => ['hot-fat', 'ghee-glass'],
};

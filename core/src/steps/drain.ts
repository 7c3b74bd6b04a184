import { factsOf, type StepType } from './step-type.ts';

/** The buttermilk runs off; weighed, it says where the rest of the fat is. */
export const DRAIN: StepType = {
  kind: 'drain',
  facts: factsOf({
    inThePot: 'grains',
    pad: 'mass',
    endedBy: 'weighed',
    weighs: 'buttermilk',
    tells: 'buttermilk',
  }),
  words: ({ milk }) => ({
    title: 'Drain',
    doneWords: 'Drained, not weighed',
    doing: 'Pour the buttermilk off through a sieve and weigh it; it goes to the milk room.',
    why: milk.soured
      ? 'Cultured buttermilk is for drinking, baking, and as a starter.'
      : 'Sweet buttermilk is for drinking and baking; it is no starter.',
  }),
  hands: () => ({ handsMin: 5, slackMin: 30, mustAct: false }),
  cautions: () => ['allergen'],
};

import { factsOf, type StepType } from './step-type.ts';

/** The buttermilk runs off; weighed, it says where the rest of the fat is. */
export const DRAIN: StepType = {
  kind: 'drain',
  gerund: 'draining',
  facts: factsOf({
    inThePot: 'grains',
    pad: 'mass',
    endedBy: 'weighed',
    weighs: 'buttermilk',
    tells: true,
  }),
  words: ({ milk }) => ({
    title: 'Drain',
    doneWords: 'Drained, not weighed',
    doing: 'Pour off the buttermilk through a sieve and weigh it. It is added to the milk room.',
    why: milk.soured
      ? 'Use cultured buttermilk for drinking, for baking and as a starter.'
      : 'Use sweet buttermilk for drinking and baking. It does not work as a starter.',
  }),
  hands: () => ({ handsMin: 5, slackMin: 30, mustAct: false }),
  cautions: () => ['allergen'],
};

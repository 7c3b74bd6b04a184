import { factsOf, type StepType } from './step-type.ts';

/** What is under the cream: buttermilk, weighed into the milk room. */
export const POUR_OFF: StepType = {
  kind: 'pour-off',
  gerund: 'pouring off the buttermilk',
  asks: ['a sieve'],
  facts: factsOf({ inThePot: 'cold', pad: 'mass', endedBy: 'weighed', weighs: 'buttermilk' }),
  words: () => ({
    title: 'Pour off the buttermilk',
    doneWords: 'Poured off, not weighed',
    doing: 'Pour what is left through a sieve, stir it smooth and weigh it. It is added to the milk room.',
    why: 'Use it for drinking, for baking and as the starter for the next jar.',
  }),
  hands: () => ({ handsMin: 4, slackMin: 1440, mustAct: false }),
  cautions: () => ['allergen', 'cold-store'],
};

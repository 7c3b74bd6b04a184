import { factsOf, type StepType } from './step-type.ts';

/** What is under the cream: buttermilk, weighed into the milk room. */
export const POUR_OFF: StepType = {
  kind: 'pour-off',
  facts: factsOf({ inThePot: 'cold', pad: 'mass', endedBy: 'weighed', weighs: 'buttermilk' }),
  words: () => ({
    title: 'Pour the buttermilk off',
    doneWords: 'It is off, not weighed',
    doing: 'Pour what is left through a sieve, stir it smooth, and weigh it; it goes to the milk room.',
    why: 'It is for drinking, for baking, and the starter of the next jar.',
  }),
  hands: () => ({ handsMin: 4, slackMin: 1440, mustAct: false }),
  cautions: () => ['allergen', 'cold-store'],
};

import { factsOf, type StepType } from './step-type.ts';

/** Cold cream beaten until it stands. */
export const WHIP: StepType = {
  kind: 'whip',
  gerund: 'whipping',
  asks: ['a whisk'],
  facts: factsOf({ inThePot: 'cream' }),
  words: () => ({
    title: 'Whip',
    doneWords: 'Whipped',
    doing:
      'Use a bowl and whisk from the fridge. Stop as soon as the whisk leaves tracks that stay. A minute more and it is butter.',
    why: 'Cold fat holds the air. Warm cream, or cream below 28 % fat, does not hold its shape.',
  }),
  hands: () => ({ handsMin: 6, slackMin: 10, mustAct: true }),
  cautions: () => ['blades-off', 'cold-store'],
};

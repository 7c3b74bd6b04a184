import { factsOf, type StepType } from './step-type.ts';

/** Cold cream beaten until it stands. */
export const WHIP: StepType = {
  kind: 'whip',
  facts: factsOf({ inThePot: 'cream' }),
  words: () => ({
    title: 'Whip',
    doneWords: 'It stands',
    doing:
      'Bowl and whisk from the cold; stop as soon as the tracks of the whisk stay: a minute on, and it is butter.',
    why: 'Cold fat holds the air; below 28 % fat, or warm, it does not stand.',
  }),
  hands: () => ({ handsMin: 6, slackMin: 10, mustAct: true }),
  cautions: () => ['blades-off', 'cold-store'],
};

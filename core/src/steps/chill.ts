import { factsOf, type StepType } from './step-type.ts';

/** The cold stops the souring and firms the curd. */
export const CHILL: StepType = {
  kind: 'chill',
  gerund: 'chilling',
  facts: factsOf({
    inThePot: 'cold',
    waits: true,
    overnight: true,
  }),
  words: () => ({
    title: 'Chill',
    doneWords: 'Chilled through',
    doing: 'Put the batch in the fridge at once. Judge it after 4–24 h.',
    why: 'Chilling stops the souring and firms the curd.',
  }),
  aim: () => ({ to: 'words', words: 'Four hours or more' }),
  hands: () => ({ handsMin: 4, slackMin: 30, mustAct: true }),
  cautions: () => ['cold-store', 'allergen'],
};

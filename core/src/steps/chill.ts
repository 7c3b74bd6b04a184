import { factsOf, type StepType } from './step-type.ts';

/** The cold stops the souring and firms the curd. */
export const CHILL: StepType = {
  kind: 'chill',
  facts: factsOf({
    inThePot: 'cold',
    waits: true,
    overnight: true,
  }),
  words: () => ({
    title: 'Chill',
    doneWords: 'Chilled through',
    doing: 'Into the cold at once; judge it after 4 to 24 hours.',
    why: 'Cold stops the souring and firms the curd.',
  }),
  aim: () => ({ to: 'words', words: 'Four hours or more' }),
  hands: () => ({ handsMin: 4, slackMin: 30, mustAct: true }),
  cautions: () => ['cold-store', 'allergen'],
};

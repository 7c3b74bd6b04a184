import { factsOf, type StepType } from './step-type.ts';

/** A night, h: after it the cold has done most of what it does. */
export const THICKENS_H = 12;

/** The cold stops the souring and firms the fat: thick the next day. */
export const THICKEN: StepType = {
  kind: 'thicken',
  gerund: 'thickening',
  facts: factsOf({
    inThePot: 'cold',
    waits: true,
    overnight: true,
  }),
  words: () => ({
    title: 'Thicken',
    doneWords: 'Cold and thick',
    doing: 'Cover and put in the fridge at once. Leave overnight without stirring, then judge it.',
    why: 'Chilling stops the souring and firms the fat. Cream is thickest the next day.',
  }),
  aim: () => ({ to: 'words', words: 'Overnight, about 12 h' }),
  hands: () => ({ handsMin: 3, slackMin: 720, mustAct: false, waitMin: THICKENS_H * 60 }),
  cautions: () => ['cold-store', 'allergen'],
};

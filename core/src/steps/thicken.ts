import { factsOf, type StepType } from './step-type.ts';

/** A night, h: after it the cold has done most of what it does. */
export const THICKENS_H = 12;

/** The cold stops the souring and firms the fat: thick the next day. */
export const THICKEN: StepType = {
  kind: 'thicken',
  facts: factsOf({
    inThePot: 'cold',
    waits: true,
    overnight: true,
  }),
  words: () => ({
    title: 'Thicken',
    doneWords: 'It is cold and thick',
    doing: 'Into the cold at once, covered. Leave it a night without stirring; judge it then.',
    why: 'Cold stops the souring and firms the fat: it is thickest the next day.',
  }),
  aim: () => ({ to: 'words', words: 'A night, about 12 hours' }),
  hands: () => ({ handsMin: 3, slackMin: 720, mustAct: false, waitMin: THICKENS_H * 60 }),
  cautions: () => ['cold-store', 'allergen'],
};

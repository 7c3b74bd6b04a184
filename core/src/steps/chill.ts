import type { StepInstance } from '../contract/index.ts';
import { factsOf, type StepType } from './step-type.ts';

/** What set firms in the cold, and is not judged before. */
const SETS: ReadonlySet<StepInstance['kind']> = new Set(['incubate', 'ripen']);

/** The cold stops the souring and firms the curd. */
export const CHILL: StepType = {
  kind: 'chill',
  gerund: 'chilling',
  facts: factsOf({
    inThePot: 'cold',
    waits: true,
    overnight: true,
  }),
  words: ({ method }) => ({
    title: 'Chill',
    doneWords: 'Chilled through',
    doing: method.steps.some(({ kind }) => SETS.has(kind))
      ? 'Put the batch in the fridge at once. Judge it after 4–24 h.'
      : 'Put the batch in the fridge at once. Leave it there for four hours or more.',
    why: 'Chilling stops the souring and firms the curd.',
  }),
  aim: () => ({ to: 'words', words: 'Four hours or more' }),
  hands: () => ({ handsMin: 4, slackMin: 30, mustAct: true }),
  cautions: () => ['cold-store', 'allergen'],
};

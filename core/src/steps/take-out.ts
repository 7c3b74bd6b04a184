import { potWords } from '../kitchen/index.ts';
import { POUR } from './pour.ts';
import type { StepType } from './step-type.ts';

/** The cream comes out of the cold: from here on it warms. */
export const TAKE_OUT: StepType = {
  ...POUR,
  kind: 'take-out',
  gerund: 'taking the cream out of the fridge',
  facts: { ...POUR.facts, inThePot: 'cream' },
  words: (plan) => ({
    title: 'Take the cream out',
    doneWords: 'Cream is out',
    doing: `Measure the cream into ${potWords(plan.pot)} and cover it.`,
    why: 'The cream’s temperature decides how long it churns and how much fat is lost to buttermilk.',
    endWords: 'out at',
    due: {
      title: 'Take the cream out',
      text: 'Take the cream out of the fridge now, so that it is at temperature in time.',
    },
  }),
  hands: () => ({ handsMin: 3, slackMin: 60, mustAct: false }),
};

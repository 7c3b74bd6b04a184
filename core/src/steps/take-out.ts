import { POUR } from './pour.ts';
import type { StepType } from './step-type.ts';

/** The cream comes out of the cold: from here on it warms. */
export const TAKE_OUT: StepType = {
  ...POUR,
  kind: 'take-out',
  facts: { ...POUR.facts, inThePot: 'cream' },
  words: (plan) => ({
    title: 'Take the cream out',
    doneWords: 'It is out',
    doing: `Measure the cream into ${plan.pot.name} and cover it.`,
    why: 'Its heat decides how long it churns and how much fat stays behind.',
    endWords: 'out at',
    due: { title: 'Take the cream out', text: 'Out of the cold now, to be at its heat in time.' },
  }),
  hands: () => ({ handsMin: 3, slackMin: 60, mustAct: false }),
};

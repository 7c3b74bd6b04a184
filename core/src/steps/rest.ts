import { factsOf, paramsOf, type StepType } from './step-type.ts';

/** It stands, or lies, for a while. */
export const REST: StepType = {
  kind: 'rest',
  facts: factsOf({ inThePot: 'curd', waits: true, probed: true }),
  words: (_plan, { step }) => ({
    title: 'Rest',
    doneWords: 'It has rested',
    doing:
      paramsOf(step, 'rest').stands === 'cold'
        ? 'Into the cold, covered, and leave it.'
        : 'Leave it as it is, covered.',
    why: 'What is left in peace firms by itself.',
    due: { title: 'Rested long enough', text: 'On to what comes next.' },
  }),
  aim: (_plan, { step }) => ({ to: 'time', minutes: paramsOf(step, 'rest').minutes }),
  hands: () => ({ handsMin: 1, slackMin: 60, mustAct: false }),
  cautions: (_plan, { step }) => (paramsOf(step, 'rest').stands === 'cold' ? ['cold-store'] : []),
  stands: (_plan, { step }) => paramsOf(step, 'rest').stands,
  later: ({ of }) => ({ minutes: paramsOf(of.step, 'rest').minutes }),
};

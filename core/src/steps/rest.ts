import { factsOf, paramsOf, type StepType } from './step-type.ts';

/** It stands, or lies, for a while. */
export const REST: StepType = {
  kind: 'rest',
  gerund: 'resting',
  usual: { minutes: 15, stands: 'as-it-is' },
  facts: factsOf({ inThePot: 'curd', waits: true, probed: true }),
  words: (_plan, { step }) => ({
    title: 'Rest',
    doneWords: 'Rested',
    doing:
      paramsOf(step, 'rest').stands === 'cold'
        ? 'Cover, put in the fridge and leave.'
        : 'Cover and leave where it is.',
    why:
      paramsOf(step, 'rest').stands === 'cold'
        ? 'It gets cold all through, and what was stirred in dissolves.'
        : 'The curd firms up by itself when left alone.',
    due: { title: 'Rested long enough', text: 'Go on to the next step.' },
  }),
  aim: (_plan, { step }) => ({ to: 'time', minutes: paramsOf(step, 'rest').minutes }),
  hands: () => ({ handsMin: 1, slackMin: 60, mustAct: false }),
  cautions: (_plan, { step }) => (paramsOf(step, 'rest').stands === 'cold' ? ['cold-store'] : []),
  stands: (_plan, { step }) => paramsOf(step, 'rest').stands,
  later: ({ of }) => ({ minutes: paramsOf(of.step, 'rest').minutes }),
};

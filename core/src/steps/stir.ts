import { factsOf, paramsOf, type StepType } from './step-type.ts';

/** Stirred, and warmed evenly meanwhile. */
export const STIR: StepType = {
  kind: 'stir',
  gerund: 'stirring',
  usual: { toC: null, minutes: 15 },
  facts: factsOf({ inThePot: 'curd', waits: true, probed: true }),
  words: (_plan, { step }) => ({
    title: paramsOf(step, 'stir').toC === null ? 'Stir' : 'Stir and warm',
    doneWords: 'Stirring done',
    doing:
      paramsOf(step, 'stir').toC === null
        ? 'Stir gently so that the pieces do not stick together.'
        : 'Stir gently and warm the curd evenly over the whole time. Warmed too fast, the pieces seal their whey in.',
    why: 'Warmth and movement drive the whey out.',
    endWords: 'stirred',
    due: {
      title: 'Stirred long enough',
      text: 'Squeeze a handful. It should hold together, then crumble again.',
    },
  }),
  aim: (_plan, { step }) => {
    const { toC, minutes } = paramsOf(step, 'stir');
    return toC === null ? { to: 'time', minutes } : { to: 'heat', celsius: toC };
  },
  hands: (_plan, { step }) => {
    const { minutes } = paramsOf(step, 'stir');
    return { handsMin: minutes, slackMin: 10, mustAct: true, leadMin: minutes };
  },
  cautions: () => ['clean-hands'],
  stands: () => 'as-it-is',
  later: ({ of, celsius }) => {
    const { toC, minutes } = paramsOf(of.step, 'stir');
    return { minutes, endC: toC ?? celsius };
  },
};

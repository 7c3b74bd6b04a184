import { factsOf, paramsOf, type StepType } from './step-type.ts';

/** The curd is cut, to let its whey go. */
export const CUT: StepType = {
  kind: 'cut',
  gerund: 'cutting',
  usual: { sizeCm: 1.5 },
  asks: ['a long knife'],
  facts: factsOf({ inThePot: 'curd' }),
  words: () => ({
    title: 'Cut',
    doneWords: 'Curd is cut',
    doing:
      'Cut slowly: lengthwise, crosswise, then at a slant. Let the curd lie for five minutes before you move it.',
    why: 'The smaller the pieces, the more whey they lose and the drier the cheese.',
  }),
  aim: (_plan, of) => {
    const cm = paramsOf(of.step, 'cut').sizeCm;
    return { to: 'words', words: `pieces of about ${cm} cm (${(cm / 2.54).toFixed(1)} in)` };
  },
  hands: () => ({ handsMin: 6, slackMin: 10, mustAct: false }),
  cautions: () => [],
};

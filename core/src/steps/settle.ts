import { factsOf, type StepType } from './step-type.ts';

/** Ten to fifteen minutes, and how much it cools meanwhile, K [judgement]. */
const RESTS_MIN = 12;
const COOLS_K = 20;

/** Off the fire the solids sink: poured at once, they come along. */
export const SETTLE: StepType = {
  kind: 'settle',
  gerund: 'settling',
  facts: factsOf({ inThePot: 'hot-ghee', waits: true, fat: true }),
  words: () => ({
    title: 'Let the ghee settle',
    doneWords: 'Ghee has settled',
    doing: 'Turn the heat off. Leave the pan to stand for 10–15 min.',
    why: 'The solids sink and the boiling stops. Ghee poured too soon spatters and burns.',
    due: {
      title: 'Filter the ghee',
      text: 'The ghee has settled. Pour it through paper or fine mesh, away from yourself.',
    },
  }),
  aim: () => ({ to: 'time', minutes: RESTS_MIN }),
  hands: () => ({ handsMin: 1, slackMin: 60, mustAct: false, waitMin: RESTS_MIN }),
  cautions: () => ['hot-fat'],
  leg: ({ startC }) => ({
    minutes: RESTS_MIN,
    sigmaMin: 0,
    endC: startC - COOLS_K,
    endless: false,
    curve: [
      [0, startC],
      [RESTS_MIN, startC - COOLS_K],
    ],
  }),
};

import type { StepType } from './step-type.ts';

/** The milk goes into the pot, and powder with it. */
export const POUR: StepType = {
  kind: 'pour',
  facts: {
    inThePot: 'milk',
    waits: false,
    overnight: false,
    whenever: false,
    pad: 'temperature',
    probed: false,
    endedBy: 'milk-poured',
    moves: null,
    inoculates: false,
    sours: false,
    setShowsAcid: false,
  },
  words: (plan, { goods: { into } }) => ({
    title: `Pour the ${into}`,
    doneWords: `The ${into} is in`,
    doing: plan.milk.powder
      ? `Pour the ${into} into ${plan.pot.name} and whisk the powder in while it is cold.`
      : `Pour the ${into} into ${plan.pot.name}.`,
    why: 'How much is in the pot decides how fast it warms and cools.',
  }),
  hands: () => ({ handsMin: 4, slackMin: 120, mustAct: false }),
  cautions: (plan) => (plan.milk.treatment === 'raw' ? ['raw-milk'] : []),
};

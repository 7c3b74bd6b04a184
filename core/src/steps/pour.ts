import { factsOf, type StepType } from './step-type.ts';

/** The milk goes into the pot, and powder with it. */
export const POUR: StepType = {
  kind: 'pour',
  facts: factsOf({
    inThePot: 'milk',
    endedBy: 'milk-poured',
  }),
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

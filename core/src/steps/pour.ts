import { potWords } from '../kitchen/index.ts';
import { factsOf, type StepType } from './step-type.ts';

/** The milk goes into the pot, and powder with it. */
export const POUR: StepType = {
  kind: 'pour',
  gerund: 'pouring',
  facts: factsOf({
    inThePot: 'milk',
    endedBy: 'milk-poured',
  }),
  words: (plan, { goods: { into } }) => ({
    title: `Pour the ${into}`,
    doneWords: `${into.charAt(0).toUpperCase()}${into.slice(1)} is in the pot`,
    doing:
      plan.milk.powder && !plan.milk.powder.withStarter
        ? `Pour the ${into} into ${potWords(plan.pot)}. Whisk in the milk powder while the ${into} is cold.`
        : `Pour the ${into} into ${potWords(plan.pot)}.`,
    why: plan.heat.kind === 'none' ? '' : 'The amount in the pot decides how fast it heats and cools.',
  }),
  hands: () => ({ handsMin: 4, slackMin: 120, mustAct: false }),
  cautions: (plan) => [
    ...(plan.milk.treatment === 'raw' ? (['raw-milk'] as const) : []),
    'clean-first',
    'bleach',
  ],
};

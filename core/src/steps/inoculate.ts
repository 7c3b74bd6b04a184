import { warmCulture } from '../science/souring/index.ts';
import { factsOf, type StepType } from './step-type.ts';

/** The culture goes in; without one, the milk is covered. */
export const INOCULATE: StepType = {
  kind: 'inoculate',
  gerund: 'inoculating',
  facts: factsOf({
    inThePot: 'warm-milk',
    pad: 'mass',
    endedBy: 'starter-added',
    inoculates: true,
  }),
  words: ({ starter, milk }, { goods: { into } }) => ({
    title: 'Inoculate',
    doneWords: starter.kind === 'none' ? 'Covered' : 'Starter is in',
    doing:
      starter.kind === 'none'
        ? 'Add no starter. Cover the jar and leave it to sour.'
        : milk.powder?.withStarter
          ? `Whisk the milk powder and the starter smooth in a little ${into}, then stir them into the rest.`
          : `Whisk the starter smooth in a little ${into}, then stir it into the rest.`,
    endWords: 'inoculated',
    why: 'The dose and the age of the starter decide how long it takes.',
  }),
  aim: () => ({ to: 'dose' }),
  hands: () => ({ handsMin: 6, slackMin: 20, mustAct: true }),
  cautions: ({ starter, milk }) =>
    starter.kind === 'none'
      ? [milk.treatment === 'raw' ? 'raw-milk' : 'treated-needs-starter']
      : [warmCulture(starter.kind) ? 'too-hot-kills' : 'too-hot-kills-room'],
};

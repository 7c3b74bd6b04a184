import { factsOf, type StepType } from './step-type.ts';

/** The culture goes in; without one, the milk is covered. */
export const INOCULATE: StepType = {
  kind: 'inoculate',
  facts: factsOf({
    inThePot: 'warm-milk',
    pad: 'mass',
    endedBy: 'starter-added',
    inoculates: true,
  }),
  words: ({ starter }, { goods: { into } }) => ({
    title: 'Inoculate',
    doneWords: starter.kind === 'none' ? 'Covered' : 'The starter is in',
    doing:
      starter.kind === 'none'
        ? 'No starter: cover it and leave it to sour.'
        : `Whisk the starter smooth in a little ${into}, then stir it in.`,
    endWords: 'inoculated',
    why: 'The dose and its age set the clock.',
  }),
  aim: () => ({ to: 'dose' }),
  hands: () => ({ handsMin: 6, slackMin: 20, mustAct: true }),
  cautions: ({ starter }) =>
    starter.kind === 'none' ? ['raw-milk', 'treated-needs-starter'] : ['too-hot-kills'],
};

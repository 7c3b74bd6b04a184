import { factsOf, type StepType } from './step-type.ts';

/** Kefir grains are taken out: they go into fresh milk at once, or into the cold. */
export const GRAINS_OUT: StepType = {
  kind: 'grains-out',
  facts: factsOf({ inThePot: 'milk', tells: 'grains' }),
  words: () => ({
    title: 'Grains out',
    doneWords: 'The grains are out',
    doing:
      'Pour it through a coarse sieve, shaking gently; no metal that rusts. Weigh the grains: they go into fresh milk, or into the cold with some.',
    why: 'Grains grow about 7 % a day; weighed, they tell how lively they are.',
  }),
  hands: () => ({ handsMin: 6, slackMin: 720, mustAct: false }),
  cautions: () => ['vent-churn'],
};

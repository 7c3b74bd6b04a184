import { factsOf, type StepType } from './step-type.ts';

/** Kefir grains are taken out: they go into fresh milk at once, or into the cold. */
export const GRAINS_OUT: StepType = {
  kind: 'grains-out',
  gerund: 'lifting out the grains',
  asks: ['a coarse sieve'],
  facts: factsOf({ inThePot: 'milk', tells: true }),
  words: () => ({
    title: 'Take out grains',
    doneWords: 'Grains are out',
    doing:
      'Pour the kefir through a coarse sieve and shake gently. Use no metal that rusts. Weigh the grains. Put them in fresh milk, or in the fridge with some milk.',
    why: 'Grains grow about 7 % a day. Their weight shows how lively they are.',
  }),
  hands: () => ({ handsMin: 6, slackMin: 720, mustAct: false }),
  cautions: () => ['bottle-pressure', 'cold-store', 'allergen'],
};

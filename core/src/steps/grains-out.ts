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
  // They come out as they went in: what they gained in a day is less than clings to them.
  flow: (curd, { plan: { starter } }) => {
    const massKg = Math.min(curd.massKg, (starter.kind === 'kefir-grains' ? starter.massKg : null) ?? 0);
    return {
      curd: { ...curd, massKg: curd.massKg - massKg },
      off: massKg > 0 ? [{ ...curd, what: 'grains', massKg }] : [],
      added: [],
    };
  },
  hands: () => ({ handsMin: 6, slackMin: 720, mustAct: false }),
  cautions: () => ['bottle-pressure', 'cold-store', 'allergen'],
};

import { drainedBy, drainedTo, hoursToThickness } from '../science/curd/index.ts';
import { clothFit } from './cloth-learned.ts';
import { CURD_TOLD } from './curd-run.ts';
import { COLD_C, drainingOf, drainWayOf, LONGEST_DRAIN_H, thicknessOf } from './draining-of.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'strain');

/** Whey runs off through a cloth. */
export const STRAIN: StepType = {
  kind: 'strain',
  gerund: 'draining',
  evening: 'cloths',
  usual: { way: 'cloth', stands: 'cold', of: 'protein', fraction: 0.06 },
  asks: ['a cloth and a bowl for the whey'],
  facts: factsOf({
    inThePot: 'cloth',
    waits: true,
    overnight: true,
    pad: 'mass',
    tells: true,
    looks: true,
    uses: ['cloth'],
  }),
  words: (_plan, of) => ({
    title: own(of).way === 'hung' ? 'Hang' : own(of).way === 'pressed' ? 'Drain under a weight' : 'Drain',
    doneWords: 'Thick enough',
    doing:
      own(of).way === 'hung'
        ? 'Tie the curd in a wet cloth. Hang it over a bowl to catch the whey.'
        : own(of).way === 'pressed'
          ? 'Put the curd in the cloth and the weight on top. Catch the whey.'
          : 'Pour the curd into a wet cloth over a bowl to catch the whey. Cover the bowl.',
    why: 'Whey runs fast at first, then more and more slowly. Weigh the bag or the whey to see how fast this one drains.',
    endWords: 'thick enough',
    due: {
      title: 'Thick enough?',
      text: 'Look at it and weigh it. If it has drained too far, stir a little whey back in.',
    },
  }),
  aim: (_plan, of) => ({
    to: 'words',
    words: `Until about ${(own(of).fraction * 100).toFixed(own(of).fraction < 0.1 ? 1 : 0)} % ${own(of).of}`,
  }),
  hands: () => ({ handsMin: 6, slackMin: 20, mustAct: false }),
  cautions: (_plan, of) => (own(of).stands === 'cold' ? ['cold-store'] : ['clean-hands']),
  stands: (_plan, of) => own(of).stands,
  learns: { factor: 'cloth', thing: (plan) => drainWayOf(plan) ?? '', fit: clothFit },
  later: ({ plan, of, curd, denatured, startMs, told, z }) => {
    const seen = told(CURD_TOLD);
    const { draining, sigma } = drainingOf(plan, of, { curd, denatured, startMs, seen });
    const hours = hoursToThickness(draining, thicknessOf(of));
    if (hours === null || hours > LONGEST_DRAIN_H)
      return { minutes: LONGEST_DRAIN_H * 60, sigmaMin: 0, endless: true };
    const minutes = hours * 60 * Math.exp(z * sigma);
    return { minutes, sigmaMin: sigma * minutes };
  },
  flow: (curd, { of, heated, wheyKg }) => {
    const draining = { ...curd, heated, tauAt6CH: 1, celsius: COLD_C };
    const parted = wheyKg === null ? drainedTo(draining, thicknessOf(of)) : drainedBy(draining, wheyKg);
    return {
      curd: {
        massKg: parted.curdKg,
        fatFraction: parted.fatFraction,
        proteinFraction: parted.proteinFraction,
      },
      off: [
        { what: 'whey', massKg: parted.wheyKg, fatFraction: 0, proteinFraction: parted.wheyProteinFraction },
      ],
      added: [],
    };
  },
};

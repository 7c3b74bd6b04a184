import { cheeseOf, pressureKpa } from '../science/curd/index.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'press');

/** Pressed into a wheel, turned now and then. */
export const PRESS: StepType = {
  kind: 'press',
  gerund: 'pressing',
  evening: 'moulds',
  usual: { weightKg: 8, diameterCm: 14, hours: 8, turns: 2, moistureFraction: 0.48 },
  asks: ['a mould', 'a weight'],
  facts: factsOf({ inThePot: 'wheel', waits: true, overnight: true, pad: 'ph', tells: true, looks: true }),
  words: (_plan, of) => ({
    title: own(of).weightKg > 0 ? 'Press' : 'Settle in the mould',
    doneWords: 'Take out of mould',
    doing:
      own(of).weightKg > 0
        ? 'Line the mould with its cloth and fill it. Start with a light weight, and put on the full weight after half an hour. Turn the cheese at each reminder.'
        : 'Fill the mould. Turn the cheese at each reminder. Its own weight is enough.',
    why: 'The weight closes the cheese, which goes on souring. Measure the pH of the whey. At pH 5.3 or less you can go on.',
    endWords: 'pressed',
    due: { title: 'Pressed long enough', text: 'Take the cheese out of the mould and cloth.' },
  }),
  aim: (_plan, of) => {
    const { weightKg, diameterCm, hours } = own(of);
    return {
      to: 'words',
      words:
        weightKg > 0
          ? `${weightKg} kg (${(weightKg / 0.4536).toFixed(0)} lb) for ${hours} h: ${pressureKpa(weightKg, diameterCm).toFixed(1)} kPa`
          : `${hours} h, turned ${own(of).turns} times`,
    };
  },
  hands: (_plan, of) => ({ handsMin: 8 + 2 * own(of).turns, slackMin: 240, mustAct: false }),
  cautions: () => ['rennet-no-acid', 'soft-cheese-risk'],
  stands: () => 'room',
  everyMin: (of) => (own(of).turns > 0 ? (own(of).hours * 60) / (own(of).turns + 1) : null),
  later: ({ of }) => ({ minutes: own(of).hours * 60 }),
  flow: (curd, { of }) => {
    const made = cheeseOf(curd, own(of).moistureFraction);
    return {
      curd: { massKg: made.cheeseKg, fatFraction: made.fatFraction, proteinFraction: made.proteinFraction },
      off: [
        {
          what: 'whey',
          massKg: made.wheyKg,
          fatFraction: made.wheyFatFraction,
          proteinFraction: made.wheyProteinFraction,
        },
      ],
      added: [],
    };
  },
};

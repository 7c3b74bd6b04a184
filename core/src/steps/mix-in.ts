import { thinned } from './curd-run.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'mix-in');

/** Honey by any of its names. */
const HONEY = /\bhoney\b|\bmead\b/i;
/** Words that name something with alcohol in it. */
const SPIRITS =
  /\b(alcohol|beer|brandy|cider|cognac|eggnog|gin|kirsch|liqueur|mead|port|rum|schnapps|sherry|spirits?|vodka|whisk(e)?y|wine)\b/i;

/** Alcohol is told of what was ticked, and of what is recognised by its name: it does not evaporate. */
const isSpirit = ({ what, alcohol }: { readonly what: string; readonly alcohol: boolean }): boolean =>
  alcohol || SPIRITS.test(what);

/** Something stirred in: sugar, fruit, cocoa. */
export const MIX_IN: StepType = {
  kind: 'mix-in',
  gerund: 'mixing in',
  usual: { what: 'sugar', fraction: 0.08, keepsD: null, alcohol: false },
  facts: factsOf({ inThePot: 'milk', pad: 'mass' }),
  words: (_plan, of) => ({
    title: `Stir in ${own(of).what}`,
    doneWords: 'Stirred in',
    doing: 'Weigh what goes in, then stir it in until even.',
    why:
      own(of).keepsD === null
        ? ''
        : `With this added, the batch keeps about ${own(of).keepsD} days in the fridge.`,
  }),
  aim: (_plan, of) => ({ to: 'added', words: `${(own(of).fraction * 100).toFixed(1)} % of the batch` }),
  hands: () => ({ handsMin: 5, slackMin: 120, mustAct: false }),
  cautions: (_plan, of) => [
    ...(HONEY.test(own(of).what) ? (['honey-infants'] as const) : []),
    ...(isSpirit(own(of)) ? (['alcohol'] as const) : []),
    'cold-store',
  ],
  flow: (curd, { of }) => {
    const massKg = (curd.massKg * own(of).fraction) / (1 - Math.min(0.9, own(of).fraction));
    return { curd: thinned(curd, massKg), off: [], added: [{ what: own(of).what, massKg }] };
  },
};

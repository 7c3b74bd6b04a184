import { thinned } from './curd-run.ts';
import { factsOf, paramsOf, type StepOf, type StepType } from './step-type.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'mix-in');

/** Something stirred in: sugar, fruit, cocoa. */
export const MIX_IN: StepType = {
  kind: 'mix-in',
  facts: factsOf({ inThePot: 'milk', pad: 'mass' }),
  words: (_plan, of) => ({
    title: `Stir in ${own(of).what}`,
    doneWords: 'Stirred in',
    doing: 'Weigh it, stir it in until even, then taste.',
    why:
      own(of).keepsD === null
        ? 'For flavour.'
        : `With this added, the batch keeps about ${own(of).keepsD} days in the fridge.`,
  }),
  aim: (_plan, of) => ({ to: 'added', words: `${(own(of).fraction * 100).toFixed(1)} % of the batch` }),
  hands: () => ({ handsMin: 5, slackMin: 120, mustAct: false }),
  cautions: (_plan, of) => ['cold-store', ...(own(of).alcohol ? (['alcohol'] as const) : [])],
  flow: (curd, { of }) => {
    const massKg = (curd.massKg * own(of).fraction) / (1 - Math.min(0.9, own(of).fraction));
    return { curd: thinned(curd, massKg), off: [], added: [{ what: own(of).what, massKg }] };
  },
};

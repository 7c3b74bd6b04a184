import { factsOf, paramsOf, type StepOf, type StepType } from './step-type.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'freeze');

/** Frozen, stirred now and then. */
export const FREEZE: StepType = {
  kind: 'freeze',
  facts: factsOf({ inThePot: 'cold', waits: true, overnight: true, tells: 'turns' }),
  words: (_plan, of) => ({
    title: 'Freeze',
    doneWords: 'Frozen',
    doing:
      own(of).stirEveryMin === null
        ? 'Freeze in the machine, or spread flat in the freezer.'
        : 'Spread flat in the freezer. Stir at each reminder so that the ice stays fine.',
    why: 'Small crystals make frozen yogurt smooth. Freezing stops the culture but does not kill it.',
    endWords: 'frozen',
  }),
  aim: (_plan, of) => ({ to: 'time', minutes: own(of).hours * 60 }),
  hands: (_plan, of) => ({
    handsMin: own(of).stirEveryMin === null ? 3 : 2 * Math.ceil((own(of).hours * 60) / own(of).stirEveryMin!),
    slackMin: 120,
    mustAct: false,
  }),
  cautions: () => ['allergen'],
  stands: () => 'cold',
  everyMin: (of) => own(of).stirEveryMin,
  later: ({ of }) => ({ minutes: own(of).hours * 60 }),
};

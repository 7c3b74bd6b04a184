import { factsOf, paramsOf, type StepOf, type StepType } from './step-type.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'freeze');

/** Frozen, stirred now and then. */
export const FREEZE: StepType = {
  kind: 'freeze',
  facts: factsOf({ inThePot: 'cold', waits: true, overnight: true, tells: 'turns' }),
  words: (_plan, of) => ({
    title: 'Freeze',
    doneWords: 'It is frozen',
    doing:
      own(of).stirEveryMin === null
        ? 'In the machine, or flat in the freezer.'
        : 'Flat in the freezer; stir it through as told, so that its ice stays fine.',
    why: 'Small crystals make it smooth; frozen, the culture sleeps and does not die.',
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

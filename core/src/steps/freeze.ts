import type { FreezingMachine, StepInstance } from '../contract/index.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';

const own = ({ step }: Pick<StepOf, 'step'>) => paramsOf(step, 'freeze');
export type FreezeStep = Extract<StepInstance, { kind: 'freeze' }>;

/** Machines, and how long they churn until it is like soft snow, minutes [judgement]. */
export const FREEZING_MACHINE_FACTS: Readonly<
  Record<FreezingMachine, { readonly churnMin: readonly [number, number]; readonly first: string }>
> = {
  'frozen-bowl': {
    churnMin: [20, 30],
    first: 'Freeze the bowl for a day first.',
  },
  compressor: {
    churnMin: [30, 50],
    first: 'Cool the machine for 10 min first.',
  },
  'ice-and-salt': {
    churnMin: [20, 35],
    first: 'Pack the tub: three parts ice, one part salt.',
  },
};
/** It takes up air: a machine is filled so far, share of what it holds. */
export const MACHINE_FILL = 2 / 3;

/** Frozen: stirred now and then, or churned in a machine and hardened. */
export const FREEZE: StepType = {
  kind: 'freeze',
  gerund: 'freezing',
  usual: { hours: 4, stirEveryMin: 40 },
  asks: ['a freezer'],
  facts: factsOf({ inThePot: 'cold', waits: true, overnight: true, tells: true, looks: true }),
  words: (_plan, of) => {
    const { machine, stirEveryMin } = own(of);
    const facts = machine && FREEZING_MACHINE_FACTS[machine];
    return {
      title: 'Freeze',
      doneWords: 'Frozen',
      doing: facts
        ? `${facts.first} Fill it two thirds at most. Churn ${facts.churnMin[0]}–${facts.churnMin[1]} min, until it is like soft snow. Then harden it in the freezer.`
        : stirEveryMin === null
          ? 'Spread flat in the freezer.'
          : 'Spread flat in the freezer. Stir at each reminder so that the ice stays fine.',
      why: 'Small crystals make frozen yogurt smooth. Freezing stops the culture but does not kill it.',
      endWords: 'frozen',
    };
  },
  aim: (_plan, of) => ({ to: 'time', minutes: minutesOf(own(of)) }),
  hands: (_plan, of) => {
    const { machine, hours, stirEveryMin } = own(of);
    return {
      handsMin: machine ? 10 : stirEveryMin === null ? 3 : 2 * Math.ceil((hours * 60) / stirEveryMin),
      slackMin: 120,
      mustAct: false,
    };
  },
  cautions: (_plan, of) => (own(of).machine ? ['blades-off', 'allergen'] : ['allergen']),
  stands: () => 'cold',
  everyMin: (of) => (own(of).machine ? null : own(of).stirEveryMin),
  later: ({ of }) => ({ minutes: minutesOf(own(of)) }),
};

/** All of it: in the machine, where there is one, and in the freezer. */
function minutesOf({ hours, machine }: FreezeStep): number {
  const churn = machine ? FREEZING_MACHINE_FACTS[machine].churnMin : ([0, 0] as const);
  return hours * 60 + (churn[0] + churn[1]) / 2;
}

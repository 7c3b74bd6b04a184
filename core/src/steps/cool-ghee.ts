import { factsOf, paramsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'cool-ghee');
/** How long it takes to set: slowly in the warm, or fast in the cold, h [judgement]. */
const SETS_H = { coarse: 24, smooth: 4 } as const;

/** Ghee sets: slowly it comes with a grain, fast it stays smooth. */
export const COOL_GHEE: StepType = {
  kind: 'cool-ghee',
  gerund: 'setting',
  usual: { as: 'coarse' },
  facts: factsOf({ inThePot: 'butter', waits: true, overnight: true }),
  words: (_plan, of) => ({
    title: own(of).as === 'coarse' ? 'Cool slowly to grain' : 'Cool fast, set smooth',
    doneWords: 'Ghee has set',
    doing:
      own(of).as === 'coarse'
        ? 'Leave the jar for a day in a warm place, at 28–30 °C (82–86 °F). Do not touch it.'
        : 'Put the jar in the fridge as soon as it is hand-warm.',
    why: 'Slow cooling gives coarse grains. Fast cooling keeps ghee smooth.',
  }),
  hands: (_plan, of) => ({
    handsMin: 1,
    slackMin: 2880,
    mustAct: false,
    waitMin: SETS_H[own(of).as] * 60,
  }),
  cautions: () => ['allergen'],
  leg: ({ startC, of }) => ({
    minutes: SETS_H[own(of).as] * 60,
    sigmaMin: 0,
    endC: 22,
    endless: false,
    curve: [
      [0, startC],
      [60, 45],
      [SETS_H[own(of).as] * 60, 22],
    ],
  }),
};

import { DRAINED_SERUM, serumLeftFraction, type Washing } from '../science/butter/index.ts';
import { WASH_TOLD } from './butter-told.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';
import { told } from './told.ts';
import type { StepOf } from './step-of.ts';

const own = ({ step }: Pick<StepOf, 'step'>) => paramsOf(step, 'wash');
/** How a wash of a plan goes. */
export const washingOf = (of: Pick<StepOf, 'step'>): Washing => ({
  carriedKgPerKg: DRAINED_SERUM,
  waterKgPerKg: own(of).waterKgPerKg,
  exchangeFraction: own(of).exchangeFraction,
});

/** Share of the buttermilk it carried that is left after some washes, 0..1. */
export const serumLeft = (of: Pick<StepOf, 'step'>, washes: number): number =>
  serumLeftFraction(washingOf(of), washes);

/** So many washes are few, so many are many. */
const FEW_WASHES = 1;
const MANY_WASHES = 3;

/** @example timesWords(3) // '3 times' */
const timesWords = (times: number): string =>
  times === 1 ? 'Once' : times === 2 ? 'Twice' : `${times} times`;

/** Cold water carries the buttermilk off that would spoil it. */
export const WASH: StepType = {
  kind: 'wash',
  gerund: 'washing',
  usual: { washes: 3, waterKgPerKg: 1, exchangeFraction: 0.8 },
  asks: ['very cold drinking water'],
  facts: factsOf({
    inThePot: 'grains',
    tells: true,
  }),
  applies: ({ method }) => method.steps.some((s) => s.kind === 'wash' && s.washes > 0),
  words: () => ({
    title: 'Wash',
    doneWords: 'Washed enough',
    doing:
      'Add as much very cold drinking water as there is butter. Press and pour off. Repeat until the water runs clear.',
    why: 'Buttermilk left in the butter sours and spoils it.',
  }),
  aim: (_plan, of) => ({ to: 'words', words: `${timesWords(own(of).washes)} with ice-cold water` }),
  hands: (_plan, of) => ({ handsMin: 3 * own(of).washes, slackMin: 30, mustAct: false }),
  cautions: () => ['wash-water'],
  ways: ({ make }) => {
    const { rinses } = told(make, WASH_TOLD);
    if (rinses.length === 0) return [];
    if (rinses.length <= FEW_WASHES) return ['washed-little'];
    return rinses.length >= MANY_WASHES ? ['washed-much'] : [];
  },
};

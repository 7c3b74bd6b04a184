import { briningHours, WEAK_BRINE, wheelHeightCm } from '../science/curd/index.ts';
import type { Curd } from './curd-run.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'brine');

/** Hours in the brine, between which two: as decided, or by weight and height. */
function brineHours(of: StepOf, curd: Curd): readonly [number, number] {
  const { hours, diameterCm } = own(of);
  return hours === null ? briningHours(curd.massKg, wheelHeightCm(curd.massKg, diameterCm)) : [hours, hours];
}

/** Into the brine. */
export const BRINE: StepType = {
  kind: 'brine',
  gerund: 'brining',
  evening: 'moulds',
  usual: { brineFraction: 0.18, hours: null, diameterCm: 14 },
  asks: ['salt', 'a tub for the brine'],
  facts: factsOf({ inThePot: 'wheel', waits: true, overnight: true }),
  words: (_plan, of) => ({
    title: 'Brine',
    doneWords: 'Take out of brine',
    doing:
      'Put the cheese in the cool brine. Sprinkle salt on the part above the brine. Turn the cheese halfway through.',
    why:
      own(of).brineFraction < WEAK_BRINE
        ? 'This brine is weak (below 8 %). It softens the rind and does not keep the cheese long.'
        : 'Brine salts the cheese from the outside in and closes the rind.',
    endWords: 'out of brine at',
    due: { title: 'Take out of brine', text: 'Take the cheese out of the brine and wipe it dry.' },
  }),
  aim: (_plan, of) => ({
    to: 'words',
    words: `${Math.round(own(of).brineFraction * 100)} % brine (salt in salt plus water)`,
  }),
  hands: () => ({ handsMin: 4, slackMin: 60, mustAct: false }),
  cautions: (_plan, of) => (own(of).brineFraction < WEAK_BRINE ? ['weak-brine'] : []),
  stands: () => 'cellar',
  later: ({ of, curd, z }) => {
    const [from, to] = brineHours(of, curd);
    const minutes = 30 * (from + to);
    return {
      minutes: Math.max(1, minutes + (z * 60 * (to - from)) / 2.56),
      sigmaMin: (60 * (to - from)) / 2.56,
    };
  },
};

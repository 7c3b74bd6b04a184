import { briningHours, WEAK_BRINE, wheelHeightCm } from '../curd/index.ts';
import type { Curd } from './curd-run.ts';
import { factsOf, paramsOf, type StepOf, type StepType } from './step-type.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'brine');

/** Hours in the brine, between which two: as decided, or by weight and height. */
function brineHours(of: StepOf, curd: Curd): readonly [number, number] {
  const { hours, diameterCm } = own(of);
  return hours === null ? briningHours(curd.massKg, wheelHeightCm(curd.massKg, diameterCm)) : [hours, hours];
}

/** Into the brine. */
export const BRINE: StepType = {
  kind: 'brine',
  facts: factsOf({ inThePot: 'wheel', waits: true, overnight: true }),
  words: (_plan, of) => ({
    title: 'Brine',
    doneWords: 'Out of the brine',
    doing: 'Lay it into the cool brine, salt strewn on what stands out of it. Turn it half-way.',
    why:
      own(of).brineFraction < WEAK_BRINE
        ? 'This brine is weak, below 8 %: it softens the rind and does not keep it long.'
        : 'The brine salts it from outside in and closes the rind.',
    endWords: 'out of the brine',
    due: { title: 'Out of the brine', text: 'Wipe it dry.' },
  }),
  aim: (_plan, of) => ({
    to: 'words',
    words: `${Math.round(own(of).brineFraction * 100)} % brine: salt over salt and water`,
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

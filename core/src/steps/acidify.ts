import { thinned } from './curd-run.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';
import { batchOf } from '../setup/index.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'acidify');
const WORDS = { lemon: 'lemon juice', vinegar: '5 % vinegar', buttermilk: 'sour buttermilk' } as const;

/** Hot milk set by something sour. */
export const ACIDIFY: StepType = {
  kind: 'acidify',
  gerund: 'acidifying',
  usual: { with: 'lemon', mlPerLitre: 45 },
  asks: ['lemons or vinegar'],
  facts: factsOf({ inThePot: 'hot-milk' }),
  words: (_plan, of) => ({
    title: 'Add the acid',
    doneWords: 'Curds have parted',
    doing: `Stir in the ${WORDS[own(of).with]} slowly. Stop as soon as the curds part from clear, greenish whey.`,
    why: 'In hot, sour milk, casein and whey protein curdle together. You get more cheese than with rennet, and it does not melt.',
  }),
  aim: () => ({ to: 'added', words: 'a guide only; stop when the curds part' }),
  adds: { by: 'volume' },
  hands: () => ({ handsMin: 5, slackMin: 5, mustAct: true }),
  cautions: () => ['hot-milk', 'no-rust'],
  flow: (curd, { plan, of }) => {
    const massKg = (own(of).mlPerLitre * batchOf(plan).litres) / 1000;
    return { curd: thinned(curd, massKg), off: [], added: [{ what: WORDS[own(of).with], massKg }] };
  },
};

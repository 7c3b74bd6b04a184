import { thinned } from './curd-run.ts';
import { factsOf, paramsOf, type StepOf, type StepType } from './step-type.ts';
import { batchOf } from '../method/index.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'acidify');
const WORDS = { lemon: 'lemon juice', vinegar: 'vinegar of 5 %', buttermilk: 'sour buttermilk' } as const;

/** Hot milk set by something sour. */
export const ACIDIFY: StepType = {
  kind: 'acidify',
  facts: factsOf({ inThePot: 'hot-milk' }),
  words: (_plan, of) => ({
    title: 'Sour it',
    doneWords: 'It has parted',
    doing: `Stir the ${WORDS[own(of).with]} in slowly, until curd and clear greenish whey part; then stop.`,
    why: 'Hot and sour, casein and whey protein come together: more cheese than rennet gives, and it does not melt.',
  }),
  aim: () => ({ to: 'added', words: 'about; stop when it parts' }),
  adds: { by: 'volume' },
  hands: () => ({ handsMin: 5, slackMin: 5, mustAct: true }),
  cautions: () => ['hot-milk'],
  flow: (curd, { plan, of }) => {
    const massKg = (own(of).mlPerLitre * batchOf(plan).litres) / 1000;
    return { curd: thinned(curd, massKg), off: [], added: [{ what: WORDS[own(of).with], massKg }] };
  },
};

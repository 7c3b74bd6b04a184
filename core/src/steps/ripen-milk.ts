import { SAFE_PH } from '../culture/index.ts';
import { MILK_CURD } from './milk-curd.ts';
import { factsOf, paramsOf, type StepOf, type StepType } from './step-type.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'ripen-milk');
/** Sour in the press by the next day: so far is looked, h. */
const HORIZON_H = 48;

/** The culture wakes in the milk before it is set; it sours on in curd and press. */
export const RIPEN_MILK: StepType = {
  kind: 'ripen-milk',
  facts: factsOf({ inThePot: 'souring', waits: true, pad: 'ph', probed: true, sours: true }),
  words: () => ({
    title: 'Wake the culture',
    doneWords: 'It has stood long enough',
    doing: 'Keep the milk at its heat, covered. Nothing is to be seen yet.',
    why: 'The culture starts working before the milk is set; it goes on in the curd and in the press.',
    endWords: 'awake',
    due: { title: 'The culture is awake', text: 'On to the rennet.' },
  }),
  aim: (_plan, of) => ({ to: 'time', minutes: own(of).minutes }),
  hands: () => ({ handsMin: 1, slackMin: 45, mustAct: false }),
  cautions: () => ['discard'],
  stands: () => 'as-it-is',
  souring: {
    timedMin: (of) => own(of).minutes,
    marks: () => [{ id: 'acid', role: 'passing', words: 'Acid enough to keep', ph: SAFE_PH - 0.1 }],
    horizonH: () => HORIZON_H,
    ...MILK_CURD,
    // Rennet sets it, sour or not: eye and spoon tell nothing of its acid.
    cues: [],
    words: {
      body: 'Firmness',
      look: 'Measure its acid: a strip on the whey will do.',
      reached: 'It should be acid enough: measure the whey.',
      notShown: 'It is set by the rennet; that it soured is not shown yet: measure the whey.',
      maybeNever: 'It may not sour',
    },
  },
};

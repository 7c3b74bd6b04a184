import { SAFE_PH } from '../science/souring/index.ts';
import { MILK_CURD } from './milk-curd.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'ripen-milk');
/** Sour in the press by the next day: so far is looked, h. */
const HORIZON_H = 48;

/** The culture wakes in the milk before it is set; it sours on in curd and press. */
export const RIPEN_MILK: StepType = {
  kind: 'ripen-milk',
  gerund: 'ripening the milk',
  usual: { minutes: 45 },
  facts: factsOf({ inThePot: 'souring', waits: true, pad: 'ph', probed: true, sours: true }),
  words: () => ({
    title: 'Ripen the milk',
    doneWords: 'Milk is ripe',
    doing: 'Cover the milk and keep it at this temperature. You will not see any change yet.',
    why: 'The culture starts working before the milk sets. It goes on in the curd and in the press.',
    endWords: 'ripe',
    due: { title: 'Milk is ripe', text: 'Add the rennet next.' },
  }),
  aim: (_plan, of) => ({ to: 'time', minutes: own(of).minutes }),
  hands: () => ({ handsMin: 1, slackMin: 45, mustAct: false }),
  cautions: () => ['discard'],
  stands: () => 'as-it-is',
  souring: {
    timedMin: (of) => own(of).minutes,
    marks: () => [{ id: 'acid', role: 'passing', words: 'Reaches pH 5.2', ph: SAFE_PH - 0.1 }],
    horizonH: () => HORIZON_H,
    ...MILK_CURD,
    // Rennet sets it, sour or not: eye and spoon tell nothing of its acid.
    cues: [],
    words: {
      body: 'Firmness',
      look: 'Measure the pH. A strip on the whey will do.',
      reached: 'Should be acid enough. Measure the pH of the whey.',
      notShown: 'Set by the rennet, but souring is not confirmed yet. Measure the pH of the whey.',
      maybeNever: 'May not sour',
    },
  },
};

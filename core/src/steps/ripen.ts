import {
  CREAM_CUES,
  PICK_UP_PH,
  thicknessIndex,
  thicknessWord,
  THICK_PH,
  TOO_SOUR_PH,
  type CreamTreatment,
} from '../science/souring/index.ts';
import type { MakePlan } from '../contract/index.ts';
import { isHeated } from '../setup/index.ts';
import { makesGas } from './gas.ts';
import { souredWords } from './soured-words.ts';
import { placeCautions } from './where-it-stands.ts';
import { wantedMarks } from './mark.ts';
import { factsOf, type StepType } from './step-type.ts';
import { THICKENS_H } from './thicken.ts';

const HORIZON_H = { room: 72, wild: 120 } as const;
/** As the thickness has it: scalding counts most. */
const treatmentOf = (plan: MakePlan): CreamTreatment => (isHeated(plan) ? 'scalded' : plan.milk.treatment);

/** Cream sours and thickens, at room heat or in a warm place. */
export const RIPEN: StepType = {
  kind: 'ripen',
  gerund: 'ripening',
  facts: factsOf({
    inThePot: 'souring',
    waits: true,
    pad: 'ph',
    probed: true,
    sours: true,
    setShowsAcid: true,
  }),
  words: (plan, { step }) => ({
    title: 'Ripen',
    ...souredWords(plan, step),
    doing: makesGas(plan.starter.kind)
      ? 'Leave the lid loose, because gas builds up. To check, tilt the jar. Do not stir.'
      : 'Cover with a loose lid or a cloth and leave to stand. To check, tilt the jar. Do not stir.',
    why: 'The culture sours the water in the cream. Cream thickens as it sours, and goes on thickening in the fridge.',
  }),
  aim: () => ({ to: 'ready' }),
  hands: () => ({ handsMin: 3, slackMin: 180, mustAct: false }),
  cautions: ({ starter, place }) => [
    ...placeCautions({ place }),
    ...(makesGas(starter.kind) ? (['lid-loose'] as const) : []),
    'clean-smell-first',
    'discard',
  ],
  souring: {
    marks: ({ wanted: { sourness } }) => [
      { id: 'thick', role: 'body', words: 'Thick', ph: THICK_PH },
      // Mild cream goes into the cold as soon as it is thick; the sourer ones as yogurt does.
      ...wantedMarks(sourness === 'mild' ? THICK_PH : PICK_UP_PH[sourness], TOO_SOUR_PH[sourness]),
    ],
    horizonH: ({ starter }) => (starter.kind === 'none' ? HORIZON_H.wild : HORIZON_H.room),
    body: ({ plan, batch, ph }) =>
      thicknessIndex({
        fatFraction: batch.composition.fatFraction,
        ph,
        coldH: THICKENS_H,
        treatment: treatmentOf(plan),
        homogenised: plan.milk.homogenised === true,
      }),
    bodyWord: thicknessWord,
    leastBody: { thick: 31, dollop: 51, curdled: 51 },
    cues: CREAM_CUES,
    smellCounts: true,
    words: {
      body: 'After a night in the fridge',
      look: 'May be thick. Tilt the jar and smell it. Do not stir.',
      reached: 'Should be thick. Look and smell, then go on.',
      notShown: 'Thick, but clean souring is not confirmed yet. Smell it or measure the pH.',
      maybeNever: 'May not thicken',
    },
  },
};

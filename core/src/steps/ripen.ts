import {
  CREAM_CUES,
  PICK_UP_PH,
  thicknessIndex,
  thicknessWord,
  THICK_PH,
  TOO_SOUR_PH,
  type CreamTreatment,
} from '../culture/index.ts';
import type { MakePlan } from '../contract/index.ts';
import { isHeated } from '../method/index.ts';
import { makesGas } from './gas.ts';
import { wantedMarks } from './mark.ts';
import { factsOf, type StepType } from './step-type.ts';
import { THICKENS_H } from './thicken.ts';

const HORIZON_H = { room: 72, wild: 120 } as const;
/** As the thickness has it: scalding counts most. */
const treatmentOf = (plan: MakePlan): CreamTreatment => (isHeated(plan) ? 'scalded' : plan.milk.treatment);

/** Cream sours and thickens, at room heat or in a warm place. */
export const RIPEN: StepType = {
  kind: 'ripen',
  facts: factsOf({
    inThePot: 'souring',
    waits: true,
    pad: 'ph',
    probed: true,
    sours: true,
    setShowsAcid: true,
  }),
  words: (plan) => ({
    title: 'Ripen',
    doneWords: 'Into the cold',
    doing: makesGas(plan.starter.kind)
      ? 'Let it stand with its lid loose: it makes gas. Look without stirring: tilt the jar.'
      : 'Let it stand under a loose lid or a cloth. Look without stirring: tilt the jar.',
    endWords: 'into the cold',
    why: 'The culture sours the water in the cream; it thickens as it sours, and goes on thickening in the cold.',
  }),
  aim: () => ({ to: 'ready' }),
  hands: () => ({ handsMin: 3, slackMin: 180, mustAct: false }),
  cautions: ({ starter }) => [
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
      body: 'After a night in the cold',
      look: 'It may be thick: tilt the jar, and smell it. Do not stir.',
      reached: 'It should be thick: look, smell, then into the cold.',
      notShown: 'It is thick; that it soured cleanly is not shown yet: smell it, or measure.',
      maybeNever: 'It may not thicken',
    },
  },
};

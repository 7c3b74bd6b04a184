import {
  CREAM_CUES,
  PICK_UP_PH,
  thicknessIndex,
  thicknessWord,
  THICK_PH,
  TOO_SOUR_PH,
  warmCulture,
  type CreamTreatment,
} from '../culture/index.ts';
import type { MakePlan } from '../contract/index.ts';
import { placeAmbientC } from '../heat/index.ts';
import { isHeated, type Advice, type AdviceUnits } from '../method/index.ts';
import { formatTemperature } from '../units/index.ts';
import { boundsOfDose } from './dose.ts';
import type { StepType } from './step-type.ts';
import { THICKENS_H } from './thicken.ts';

const HORIZON_H = { room: 72, wild: 120 } as const;
/** Below this no cream acidifies safely, and yogurt's whey does not work in it, °C. */
const TOO_COLD_C = 14;
const WHEY_FROM_C = 24;

/** As the thickness has it: scalding counts most. */
const treatmentOf = (plan: MakePlan): CreamTreatment => (isHeated(plan) ? 'scalded' : plan.milk.treatment);

/** A starter that does not go with the heat it stands in. */
function starterAgainstHeat(plan: MakePlan, { temperature }: AdviceUnits): Advice | null {
  const heatC = placeAmbientC(plan.place, plan.roomC);
  const heat = formatTemperature(heatC, temperature);
  if (heatC < TOO_COLD_C)
    return {
      severity: 'stop',
      field: 'place',
      text: `${heat} is too cold for cream to sour safely: from ${formatTemperature(TOO_COLD_C, temperature)} up, better ${formatTemperature(20, temperature)}. Stand it somewhere warmer.`,
    };
  const raw = plan.milk.treatment === 'raw' && !isHeated(plan);
  if (plan.starter.kind === 'yogurt-whey' && heatC < WHEY_FROM_C && !raw)
    return {
      severity: 'stop',
      field: 'starter',
      text: `Whey of yogurt does not work at ${heat} in heated cream: take another starter, or a place of ${formatTemperature(WHEY_FROM_C, temperature)} or more.`,
    };
  return warmCulture(plan.starter.kind) && heatC < 30
    ? {
        severity: 'caution',
        field: 'starter',
        text: `Yogurt’s culture is slow at ${heat}: a day or longer. Buttermilk or sour cream is made for it; or keep it warm.`,
      }
    : null;
}

/** Cream sours and thickens, at room heat or in a warm place. */
export const RIPEN: StepType = {
  kind: 'ripen',
  facts: {
    inThePot: 'souring',
    waits: true,
    overnight: false,
    whenever: false,
    pad: 'ph',
    probed: true,
    endedBy: null,
    moves: null,
    inoculates: false,
    sours: true,
    setShowsAcid: true,
  },
  words: (plan) => ({
    title: 'Ripen',
    doneWords: 'Into the cold',
    doing:
      plan.starter.kind === 'milk-kefir' || plan.starter.kind === 'kefir-grains'
        ? 'Let it stand with its lid loose: it makes gas. Look without stirring: tilt the jar.'
        : 'Let it stand under a loose lid or a cloth. Look without stirring: tilt the jar.',
    endWords: 'into the cold',
    why: 'The culture sours the water in the cream; it thickens as it sours, and goes on thickening in the cold.',
  }),
  aim: () => ({ to: 'ready' }),
  hands: () => ({ handsMin: 3, slackMin: 180, mustAct: false }),
  cautions: () => ['clean-smell-first', 'discard'],
  souring: {
    setPh: THICK_PH,
    // Mild cream goes into the cold as soon as it is thick; the sourer ones as yogurt does.
    pickUpPh: ({ wanted }) => (wanted.sourness === 'mild' ? THICK_PH : PICK_UP_PH[wanted.sourness]),
    tooSourPh: ({ wanted }) => TOO_SOUR_PH[wanted.sourness],
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
      mark: 'Thick',
      body: 'After a night in the cold',
      look: 'It may be thick: tilt the jar, and smell it. Do not stir.',
      reached: 'It should be thick: look, smell, then into the cold.',
      notShown: 'It is thick; that it soured cleanly is not shown yet: smell it, or measure.',
      maybeNever: 'It may not thicken',
    },
  },
  advise: (plan, units) => [
    starterAgainstHeat(plan, units),
    boundsOfDose(plan, { most: 0.2, least: 0.02, usual: '4–15 % is usual', of: 'cream' }),
    plan.milk.fatFraction !== null && plan.milk.fatFraction < 0.18
      ? {
          severity: 'caution',
          field: 'milk',
          text: `Cream of ${(plan.milk.fatFraction * 100).toFixed(0)} % stays thin: from about 25 % a spoon stands in it.`,
        }
      : null,
    plan.milk.treatment === 'raw' || isHeated(plan)
      ? null
      : {
          severity: 'note',
          field: 'heat',
          text: 'Was the carton open, or is it older than four days? Then scald it first. Fresh and just opened it need not be.',
        },
  ],
};

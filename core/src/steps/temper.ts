import { CHURN_WINDOW_C } from '../butter/index.ts';
import type { MakePlan } from '../contract/index.ts';
import { FRIDGE_C, runVessel } from '../heat/index.ts';
import { formatTemperature } from '../units/index.ts';
import { handsOnly, learnedSigma, legFrom, vesselOf } from './leg.ts';
import { paramsOf, type StepOf, type StepType } from './step-type.ts';

/** Scatter of the book's times, one σ of ln [F]. */
const TEMPER_LN_SIGMA = 0.25;
/** Above this butter comes as grease, or not at all, °C. */
const GREASY_C = 20;

/** As near as a stirred cream is measured, K. */
const AT_HEAT_C = 0.5;

const own = ({ step }: StepOf) => paramsOf(step, 'temper');
/** It churns best between these, °C. */
const windowOf = ({ milk }: MakePlan): readonly [number, number] =>
  CHURN_WINDOW_C[milk.soured ? 'ripened' : 'sweet'];

/** Cream comes to the heat it churns at. */
export const TEMPER: StepType = {
  kind: 'temper',
  facts: {
    inThePot: 'tempering',
    waits: true,
    overnight: false,
    whenever: false,
    pad: 'temperature',
    probed: true,
    endedBy: null,
    moves: null,
    inoculates: false,
    sours: false,
    setShowsAcid: false,
  },
  words: (_plan, of) => ({
    title: 'Temper',
    doneWords: 'It is at its heat',
    doing:
      own(of).standing === 'room'
        ? 'Let it stand in the room; stir before you measure.'
        : 'Stand it in the cold; stir before you measure.',
    why: 'Too cold takes for ever; too warm is quick, but greasy, and leaves fat in the buttermilk.',
    endWords: 'ready to churn',
    due: { title: 'At its heat', text: 'The cream should be ready to churn: stir, measure, then churn.' },
  }),
  aim: (_plan, of) => ({ to: 'heat', celsius: own(of).toC }),
  hands: () => ({ handsMin: 2, slackMin: 20, mustAct: false }),
  cautions: ({ milk }) =>
    milk.treatment === 'raw' ? ['raw-milk', 'probe-not-surface'] : ['probe-not-surface'],
  leg: ({ plan, startC, startMs, readings, of }) => {
    const { toC, standing } = own(of);
    if (readings.length === 0 && Math.abs(startC - toC) <= AT_HEAT_C) return handsOnly(1, startC);
    const vessel = vesselOf(plan, startMs);
    const airC = standing === 'cold' ? FRIDGE_C : vessel.airC;
    return legFrom(
      (fromC) => runVessel({ ...vessel, airC, startC: fromC, lidded: true }, toC),
      startC,
      toC,
      readings,
      learnedSigma(TEMPER_LN_SIGMA, plan.factors?.cooling?.sigma),
    );
  },
  advise: (plan, { temperature }, of) => {
    const { toC, standing } = own(of);
    const { startC } = plan.milk;
    const [low, high] = windowOf(plan);
    const heat = (celsius: number): string => formatTemperature(celsius, temperature);
    const airC = standing === 'cold' ? FRIDGE_C : plan.roomC;
    const wrongWay = startC > toC ? airC >= toC : airC <= toC;
    return [
      Math.abs(startC - toC) > AT_HEAT_C && wrongWay
        ? {
            severity: 'stop',
            field: 'heat',
            text:
              startC > toC
                ? `The cream is at ${heat(startC)} and would never come down to ${heat(toC)} at ${heat(airC)}: stand it in the cold first.`
                : `The cream is at ${heat(startC)} and would never come up to ${heat(toC)} at ${heat(airC)}: a lower heat, or a warmer room.`,
          }
        : null,
      toC > GREASY_C
        ? {
            severity: 'stop',
            field: 'heat',
            text: `At ${heat(toC)} the fat is half melted: greasy butter, or none. ${heat(low)}–${heat(high)} is right for this cream.`,
          }
        : toC > high
          ? {
              severity: 'caution',
              field: 'heat',
              text: `Warmer than ${heat(high)} it is quick, but softer, and more fat stays in the buttermilk.`,
            }
          : toC < low
            ? {
                severity: 'caution',
                field: 'heat',
                text: `Colder than ${heat(low)} it takes long and splashes.`,
              }
            : null,
      startC > GREASY_C
        ? {
            severity: 'caution',
            field: 'heat',
            text: `Cream of ${heat(startC)} wants four hours in the cold before it is churned, or half as much fat again stays behind.`,
          }
        : null,
    ];
  },
};

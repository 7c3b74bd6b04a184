import { FRIDGE_C, runVessel } from '../heat/index.ts';
import { handsOnly, learnedSigma, legFrom, vesselOf } from './leg.ts';
import { factsOf, paramsOf, type StepOf, type StepType } from './step-type.ts';

/** Scatter of the book's times, one σ of ln [F]. */
const TEMPER_LN_SIGMA = 0.25;
/** As near as a stirred cream is measured, K. */
export const AT_HEAT_C = 0.5;

const own = ({ step }: StepOf) => paramsOf(step, 'temper');
/** Cream comes to the heat it churns at. */
export const TEMPER: StepType = {
  kind: 'temper',
  facts: factsOf({
    inThePot: 'tempering',
    waits: true,
    probed: true,
  }),
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
};

import type { MakePlan } from '../contract/index.ts';
import { boilingPointC, runVessel } from '../heat/index.ts';
import { isHeated } from '../method/index.ts';
import { learnedSigma, legFrom, vesselOf } from './leg.ts';
import { factsOf, type StepType } from './step-type.ts';

/** Scatter of the book's heating times, one σ of ln [F]. */
const HEAT_LN_SIGMA = 0.3;
const DUE = {
  title: 'Hot enough',
  text: 'The milk should be hot enough. Check the temperature, then go on.',
};

/** The heat a heating step aims at, °C. */
export function heatTargetC(plan: MakePlan): number {
  if (!isHeated(plan)) return plan.inoculateC;
  return plan.heat.kind === 'boil' ? boilingPointC(plan.altitudeM) - 0.3 : plan.heat.targetC;
}

/** The milk is warmed: for its proteins, or to the heat the culture likes. */
export const HEAT: StepType = {
  kind: 'heat',
  facts: factsOf({
    inThePot: 'hot-milk',
    waits: true,
    probed: true,
    moves: 'up',
  }),
  words: (plan) =>
    isHeated(plan)
      ? {
          title: 'Heat',
          doneWords: 'Hot enough',
          doing: 'Heat the milk and keep stirring.',
          why: 'Heating unfolds the whey proteins. They join the curd and make it firmer.',
          endWords: 'hot at',
          due: DUE,
        }
      : {
          title: 'Warm',
          doneWords: 'Warm enough',
          doing: 'Warm the milk gently to inoculation temperature.',
          why: 'Unheated milk sets late and soft.',
          endWords: 'hot at',
          due: DUE,
        },
  hands: () => ({ handsMin: 3, slackMin: 5, mustAct: true }),
  cautions: (plan) =>
    isHeated(plan) ? ['hot-milk', 'probe-not-surface', 'not-a-certificate'] : ['probe-not-surface'],
  drawsKw: ({ burner }) => burner.powerKw,
  aim: (plan) => ({ to: 'heat', celsius: heatTargetC(plan) }),
  leg: ({ plan, startC, startMs, readings }) => {
    const targetC = heatTargetC(plan);
    const { burner } = plan.factors ?? {};
    const powerKw = plan.burner.powerKw * plan.burner.efficiency * Math.exp(burner?.value ?? 0);
    return legFrom(
      (fromC) => runVessel({ ...vesselOf(plan, startMs), startC: fromC, powerKw, lidded: false }, targetC),
      startC,
      targetC,
      readings,
      learnedSigma(HEAT_LN_SIGMA, burner?.sigma),
    );
  },
};

import type { CoolingPlan, MakePlan } from '../contract/index.ts';
import { coolInBath, runVessel } from '../science/heat/index.ts';
import { coolsCovered, isHeated, type CautionId } from '../setup/index.ts';
import type { Alarm } from './alarm.ts';
import { heatTargetC } from './heat.ts';
import {
  closed,
  learnedSigma,
  legFrom,
  vesselOf,
  type HeatRun,
  type Leg,
  type LegRun,
  type Vessel,
} from './leg.ts';
import type { MakeAt, StepState } from './make-view.ts';
import { factsOf, type StepType } from './step-type.ts';
import { stoodOn, tooFarMin } from './stood-on.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** Milk so much cooler than it is to be inoculated at sets late enough to mind, K [judgement]. */
const TOO_COOL_K = 3;
/** Scatter of the book's cooling times, one σ of ln [F]. */
const COOL_LN_SIGMA = 0.25;

const inWater = ({ cooling }: MakePlan): CoolingPlan | null =>
  cooling !== undefined && cooling.kind !== 'counter' ? cooling : null;

function doing(plan: MakePlan, into: string): string {
  const water = inWater(plan);
  if (!water)
    return coolsCovered(plan)
      ? `Let the ${into} cool to inoculation temperature with the lid on. That takes two to three times as long.`
      : `Let the ${into} cool uncovered to inoculation temperature. Skim off the skin.`;
  return water.kind === 'iced-bath'
    ? 'Stand the pot in the iced water and stir. The temperature falls fast. Take the pot out at inoculation temperature.'
    : 'Stand the pot in cold water. Take it out at inoculation temperature.';
}

/** How the plan cools: on the counter, or in water that warms meanwhile. */
function coolingRun(plan: MakePlan, vessel: Vessel): (fromC: number) => HeatRun {
  const cooling = inWater(plan);
  if (!cooling) {
    return (fromC) => runVessel({ ...vessel, startC: fromC, lidded: coolsCovered(plan) }, plan.inoculateC);
  }
  const { composition, litres, widthM, airC } = vessel;
  const iceKg = cooling.kind === 'iced-bath' ? cooling.iceKg : 0;
  return (fromC) => {
    const result = coolInBath({
      ...cooling,
      iceKg,
      composition,
      litres,
      widthM,
      airC,
      startC: fromC,
      targetC: plan.inoculateC,
    });
    return { ...result, outcome: result.outcome === 'reached' ? 'reached' : 'never' };
  };
}

/** Down to the heat the culture likes. */
function down({ plan, startC, startMs, readings, changedMin }: LegRun): Leg {
  const vessel = vesselOf(plan, startMs);
  const sigma = learnedSigma(COOL_LN_SIGMA, plan.factors?.cooling?.sigma);
  const run = coolingRun(plan, vessel);
  if (changedMin <= 0) return legFrom(run, startC, plan.inoculateC, readings, sigma);
  // It stood on the counter until somebody changed the way it is cooled: its curve is cut there, not stretched.
  const before = readings.filter((r) => r.minutes <= changedMin);
  const counter = (fromC: number): HeatRun =>
    runVessel({ ...vessel, startC: fromC, lidded: coolsCovered(plan) }, Math.min(plan.inoculateC, fromC));
  const stood = closed(legFrom(counter, startC, plan.inoculateC, before, sigma), changedMin, true);
  const after = readings
    .filter((r) => r.minutes > changedMin)
    .map((r) => ({ ...r, minutes: r.minutes - changedMin }));
  const now = legFrom(run, stood.endC, plan.inoculateC, after, sigma);
  return {
    ...now,
    minutes: changedMin + now.minutes,
    curve: [...stood.curve, ...now.curve.map(([m, c]): readonly [number, number] => [m + changedMin, c])],
  };
}

const standsIn = (plan: MakePlan, atMs: number) => ({
  vessel: vesselOf(plan, atMs),
  lidded: coolsCovered(plan),
});

function leg(run: LegRun): Leg {
  const { plan, startC, startMs, nowMs, status } = run;
  // What will be cooler than that already need not be cooled.
  if (status === 'coming' && startC <= plan.inoculateC)
    return { minutes: 0, sigmaMin: 0, endC: startC, endless: false, curve: [[0, startC]] };
  if (status === 'coming') return down(run);
  return stoodOn(down(run), (nowMs - startMs) / MINUTE_MS, standsIn(plan, startMs));
}

/** It was left to stand: it may be too cool by now for what comes next. */
function alarms(at: MakeAt, own: StepState): readonly Alarm[] {
  if (own.status !== 'current') return [];
  const { plan } = at.make;
  const run = at.run(own);
  const tooCool = tooFarMin(down(run), standsIn(plan, run.startMs), TOO_COOL_K);
  if (tooCool === null) return [];
  return [
    {
      id: 'too-cool',
      dueAtMs: run.startMs + tooCool * MINUTE_MS,
      rank: 1,
      mustAct: true,
      title: 'Too cool by now?',
      text: 'Measure the milk. If it has cooled too far, stand the pot in hot water until it is back at inoculation temperature.',
    },
  ];
}

/**
 * How long a plan's milk takes from the heat it was brought to down to inoculation, as it is cooled, min; Infinity when it
 * never gets there. @example coolingMin(plan) // about 50, for two litres in an open pot
 */
export const coolingMin = (plan: MakePlan): number =>
  coolingRun(plan, vesselOf(plan, Date.parse(plan.startAt)))(heatTargetC(plan)).minutes;

const WATER: readonly CautionId[] = ['hot-milk'];

/** The milk comes down to the heat the culture likes, in the air or in cold water. */
export const COOL: StepType = {
  kind: 'cool',
  gerund: 'cooling',
  facts: factsOf({
    inThePot: 'hot-milk',
    waits: true,
    probed: true,
    moves: 'down',
  }),
  applies: isHeated,
  words: (plan, { goods: { into } }) => ({
    title: 'Cool',
    doneWords: 'Cool enough',
    doing: doing(plan, into),
    why: 'Too hot kills the culture. Too cool sets slowly.',
    endWords: 'cool at',
    due: {
      title: 'Cool enough',
      text: `The ${into} should be cool enough. Check the temperature, then inoculate.`,
    },
  }),
  hands: (plan) => ({ handsMin: inWater(plan) ? 6 : 2, slackMin: 20, mustAct: true }),
  cautions: (plan) => ['probe-not-surface', 'glass-shock', ...(inWater(plan) ? WATER : [])],
  aim: (plan) => ({ to: 'heat', celsius: plan.inoculateC }),
  leg,
  alarms,
};

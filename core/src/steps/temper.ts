import type { MakePlan, StepInstance } from '../contract/index.ts';
import { bringInBath, FRIDGE_C, runVessel } from '../science/heat/index.ts';
import {
  handsOnly,
  learnedSigma,
  legFrom,
  vesselOf,
  type HeatRun,
  type Leg,
  type LegReading,
  type LegRun,
  type Vessel,
} from './leg.ts';
import type { Alarm } from './alarm.ts';
import type { MakeAt, StepState } from './make-view.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';
import { stoodOn, tooFarMin } from './stood-on.ts';
import { MINUTE_MS } from '../science/units/index.ts';
import type { StepOf } from './step-of.ts';

/** Scatter of the book's times, one σ of ln [F]. */
const TEMPER_LN_SIGMA = 0.25;
/** Cream so much warmer than it was to be churns greasy, K [judgement]. */
const TOO_WARM_K = 3;
/** As near as a stirred cream is measured, K. */
export const AT_HEAT_C = 0.5;

const own = ({ step }: StepOf) => paramsOf(step, 'temper');

/** Where cream stands until it is at its heat. */
export type Standing = Extract<StepInstance, { kind: 'temper' }>['standing'];

/** Whether cream is tempered in the cold. @throws TypeError for a step of another kind */
export const tempersCold = ({ step }: Pick<StepOf, 'step'>): boolean =>
  paramsOf(step, 'temper').standing === 'cold';

/** A method whose cream is tempered another way. */
export const withStanding = (method: MakePlan['method'], standing: Standing): MakePlan['method'] => ({
  ...method,
  steps: method.steps.map((step) => (step.kind === 'temper' ? { ...step, standing } : step)),
});

/** In how many loads the cream of a plan is churned. @example loadsOf(plan) // 1 */
export const loadsOf = ({ method }: Pick<MakePlan, 'method'>): number =>
  method.steps.reduce((loads, step) => (step.kind === 'churn' ? (step.loads ?? 1) : loads), 1);

const DOING = {
  room: 'Leave the cream at room temperature. Stir before you measure.',
  cold: 'Put the cream in the fridge. Stir before you measure.',
  bath: 'Stand the cream in its water bath and stir. Measure every minute or two.',
} as const;
/** A bath to warm in is this much warmer than the cream is to be, K: warmer, and its edge melts. */
const BATH_OVER_K = 4;
/** Water by the cream in it, and the heat and ice of a cold one. */
const WATER_PER_LITRE = 3;
const COLD_BATH = { celsius: 8, icePerLitre: 0.6 } as const;

/** A bath cream is tempered in: its heat, water and ice. */
export interface TemperBath {
  readonly celsius: number;
  readonly litres: number;
  readonly iceKg: number;
}

/** The bath a load of a plan is tempered in; `null` where it stands in the room or the cold. @example temperBath(plan)?.celsius // 16 for cream that is to be 12 */
export function temperBath(plan: MakePlan): TemperBath | null {
  const step = plan.method.steps.find((s) => s.kind === 'temper');
  if (step?.standing !== 'bath') return null;
  const litres = plan.milk.litres / loadsOf(plan);
  return plan.milk.startC < step.toC
    ? { celsius: Math.round(step.toC + BATH_OVER_K), litres: WATER_PER_LITRE * litres, iceKg: 0 }
    : {
        celsius: COLD_BATH.celsius,
        litres: WATER_PER_LITRE * litres,
        iceKg: COLD_BATH.icePerLitre * litres,
      };
}

/** Cream in its bath from some heat on. */
function bathed(vessel: Vessel, bath: TemperBath, startC: number, toC: number): HeatRun {
  const run = bringInBath({
    ...vessel,
    startC,
    targetC: toC,
    waterLitres: bath.litres,
    waterC: bath.celsius,
    iceKg: bath.iceKg,
    stirred: true,
  });
  return { ...run, outcome: run.outcome === 'reached' ? 'reached' : 'never' };
}

/** One load where it stands: left out, it goes on warming to the room. */
const standsIn = (plan: MakePlan, atMs: number) => {
  const whole = vesselOf(plan, atMs);
  return { vessel: { ...whole, litres: whole.litres / loadsOf(plan) }, lidded: true };
};

/** One load on its way to its heat: the next one waits in the cold. */
function legOf(
  plan: MakePlan,
  { toC, standing }: ReturnType<typeof own>,
  startC: number,
  startMs: number,
  readings: readonly LegReading[],
): Leg {
  if (readings.length === 0 && Math.abs(startC - toC) <= AT_HEAT_C) return handsOnly(1, startC);
  const { vessel } = standsIn(plan, startMs);
  const airC = standing === 'cold' ? FRIDGE_C : vessel.airC;
  const bath = temperBath(plan);
  return legFrom(
    (fromC) =>
      bath
        ? bathed(vessel, bath, fromC, toC)
        : runVessel({ ...vessel, airC, startC: fromC, lidded: true }, toC),
    startC,
    toC,
    readings,
    learnedSigma(TEMPER_LN_SIGMA, plan.factors?.cooling?.sigma),
  );
}

function leg({ plan, startC, startMs, readings, of, nowMs, status }: LegRun): Leg {
  const there = legOf(plan, own(of), startC, startMs, readings);
  // In the cold or a bath it stays about as it is.
  return own(of).standing === 'room' && status !== 'coming'
    ? stoodOn(there, (nowMs - startMs) / MINUTE_MS, standsIn(plan, startMs))
    : there;
}

/** It was left out: it may be too warm to churn by now. */
function alarms(at: MakeAt, step: StepState): readonly Alarm[] {
  if (step.status !== 'current') return [];
  const { plan, startC, startMs, readings, of } = at.run(step);
  if (own(of).standing !== 'room') return [];
  const tooWarm = tooFarMin(
    legOf(plan, own(of), startC, startMs, readings),
    standsIn(plan, startMs),
    TOO_WARM_K,
  );
  if (tooWarm === null) return [];
  return [
    {
      id: 'too-warm',
      dueAtMs: startMs + tooWarm * MINUTE_MS,
      rank: 1,
      mustAct: true,
      title: 'Too warm by now?',
      text: 'Measure the cream. If it is warmer than it should be, put it back in the fridge for a while, then churn.',
    },
  ];
}

/** How long a load takes from the cold to the heat it churns at, minutes; 0 where it stands in the cold till then. */
export function temperMin(plan: MakePlan, atMs: number): number {
  const step = plan.method.steps.find((s) => s.kind === 'temper');
  if (!step || step.standing === 'cold' || plan.milk.startC >= step.toC - AT_HEAT_C) return 0;
  return legOf(plan, step, plan.milk.startC, atMs, []).minutes;
}

/** Cream comes to the heat it churns at. */
export const TEMPER: StepType = {
  kind: 'temper',
  gerund: 'tempering',
  evening: 'cream-out',
  usual: { toC: 13, standing: 'room' },
  asks: ['a probe'],
  facts: factsOf({
    inThePot: 'tempering',
    waits: true,
    probed: true,
  }),
  words: (_plan, of) => ({
    title: 'Temper',
    doneWords: 'Ready to churn',
    doing: DOING[own(of).standing],
    why: 'Cream that is too cold takes very long to churn. Cream that is too warm gives greasy butter and loses fat to the buttermilk.',
    endWords: 'ready to churn',
    due: {
      title: 'Ready to churn',
      text: 'The cream should be ready to churn. Stir, check the temperature, then churn.',
    },
  }),
  aim: (_plan, of) => ({ to: 'heat', celsius: own(of).toC }),
  hands: () => ({ handsMin: 2, slackMin: 20, mustAct: false }),
  cautions: ({ milk }) =>
    milk.treatment === 'raw' ? ['raw-milk', 'probe-not-surface'] : ['probe-not-surface'],
  leg,
  alarms,
};

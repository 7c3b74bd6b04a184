import {
  CHURN_FACTS,
  churnAlong,
  churnForecast,
  CHURN_STAGES,
  STAGE_SHARE,
  STAGE_WORDS,
  type ChurnForecast,
  type Churning,
} from '../butter/index.ts';
import type { MakePlan } from '../contract/index.ts';
import { batchOf, roomAtC, type CautionId } from '../method/index.ts';
import type { Leg, LegRun } from './leg.ts';
import { factsOf, paramsOf, type StepOf, type StepType } from './step-type.ts';

/** Cream this cold has been aged: its fat is firm, °C. */
const AGED_BELOW_C = 8;
const own = ({ step }: StepOf) => paramsOf(step, 'churn');

/** The cream of a plan as it goes into the churn at a heat. */
function creamIn(plan: MakePlan, of: StepOf, startC: number, atMs: number): Churning {
  const { churn, speed, litres: holds } = own(of);
  const { litres, composition } = batchOf(plan);
  const learned = plan.factors?.churn;
  return {
    churn,
    speed,
    startC,
    fatFraction: composition.fatFraction,
    fillFraction: litres / holds,
    litres,
    roomC: roomAtC(plan, atMs),
    ripened: plan.milk.soured === true,
    wholeCurd: false,
    treatment: plan.milk.treatment,
    agedCold: plan.milk.startC <= AGED_BELOW_C,
    ...(learned ? { own: { slower: Math.exp(learned.value), lnSigma: learned.sigma } } : {}),
  };
}

/** A churn and its speed, as what is learned of it is called; empty for a plan that churns nothing. @example churnName(plan) // 'medium Barrel churn' */
export const churnName = ({ method }: MakePlan): string => {
  const step = method.steps.find((s) => s.kind === 'churn');
  return step ? `${step.speed} ${step.name}`.slice(0, 40) : '';
};

/** When it breaks and what stays behind, as the book has it. */
export const churnOf = (plan: MakePlan, of: StepOf, startC: number, atMs: number): ChurnForecast =>
  churnForecast(creamIn(plan, of, startC, atMs));

/** The cream as it began to be churned; read as it was poured in, that is its heat. */
export const churningOf = ({ plan, startC, startMs, readings, of }: LegRun): Churning =>
  creamIn(plan, of, readings.find((r) => r.minutes <= 2)?.temperatureC ?? startC, startMs);

function leg(run: LegRun): Leg {
  const { readings, stages } = run;
  const churning = churningOf(run);
  const book = churnAlong(
    churning,
    readings.filter((r) => r.minutes > 2).map((r) => ({ minutes: r.minutes, celsius: r.temperatureC })),
    stages,
    (run.nowMs - run.startMs) / 60_000,
  );
  const { minutes, lnSigma } = book;
  const latest = readings.at(-1);
  const endC = latest && latest.minutes > 2 ? Math.max(latest.temperatureC, book.breakC) : book.breakC;
  return {
    minutes,
    sigmaMin: lnSigma * minutes,
    endC,
    endless: false,
    curve: [
      [0, churning.startC],
      ...readings
        .filter((r) => r.minutes > 2 && r.minutes < minutes)
        .map((r): [number, number] => [r.minutes, r.temperatureC]),
      [minutes, endC],
    ],
  };
}

function cautions(plan: MakePlan, of: StepOf): readonly CautionId[] {
  const { motor } = CHURN_FACTS[own(of).churn];
  return [
    ...(motor ? (['blades-off'] as const) : []),
    ...(plan.starter.kind === 'milk-kefir' || plan.milk.soured ? (['vent-churn'] as const) : []),
    ...(plan.milk.treatment === 'raw' ? (['raw-milk'] as const) : []),
  ];
}

/** Cream is worked until it breaks into butter and buttermilk. */
export const CHURN: StepType = {
  kind: 'churn',
  facts: factsOf({
    inThePot: 'churning',
    waits: true,
    tells: 'stages',
    parts: true,
  }),
  words: (_plan, of) => {
    const { motor } = CHURN_FACTS[own(of).churn];
    return {
      title: 'Churn',
      doneWords: 'Stop: it broke',
      doing: motor
        ? 'Churn it, and stand by from the look-bell on: stop at grains of the size of wheat.'
        : 'Churn at an even pace: stop at grains of the size of wheat.',
      why: 'It breaks all at once and splashes. Churned on, the grains close up around their buttermilk.',
      endWords: 'breaks',
      early: { title: 'Look: it may break', text: 'From here on it may break: listen and look.' },
      due: { title: 'Stop?', text: 'By the sums it breaks about now: stop at grains of the size of wheat.' },
    };
  },
  aim: () => ({ to: 'break' }),
  hands: () => ({ handsMin: 3, slackMin: 2, mustAct: true }),
  cautions,
  leg,
  // A lump is what comes of going on, not a point on the way.
  marks: () =>
    CHURN_STAGES.filter((stage) => stage !== 'lump').map((stage) => ({
      id: stage,
      role: 'passing',
      words: STAGE_WORDS[stage],
      share: STAGE_SHARE[stage],
    })),
};

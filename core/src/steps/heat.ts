import type { MakePlan, Way } from '../contract/index.ts';
import { boilingPointC, heatOnPlate, runVessel, type PlateResult } from '../science/heat/index.ts';
import { burnerLagS, flameShare, heatingKw, isHeated } from '../setup/index.ts';
import type { Alarm } from './alarm.ts';
import { learnedSigma, legFrom, vesselOf, type HeatRun, type Leg, type LegRun } from './leg.ts';
import type { MakeAt, StepState } from './make-view.ts';
import { factsOf, type StepType, type StepWords } from './step-type.ts';
import { FIRE_OUT_MIN, stoodOn } from './stood-on.ts';
import { MINUTE_MS, capital } from '../science/units/index.ts';

/** Scatter of the book's heating times, one σ of ln [F]. */
const HEAT_LN_SIGMA = 0.3;
const due = (enough: string) => ({
  title: capital(enough),
  text: `The milk should be ${enough}. Check the temperature, then go on.`,
});

/** Held so long it was held for its firmness; for less than the other it was only brought there, min. */
const HELD_MIN = 5;
const TOUCHED_MIN = 2;
/** Milk that was not as hot as this was not heated for either, °C. */
const HOT_C = 72;

/** Whether milk was held hot or only brought there: makers differ. */
const heldOrTouched = ({ make: { plan } }: MakeAt): readonly Way[] => {
  if (heatTargetC(plan) < HOT_C) return [];
  if (plan.heat.holdMin >= HELD_MIN) return ['held-hot'];
  return plan.heat.holdMin < TOUCHED_MIN ? ['touched'] : [];
};

/** So near to it milk boils, K. */
const AT_BOIL_K = 0.3;

/** The heat a heating step aims at, °C. */
export function heatTargetC(plan: MakePlan): number {
  if (!isHeated(plan)) return plan.inoculateC;
  return plan.heat.kind === 'boil' ? boilingPointC(plan.altitudeM) - AT_BOIL_K : plan.heat.targetC;
}

/** Milk that was measured warmer than it began stands on a plate that is hot already, K. */
const UNDER_WAY_C = 3;

/** How the plan's milk warms on its burner. */
function heatingRun(
  plan: MakePlan,
  startMs: number,
  startC: number,
): (fromC: number) => HeatRun | PlateResult {
  const targetC = heatTargetC(plan);
  const lagS = burnerLagS(plan);
  const vessel = { ...vesselOf(plan, startMs), powerKw: heatingKw(plan), lidded: plan.heat.lidOn ?? false };
  return (fromC) =>
    lagS > 0 && fromC < targetC
      ? heatOnPlate({ ...vessel, startC: fromC, lagS, hot: fromC > startC + UNDER_WAY_C }, targetC)
      : runVessel({ ...vessel, startC: fromC }, targetC);
}

/** Up to its heat, as the flame brings it there. */
function up({ plan, startC, startMs, readings }: LegRun): Leg {
  const { burner } = plan.factors ?? {};
  const run = heatingRun(plan, startMs, startC);
  const targetC = heatTargetC(plan);
  const book = legFrom(run, startC, targetC, readings, learnedSigma(HEAT_LN_SIGMA, burner?.sigma));
  const latest = readings.at(-1);
  const onward = run(latest?.temperatureC ?? startC);
  return 'offMinutes' in onward && onward.outcome === 'reached'
    ? { ...book, callMin: (latest?.minutes ?? 0) + onward.offMinutes }
    : book;
}

/** A moment, as long as it takes to say that it is hot, min. */
const SAID_MIN = 1 / 60;

function leg(run: LegRun): Leg {
  const { plan, startMs, nowMs, status } = run;
  // Whoever calls it hot enough says that it is hot.
  const hot = up(run);
  if (status !== 'current') return hot;
  const stood = stoodOn(hot, (nowMs - startMs) / MINUTE_MS, {
    vessel: vesselOf(plan, startMs),
    lidded: plan.heat.lidOn ?? false,
    graceMin: FIRE_OUT_MIN,
  });
  // However long it was forgotten, what comes after it begins with milk that is hot: it is over when somebody says so, and not before.
  return stood === hot ? hot : { ...stood, minutes: stood.minutes + SAID_MIN, endC: hot.endC };
}

/** When a plate that stays hot is switched off, as the plan foresees it; `null` on a burner that follows at once. */
function switchedOff(plan: MakePlan): PlateResult | null {
  if (burnerLagS(plan) === 0) return null;
  const run = heatingRun(plan, Date.parse(plan.startAt), plan.milk.startC)(plan.milk.startC);
  return 'offC' in run && run.outcome === 'reached' ? run : null;
}

/**
 * As warm as the plan's milk can get on its burner, where that is short of what is wanted, °C; `null` when it gets there.
 * @example mostHeatC(plan) // 93, for four litres in an open pot on a weak flame that shall boil
 */
export function mostHeatC(plan: MakePlan): number | null {
  const run = heatingRun(plan, Date.parse(plan.startAt), plan.milk.startC)(plan.milk.startC);
  return run.outcome === 'never' ? run.secondsAndCelsius.at(-1)![1] : null;
}

/** A plate is switched off early, and that is rung. */
const offBell = (plan: MakePlan): Pick<StepWords, 'early'> =>
  switchedOff(plan) === null
    ? {}
    : {
        early: {
          title: 'Switch the plate off',
          text: 'The plate stays hot, and the milk climbs on by itself. Switch the plate off now and keep stirring.',
        },
      };

/** Nearer to the boil than this it is to be watched anyway, K. */
const NEAR_BOIL_K = 3;

/** Left on its flame after it was hot enough it comes to the boil: that is rung when it may be there. */
function alarms(at: MakeAt, own: StepState): readonly Alarm[] {
  if (own.status !== 'current') return [];
  const run = at.run(own);
  const { plan, startMs } = run;
  const boilC = boilingPointC(plan.altitudeM) - AT_BOIL_K;
  const { minutes, endC, endless } = up(run);
  if (endless || endC > boilC - NEAR_BOIL_K) return [];
  const on = runVessel(
    {
      ...vesselOf(plan, startMs),
      startC: endC,
      powerKw: heatingKw(plan),
      lidded: plan.heat.lidOn ?? false,
    },
    boilC,
  );
  if (on.outcome === 'never') return [];
  return [
    {
      id: 'may-boil',
      dueAtMs: startMs + (minutes + on.minutes) * MINUTE_MS,
      rank: 1,
      mustAct: true,
      title: 'May be boiling',
      text: 'Go to the pot. Milk boils over within seconds. Turn the heat off or down, then check the temperature.',
    },
  ];
}

/** Up to this hardly any whey protein unfolds within the times milk is held, °C. */
const UNFOLDS_ABOVE_C = 74;
/** Heat that makes a set firmer, and does not only kill germs. */
export const unfolds = (plan: MakePlan): boolean => heatTargetC(plan) > UNFOLDS_ABOVE_C;

const FLAME_WORDS = { low: 'on low heat', medium: 'on medium heat', full: 'on full heat' } as const;

function doing(plan: MakePlan, what: string): string {
  const how = plan.heat.flame ? ` ${FLAME_WORDS[plan.heat.flame]}` : '';
  const stir =
    plan.heat.flame === 'full' ? 'Stir all the time: on full heat milk scorches.' : 'Keep stirring.';
  return plan.heat.lidOn
    ? `${what}${how} with the lid on. Lift the lid to stir every few minutes.`
    : `${what}${how}. ${stir}`;
}

/** The milk is warmed: for its proteins, or to the heat the culture likes. */
export const HEAT: StepType = {
  kind: 'heat',
  gerund: 'heating',
  ways: heldOrTouched,
  asks: ['a burner', 'a probe'],
  facts: factsOf({
    inThePot: 'hot-milk',
    waits: true,
    probed: true,
    uses: ['burner'],
    moves: 'up',
  }),
  words: (plan) =>
    isHeated(plan)
      ? {
          title: 'Heat',
          doneWords: 'Hot enough',
          doing: doing(plan, 'Heat the milk'),
          why: unfolds(plan)
            ? 'Heating unfolds the whey proteins. They join the curd and make it firmer.'
            : 'Heat kills germs. The pasteurisation guide estimates how far. The set stays as soft as without it.',
          endWords: 'hot at',
          due: due('hot enough'),
          ...offBell(plan),
        }
      : {
          title: 'Warm',
          doneWords: 'Warm enough',
          doing: 'Warm the milk gently. Stir so that it warms evenly.',
          why: plan.method.steps.some((step) => step.kind === 'add-rennet')
            ? 'Rennet sets milk firmly only if it was never heated much further than this.'
            : 'Unheated milk sets late and soft.',
          endWords: 'hot at',
          due: due('warm enough'),
          ...offBell(plan),
        },
  hands: () => ({ handsMin: 3, slackMin: 5, mustAct: true }),
  cautions: (plan) =>
    isHeated(plan) ? ['hot-milk', 'probe-not-surface', 'not-a-certificate'] : ['probe-not-surface'],
  drawsKw: (plan) => plan.burner.powerKw * flameShare(plan),
  aim: (plan) => ({ to: 'heat', celsius: heatTargetC(plan) }),
  leg,
  alarms,
};

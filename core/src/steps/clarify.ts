import {
  BURNER_SHARE,
  GHEE_STAGE_WORDS,
  GHEE_STAGES,
  gheeForecast,
  gheeStageShare,
  gheeYieldKg,
  panTime,
  type Clarifying,
  type GheeForecast,
  type PanReading,
} from '../science/butter/index.ts';
import type { MakePlan } from '../contract/index.ts';
import { FLAME_SHARE } from '../science/heat/index.ts';
import { batchOf } from '../setup/index.ts';
import type { Alarm } from './alarm.ts';
import type { Leg, LegRun } from './leg.ts';
import type { MakeAt, StepState } from './make-view.ts';
import { told } from './told.ts';
import { PAN_TOLD } from './pan-told.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** Hotter than this it browns by the minute, and at the second it smokes, °C. */
const TOO_HOT_C = 120;
const SMOKES_C = 160;
const own = ({ step }: StepOf) => paramsOf(step, 'clarify');

/** The butter of a plan in its pan. */
function clarifyingOf(plan: MakePlan, of: StepOf, startC: number): Clarifying {
  const { composition, massKg } = batchOf(plan);
  const { moistureFraction, flame, doneC } = own(of);
  return {
    butterKg: massKg,
    moistureFraction,
    fatFraction: composition.fatFraction,
    startC,
    // The kitchen's own share of the burner takes the place of the usual half.
    burnerKw:
      (plan.burner.powerKw * plan.burner.efficiency * Math.exp(plan.factors?.burner?.value ?? 0)) /
      BURNER_SHARE,
    flameFraction: FLAME_SHARE[flame],
    doneC,
    altitudeM: plan.altitudeM,
  };
}

/** What was decided for a pan. @throws TypeError for a step of another kind */
export const panStep = ({ step }: Pick<StepOf, 'step'>) => paramsOf(step, 'clarify');

/** How a plan's butter clarifies, as the book has it. */
export const clarifyOf = (plan: MakePlan, of: StepOf, startC: number): GheeForecast =>
  gheeForecast(clarifyingOf(plan, of, startC));

/** Ghee that was taken off the heat with water in it. */
export interface WetGhee {
  readonly gheeKg: number;
  readonly waterKg: number;
  readonly startC: number;
}

/** How long the water takes to boil off when such ghee goes back on a low flame. @throws RangeError for ghee that weighs nothing */
export function boilsOff(plan: MakePlan, of: StepOf, { gheeKg, waterKg, startC }: WetGhee): GheeForecast {
  const butterKg = gheeKg + waterKg;
  return gheeForecast({
    ...clarifyingOf(plan, of, startC),
    butterKg,
    moistureFraction: waterKg / butterKg,
    fatFraction: gheeKg / butterKg,
    flameFraction: FLAME_SHARE.low,
  });
}

/** What was seen, weighed and measured of the pan, in order. */
function panReadings({ told: toldOf, startMs, readings }: LegRun): PanReading[] {
  const { stages, weighed } = toldOf(PAN_TOLD);
  const minutes = (atMs: number): number => (atMs - startMs) / MINUTE_MS;
  const first = weighed[0];
  return [
    ...stages.map(({ stage, atMs }): PanReading => ({ kind: 'stage', minutes: minutes(atMs), stage })),
    ...readings.map((read): PanReading => ({
      kind: 'temperature',
      minutes: read.minutes,
      celsius: read.temperatureC,
    })),
    // The pan is weighed with what is in it: only what it lost since counts.
    ...(first
      ? weighed.slice(1).map(({ atMs, massKg }): PanReading => ({
          kind: 'weight',
          minutes: minutes(atMs),
          lostKg: first.massKg - massKg,
        }))
      : []),
  ].sort((a, b) => a.minutes - b.minutes);
}

/** The pan so far: how long it takes, and the water left in it. */
export function panOf(run: LegRun): ReturnType<typeof panTime> & { readonly forecast: GheeForecast } {
  const forecast = clarifyOf(run.plan, run.of, run.startC);
  const nowMin = (run.nowMs - run.startMs) / MINUTE_MS;
  return { ...panTime(forecast, own(run.of).doneC, panReadings(run), nowMin), forecast };
}

function leg(run: LegRun): Leg {
  const { forecast, minutes, sigmaMin } = panOf(run);
  const pace = minutes / forecast.minutes;
  const { doneC } = own(run.of);
  return {
    minutes,
    sigmaMin,
    endC: doneC,
    endless: false,
    curve: [
      [0, run.startC],
      [forecast.toBoilMin * pace, forecast.boilC],
      [forecast.toDryMin * pace, forecast.boilC],
      [minutes, doneC],
    ],
  };
}

/** Read too hot while it is on the fire. */
function alarms({ make }: MakeAt, { status, startedAtMs }: StepState): readonly Alarm[] {
  const read = make.temperatures.at(-1);
  if (status !== 'current') return [];
  if (!read || read.atMs < (startedAtMs ?? 0) || read.celsius < TOO_HOT_C) return [];
  const smokes = read.celsius >= SMOKES_C;
  return [
    {
      id: `too-hot-${read.atMs}`,
      dueAtMs: 0,
      rank: 0,
      mustAct: true,
      fills: true,
      title: smokes ? 'Smoking: heat off, lid on' : 'Too hot: off the heat',
      text: smokes
        ? 'Never put water on hot fat. Leave the lid on until the pan is cool. Do not carry the pan.'
        : 'The ghee is browning by the minute and will turn bitter. Take the pan off the heat and let it rest.',
    },
  ];
}

/** Butter melts, its water boils off, and what is left clears: never to be left alone. */
export const CLARIFY: StepType = {
  kind: 'clarify',
  gerund: 'clarifying',
  usual: { moistureFraction: 0.17, flame: 'medium', school: 'stir', doneC: 112 },
  asks: ['a heavy pan'],
  facts: factsOf({
    inThePot: 'ghee',
    waits: true,
    probed: true,
    tells: true,
    fat: true,
    uses: ['burner'],
  }),
  words: (_plan, of) => ({
    title: 'Clarify',
    doneWords: 'Take off the heat',
    doing:
      own(of).school === 'stir'
        ? 'Stir all the time, down to the bottom. Clear gold fat and gold solids mean done. Take the pan off the heat at once.'
        : 'Do not stir. Skim the foam gently. When the fat is clear gold to the bottom, take the pan off the heat at once.',
    why: 'Ghee stays near boiling until the water is gone. Then the temperature climbs within minutes, and the ghee browns.',
    endWords: 'off the heat',
    early: {
      title: 'Stay with the ghee',
      text: 'Ghee may be done within minutes. Do not leave the pan.',
      fills: true,
    },
    due: {
      title: 'Take ghee off heat?',
      text: 'Ghee should be done now. If it is clear gold to the bottom and the crackling has stopped, take it off the heat.',
      fills: true,
    },
  }),
  aim: (_plan, of) => ({ to: 'heat', celsius: own(of).doneC }),
  hands: () => ({ handsMin: 2, slackMin: 0, mustAct: true, allAlong: true }),
  drawsKw: ({ burner }, of) => burner.powerKw * FLAME_SHARE[own(of).flame],
  cautions: () => ['hot-fat', 'never-leave-fat', 'fat-fire'],
  alarms,
  markSeen: (make, mark) => told(make, PAN_TOLD).stages.find(({ stage }) => stage === mark)?.atMs ?? null,
  leg,
  givesKg: (plan, of) => {
    const { composition, massKg } = batchOf(plan);
    return gheeYieldKg({ butterKg: massKg, fatFraction: composition.fatFraction }, own(of).school === 'skim');
  },
  marks: (plan, of) => {
    const forecast = clarifyOf(plan, of, plan.milk.startC);
    return GHEE_STAGES.filter((stage) => stage !== 'brown').map((stage) => ({
      id: stage,
      role: 'passing',
      words: GHEE_STAGE_WORDS[stage],
      share: gheeStageShare(forecast, stage),
    }));
  },
};

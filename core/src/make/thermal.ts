import { denaturedFraction, pasteurisationMinutes, type HeatProfile } from '../science/heat/index.ts';
import { interpolateLinear } from '../science/numerics/index.ts';
import { batchOf } from '../setup/index.ts';
import { productOf } from '../products/index.ts';
import {
  closed,
  handsOnly,
  STEP_TYPES,
  told,
  type Leg,
  type LegReading,
  type LegRun,
} from '../steps/index.ts';
import type { StepTime } from './step-time.ts';
import { laterMinutes } from './tail.ts';
import { souringStep, type MakeState, type StepState } from './state.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** Everything up to the souring, or all of it where nothing sours: times, temperatures, what the heat did. */
export interface ThermalWalk {
  readonly steps: readonly StepTime[];
  /** [ms, °C] from the first milk to inoculation, measured where measured, modelled elsewhere. */
  readonly course: readonly (readonly [number, number])[];
  readonly inoculation: { readonly atMs: number; readonly celsius: number; readonly sigmaMin: number };
  /** Denatured whey protein when the heating is over, 0..1, and until now. */
  readonly denatured: number;
  readonly denaturedNow: number;
  readonly pasteurisationMinutesNow: number;
  readonly pasteurisationMinutes: number;
}

/** What was read, seen and felt of a step's heat, in minutes since its start. */
function readingsWithin(
  { temperatures, felt }: Pick<MakeState, 'temperatures' | 'felt'>,
  startMs: number,
  endMs: number | null,
): LegReading[] {
  const within = ({ atMs }: { readonly atMs: number }): boolean =>
    atMs >= startMs && (endMs === null || atMs <= endMs);
  const minutes = (atMs: number): number => (atMs - startMs) / MINUTE_MS;
  const read = temperatures
    .filter(within)
    .map((t): LegReading => ({ minutes: minutes(t.atMs), temperatureC: t.celsius }));
  const rough = felt.filter(within).map(({ atMs, celsius, sigmaC }): LegReading => ({
    minutes: minutes(atMs),
    temperatureC: celsius,
    sigmaC,
  }));
  return rough.length === 0 ? read : [...read, ...rough].sort((a, b) => a.minutes - b.minutes);
}

/** One step as it is gone through. @param startC heat of what is in it when it begins */
export function legRunOf(
  state: MakeState,
  step: StepState,
  startC: number,
  startMs: number,
  nowMs: number,
): LegRun {
  return {
    plan: state.plan,
    startC,
    startMs,
    readings: readingsWithin(state, startMs, step.endedAtMs),
    changedMin: ((state.coolingSinceMs ?? startMs) - startMs) / MINUTE_MS,
    of: { step: step.step.instance, goods: productOf(state.plan).goods },
    nowMs: step.endedAtMs ?? nowMs,
    status: step.status,
    fed: state.fed,
    told: (of) => told(state, of),
  };
}

/** pH of milk in which nothing has soured yet. */
const FRESH_PH = 6.65;
/** How fast two litres follow where they stand, h [F]. */
const FOLLOWS_H = 2;

/** What stands goes towards the heat of its place; what is brought to a heat has it at the end. */
function standing(
  startC: number,
  { minutes, sigmaMin, endless, endC, brings }: ReturnType<typeof laterMinutes>,
  litres: number,
  measured: readonly (readonly [number, number])[],
): Leg {
  const tauMin = 60 * FOLLOWS_H * Math.cbrt(Math.max(0.1, litres) / 2);
  const at = (min: number): number =>
    brings
      ? startC + (endC - startC) * Math.min(1, min / Math.max(1, minutes))
      : endC + (startC - endC) * Math.exp(-min / tauMin);
  const lastMin = measured.at(-1)?.[0] ?? 0;
  const points = Array.from({ length: 13 }, (_, i): readonly [number, number] => {
    const min = (minutes * i) / 12;
    return [min, at(min)];
  });
  return {
    minutes,
    sigmaMin,
    endless,
    endC: at(minutes),
    curve: [...measured, ...points.filter(([min]) => min >= lastMin || measured.length === 0)],
  };
}

function legOf(
  state: MakeState,
  step: StepState,
  startC: number,
  startMs: number,
  nowMs: number,
  denatured: () => number,
): Leg {
  const run = legRunOf(state, step, startC, startMs, nowMs);
  const { leg, later } = STEP_TYPES[step.step.kind];
  if (leg) return leg(run);
  const nowC = run.readings.at(-1)?.temperatureC ?? startC;
  if (!later && !step.step.facts.waits) return handsOnly(step.step.handsMin, nowC);
  return standing(
    startC,
    laterMinutes(state, step, startMs, {
      phAt: () => FRESH_PH,
      denatured: denatured(),
      gelH: null,
      celsius: nowC,
    }),
    batchOf(state.plan).litres,
    run.readings.map((r): readonly [number, number] => [r.minutes, r.temperatureC]),
  );
}

/** Whey protein unfolded so far; 0 where nothing was hot. */
const denaturedBy = (course: readonly (readonly [number, number])[], zeroMs: number): number =>
  course.some(([, c]) => c > 60)
    ? denaturedFraction(
        course
          .filter(([ms], i) => i === 0 || ms >= course[i - 1]![0])
          .map(([ms, c]): readonly [number, number] => [(ms - zeroMs) / 1000, c]),
      )
    : 0;

/** So many moments of a state are remembered: bells ask as its step began, the page as it is to the minute, a pad to the millisecond. */
const MOMENTS = 3;
/** The latest walks of each state: balance, loads, times and alarms of one moment all ask for it. */
const walked = new WeakMap<MakeState, { readonly nowMs: number; readonly walk: ThermalWalk }[]>();

/**
 * Walks a make from the first milk to inoculation: done steps as they were, the present one refitted to its
 * readings, coming ones from the heat balance.
 * @param nowMs a running step never ends before this
 */
export function walkThermal(state: MakeState, nowMs: number): ThermalWalk {
  const before = walked.get(state) ?? [];
  const known = before.find((one) => one.nowMs === nowMs);
  if (known) return known.walk;
  const walk = walking(state, nowMs);
  walked.set(state, [{ nowMs, walk }, ...before].slice(0, MOMENTS));
  return walk;
}

function walking(state: MakeState, nowMs: number): ThermalWalk {
  const { plan } = state;
  let atMs = state.startedAtMs;
  let celsius = plan.milk.startC;
  let variance = 0;
  const souring = souringStep(state.steps);
  const steps: StepTime[] = [];
  const course: (readonly [number, number])[] = [[atMs, celsius]];
  let inoculation = { atMs, celsius, sigmaMin: 0 };
  for (const step of state.steps) {
    const { id, kind } = step.step;
    if (step === souring) break;
    const startMs = step.startedAtMs ?? atMs;
    if (step.status === 'skipped') {
      steps.push({
        id,
        kind,
        status: 'skipped',
        startMs,
        endMs: step.endedAtMs ?? startMs,
        sigmaMin: 0,
        endless: false,
      });
      atMs = step.endedAtMs ?? startMs;
      continue;
    }
    const planned = legOf(state, step, celsius, startMs, nowMs, () => denaturedBy(course, state.startedAtMs));
    const measured = readingsWithin(state, startMs, step.endedAtMs).length > 0;
    const leg =
      step.endedAtMs === null ? planned : closed(planned, (step.endedAtMs - startMs) / MINUTE_MS, measured);
    const endMs =
      step.endedAtMs ?? Math.max(startMs + leg.minutes * MINUTE_MS, step.status === 'current' ? nowMs : 0);
    if (step.endedAtMs === null) variance += leg.sigmaMin ** 2;
    for (const [minutes, c] of leg.curve) course.push([startMs + minutes * MINUTE_MS, c]);
    celsius = leg.endC;
    atMs = endMs;
    course.push([endMs, celsius]);
    steps.push({
      id,
      kind,
      status: step.status,
      startMs,
      endMs,
      sigmaMin: Math.sqrt(variance),
      endless: leg.endless,
      ...(leg.callMin === undefined ? {} : { callMs: startMs + leg.callMin * MINUTE_MS }),
    });
    inoculation = { atMs: endMs, celsius, sigmaMin: Math.sqrt(variance) };
  }
  const ordered = course.filter(([ms], i) => i === 0 || ms >= course[i - 1]![0]);
  const profileUntil = (untilMs: number): HeatProfile => {
    const points = ordered.filter(([ms]) => ms <= untilMs);
    const end = interpolateLinear(
      ordered.map(([ms]) => ms),
      ordered.map(([, c]) => c),
      untilMs,
    );
    return [...points, [untilMs, end] as const].map(([ms, c]) => [(ms - state.startedAtMs) / 1000, c]);
  };
  const lastMs = ordered.at(-1)![0];
  const whole = profileUntil(lastMs);
  const soFar = profileUntil(Math.min(nowMs, lastMs));
  return {
    steps,
    course: ordered,
    inoculation: state.inoculatedAtMs === null ? inoculation : { ...inoculation, atMs: state.inoculatedAtMs },
    denatured: denaturedFraction(whole),
    denaturedNow: denaturedFraction(soFar),
    pasteurisationMinutes: pasteurisationMinutes(whole, false),
    pasteurisationMinutesNow: pasteurisationMinutes(soFar, false),
  };
}

import {
  boilingPointC,
  coolInBath,
  denaturedFraction,
  pasteurisationMinutes,
  refitArrival,
  runVessel,
  type HeatProfile,
} from '../heat/index.ts';
import { interpolateLinear } from '../numerics/index.ts';
import type { MakePlan, StepId } from '../contract/index.ts';
import { batchOf, isHeated, roomAtC } from '../method/index.ts';
import type { Composition } from '../milk/index.ts';
import type { MakeState, StepState, TemperatureReading } from './state.ts';

const MINUTE_MS = 60_000;
/** A step that would never end by the model is drawn this long and said to be endless, minutes. */
const ENDLESS_MIN = 24 * 60;
/** Scatter of the book's heating and cooling times, one σ of ln [F]. */
const HEAT_LN_SIGMA = 0.3;
const COOL_LN_SIGMA = 0.25;
/** Scatter of hands work, one σ of ln [F: judgement]. */
const HANDS_LN_SIGMA = 0.3;

/** One step on the clock. */
export interface StepTime {
  readonly id: StepId;
  readonly status: StepState['status'];
  readonly startMs: number;
  /** Done: when it ended. Else the middle forecast, never before now. */
  readonly endMs: number;
  /** One σ of the end, counted from the first step that is not done, minutes. */
  readonly sigmaMin: number;
  /** The model says that the target is never reached as things stand. */
  readonly endless: boolean;
}

/** Everything up to inoculation: times, temperatures, what the heat did. */
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

/** The heat a heating step aims at, °C. */
export function heatTargetC(plan: MakePlan): number {
  if (!isHeated(plan)) return plan.inoculateC;
  return plan.heat.kind === 'boil' ? boilingPointC(plan.altitudeM) - 0.3 : plan.heat.targetC;
}

interface Leg {
  readonly minutes: number;
  readonly sigmaMin: number;
  readonly endC: number;
  readonly endless: boolean;
  /** [minutes since the step's start, °C] */
  readonly curve: readonly (readonly [number, number])[];
}

/** What a heating or cooling came to; the shape both the pot and the bath give. */
interface HeatRun {
  readonly outcome: string;
  readonly minutes: number;
  readonly secondsAndCelsius: readonly (readonly [number, number])[];
}

/** How the plan cools: on the counter, or in water that warms meanwhile. */
function coolingRun(
  plan: MakePlan,
  vessel: { composition: Composition; litres: number; airC: number; lossFactor: number },
): (fromC: number) => HeatRun {
  const { cooling } = plan;
  if (!cooling || cooling.kind === 'counter') {
    return (fromC) => runVessel({ ...vessel, startC: fromC, lidded: plan.pot.lidded }, plan.inoculateC);
  }
  const { composition, litres, airC } = vessel;
  const iceKg = cooling.kind === 'iced-bath' ? cooling.iceKg : 0;
  return (fromC) => {
    const result = coolInBath({
      ...cooling,
      iceKg,
      composition,
      litres,
      airC,
      startC: fromC,
      targetC: plan.inoculateC,
    });
    return { ...result, outcome: result.outcome === 'reached' ? 'reached' : 'never' };
  };
}

/** Scatter from make to make that learning never takes away, σ of ln [F]. */
const MAKE_LN_SIGMA = 0.1;
const learnedSigma = (book: number, sigma: number | undefined): number =>
  sigma === undefined ? book : Math.min(book, Math.hypot(sigma, MAKE_LN_SIGMA));

/** A model curve joined to what was measured on the way. */
function legFrom(
  run: (fromC: number) => HeatRun,
  startC: number,
  targetC: number,
  readings: readonly { minutes: number; temperatureC: number }[],
  lnSigma: number,
): Leg {
  const fromStart = run(startC);
  const measured = readings.map((r): readonly [number, number] => [r.minutes, r.temperatureC]);
  if (readings.length === 0) {
    const endless = fromStart.outcome === 'never';
    const minutes = endless ? ENDLESS_MIN : fromStart.minutes;
    const curve = fromStart.secondsAndCelsius.map(([s, c]): readonly [number, number] => [s / 60, c]);
    return {
      minutes,
      sigmaMin: lnSigma * minutes,
      endC: endless ? curve.at(-1)![1] : targetC,
      endless,
      curve,
    };
  }
  const latest = readings.at(-1)!;
  const rising = targetC > startC;
  const arrived = rising ? latest.temperatureC >= targetC : latest.temperatureC <= targetC;
  const head: (readonly [number, number])[] = [[0, startC], ...measured.filter(([minutes]) => minutes > 0)];
  if (arrived)
    return { minutes: latest.minutes, sigmaMin: 0, endC: latest.temperatureC, endless: false, curve: head };
  const onward = run(latest.temperatureC);
  if (onward.outcome === 'never') {
    return { minutes: ENDLESS_MIN, sigmaMin: 0, endC: latest.temperatureC, endless: true, curve: head };
  }
  const book = readings.length >= 2 ? run(readings[0]!.temperatureC) : null;
  // The first reading may already be past the target (milk that was reheated): then only the latest counts.
  const refit =
    book?.outcome === 'reached' && book.secondsAndCelsius.length >= 2
      ? refitArrival(book.secondsAndCelsius, readings, targetC, lnSigma)
      : null;
  const minutes = Math.max(latest.minutes, refit ? refit.minutes : latest.minutes + onward.minutes);
  const stretch = (minutes - latest.minutes) / Math.max(onward.minutes, 1e-6);
  const tail = onward.secondsAndCelsius
    .slice(1)
    .map(([s, c]): readonly [number, number] => [latest.minutes + (s / 60) * stretch, c]);
  return {
    minutes,
    sigmaMin: refit ? refit.sigmaMinutes : lnSigma * onward.minutes,
    endC: targetC,
    endless: false,
    curve: [...head, ...tail],
  };
}

/** Readings of a step, in minutes since its start. */
function readingsWithin(
  temperatures: readonly TemperatureReading[],
  startMs: number,
  endMs: number | null,
): { minutes: number; temperatureC: number }[] {
  return temperatures
    .filter((t) => t.atMs >= startMs && (endMs === null || t.atMs <= endMs))
    .map((t) => ({ minutes: (t.atMs - startMs) / MINUTE_MS, temperatureC: t.celsius }));
}

const HANDS_ONLY = (minutes: number, celsius: number): Leg => ({
  minutes,
  sigmaMin: HANDS_LN_SIGMA * minutes,
  endC: celsius,
  endless: false,
  curve: [
    [0, celsius],
    [minutes, celsius],
  ],
});

function legOf(state: MakeState, step: StepState, startC: number, startMs: number): Leg {
  const { plan } = state;
  const batch = batchOf(plan);
  const { composition, litres } = batch;
  const readings = readingsWithin(state.temperatures, startMs, step.endedAtMs);
  const { cooling, burner } = plan.factors ?? {};
  const vessel = {
    composition,
    litres,
    airC: roomAtC(plan, startMs),
    lossFactor: plan.pot.lossFactor * Math.exp(cooling?.value ?? 0),
  };
  const coolSigma = learnedSigma(COOL_LN_SIGMA, cooling?.sigma);
  switch (step.step.id) {
    case 'heat': {
      const targetC = heatTargetC(plan);
      const powerKw = plan.burner.powerKw * plan.burner.efficiency * Math.exp(burner?.value ?? 0);
      return legFrom(
        (fromC) => runVessel({ ...vessel, startC: fromC, powerKw, lidded: false }, targetC),
        startC,
        targetC,
        readings,
        learnedSigma(HEAT_LN_SIGMA, burner?.sigma),
      );
    }
    case 'cool': {
      const run = coolingRun(plan, vessel);
      const changedMin = ((state.coolingSinceMs ?? startMs) - startMs) / MINUTE_MS;
      if (changedMin <= 0) return legFrom(run, startC, plan.inoculateC, readings, coolSigma);
      // It stood on the counter until somebody changed the way it is cooled: its curve is cut there, not stretched.
      const before = readings.filter((r) => r.minutes <= changedMin);
      const counter = (fromC: number): HeatRun =>
        runVessel({ ...vessel, startC: fromC, lidded: plan.pot.lidded }, Math.min(plan.inoculateC, fromC));
      const stood = closed(legFrom(counter, startC, plan.inoculateC, before, coolSigma), changedMin, true);
      const after = readings
        .filter((r) => r.minutes > changedMin)
        .map((r) => ({ ...r, minutes: r.minutes - changedMin }));
      const now = legFrom(run, stood.endC, plan.inoculateC, after, coolSigma);
      return {
        ...now,
        minutes: changedMin + now.minutes,
        curve: [...stood.curve, ...now.curve.map(([m, c]): readonly [number, number] => [m + changedMin, c])],
      };
    }
    case 'hold': {
      const held = readings.map((r): readonly [number, number] => [r.minutes, r.temperatureC]);
      const endC = held.at(-1)?.[1] ?? startC;
      const minutes = Math.max(plan.heat.holdMin, held.at(-1)?.[0] ?? 0);
      return { minutes, sigmaMin: 1, endC, endless: false, curve: [[0, startC], ...held, [minutes, endC]] };
    }
    default:
      return HANDS_ONLY(step.step.handsMin, readings.at(-1)?.temperatureC ?? startC);
  }
}

/** Fits a leg's curve to the time a finished step really took, keeping measured points where they are. */
function closed(leg: Leg, tookMin: number, measured: boolean): Leg {
  if (measured) {
    const curve = leg.curve.filter(([minutes]) => minutes <= tookMin);
    const endC = curve.at(-1)?.[1] ?? leg.endC;
    return { ...leg, minutes: tookMin, endC, curve: [...curve, [tookMin, endC]] };
  }
  const stretch = leg.minutes > 0 ? tookMin / leg.minutes : 0;
  return {
    ...leg,
    minutes: tookMin,
    curve: leg.curve.map(([m, c]): readonly [number, number] => [m * stretch, c]),
  };
}

/**
 * Walks a make from the first milk to inoculation: done steps as they were, the present one refitted to its
 * readings, coming ones from the heat balance.
 * @param nowMs a running step never ends before this
 */
export function walkThermal(state: MakeState, nowMs: number): ThermalWalk {
  const { plan } = state;
  let atMs = state.startedAtMs;
  let celsius = plan.milk.startC;
  let variance = 0;
  const steps: StepTime[] = [];
  const course: (readonly [number, number])[] = [[atMs, celsius]];
  let inoculation = { atMs, celsius, sigmaMin: 0 };
  for (const step of state.steps) {
    const { id } = step.step;
    if (id === 'incubate') break;
    const startMs = step.startedAtMs ?? atMs;
    if (step.status === 'skipped') {
      steps.push({
        id,
        status: 'skipped',
        startMs,
        endMs: step.endedAtMs ?? startMs,
        sigmaMin: 0,
        endless: false,
      });
      atMs = step.endedAtMs ?? startMs;
      continue;
    }
    const planned = legOf(state, step, celsius, startMs);
    const measured = readingsWithin(state.temperatures, startMs, step.endedAtMs).length > 0;
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
      status: step.status,
      startMs,
      endMs,
      sigmaMin: Math.sqrt(variance),
      endless: leg.endless,
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

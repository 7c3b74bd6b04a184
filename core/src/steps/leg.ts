import { widthMOf, type MakePlan } from '../contract/index.ts';
import { refitArrival } from '../science/heat/index.ts';
import { interpolateLinear } from '../science/numerics/index.ts';
import { batchOf, roomAtC } from '../setup/index.ts';
import type { Composition } from '../science/milk/index.ts';
import type { Fed } from './feeding.ts';
import type { StepOf, StepStatus } from './step-of.ts';
import type { ToldOf } from './told.ts';

/** A step that would never end by the model is drawn this long and said to be endless, minutes. */
const ENDLESS_MIN = 24 * 60;
/** Scatter of hands work, one σ of ln [F: judgement]. */
const HANDS_LN_SIGMA = 0.3;

/** The heat of the milk over one step. */
export interface Leg {
  readonly minutes: number;
  readonly sigmaMin: number;
  readonly endC: number;
  readonly endless: boolean;
  /** Somebody is called for something before its end, minutes since its start; left out, nobody is. */
  readonly callMin?: number;
  /** [minutes since the step's start, °C] */
  readonly curve: readonly (readonly [number, number])[];
}

/** A temperature read in a step, in minutes since its start. */
export interface LegReading {
  readonly minutes: number;
  readonly temperatureC: number;
  /** One σ of what was only seen or felt, K; left out, a thermometer read it. */
  readonly sigmaC?: number;
}

/** One step as it is gone through. */
export interface LegRun {
  readonly plan: MakePlan;
  readonly startC: number;
  readonly startMs: number;
  readonly readings: readonly LegReading[];
  /** Since when the plan is as it is now, minutes since the step's start; 0 when it always was. */
  readonly changedMin: number;
  /** The step with its own parameters. */
  readonly of: StepOf;
  readonly nowMs: number;
  /** Whether it is going on, over, or still to come. */
  readonly status: StepStatus;
  /** What was given in its feeds. */
  readonly fed: Fed;
  /** What was told of a kind of step. */
  readonly told: ToldOf;
}

/** What a heating or cooling came to; the shape both the pot and the bath give. */
export interface HeatRun {
  readonly outcome: string;
  readonly minutes: number;
  readonly secondsAndCelsius: readonly (readonly [number, number])[];
}

/** The milk in its pot, as the heat balance wants it. */
export interface Vessel {
  readonly composition: Composition;
  readonly litres: number;
  readonly widthM: number | undefined;
  readonly airC: number;
  readonly lossFactor: number;
}

/** The pot of a plan with its milk, in the room at an instant. */
export function vesselOf(plan: MakePlan, atMs: number): Vessel {
  const { composition, litres } = batchOf(plan);
  return {
    composition,
    litres,
    widthM: widthMOf(plan.pot),
    airC: roomAtC(plan, atMs),
    lossFactor: plan.pot.lossFactor * Math.exp(plan.factors?.cooling?.value ?? 0),
  };
}

/** Scatter from make to make that learning never takes away, σ of ln [F]. */
const MAKE_LN_SIGMA = 0.1;
/** One σ of ln of a time: the book's, or what the kitchen taught. */
export const learnedSigma = (book: number, sigma: number | undefined): number =>
  sigma === undefined ? book : Math.min(book, Math.hypot(sigma, MAKE_LN_SIGMA));

/** What a model says of a temperature is no surer than this, one σ, K. */
const LEAST_MODEL_SIGMA_C = 1.5;

/**
 * What eye and finger told, weighed against what the pot should be at by then: normal with normal. The model's own σ is
 * how fast it moves there times how far its time may be off; what was read before moves it along.
 */
export function weighedReadings(
  fromStart: Pick<HeatRun, 'secondsAndCelsius'>,
  readings: readonly LegReading[],
  lnSigma: number,
): readonly LegReading[] {
  if (readings.every(({ sigmaC }) => sigmaC === undefined)) return readings;
  const seconds = fromStart.secondsAndCelsius.map(([s]) => s);
  const celsius = fromStart.secondsAndCelsius.map(([, c]) => c);
  const at = (minutes: number): number =>
    seconds.length < 2 ? celsius[0]! : interpolateLinear(seconds, celsius, minutes * 60);
  let offC = 0;
  return readings.map((reading) => {
    const { minutes, temperatureC, sigmaC } = reading;
    const expectedC = at(minutes) + offC;
    if (sigmaC === undefined) {
      offC = temperatureC - at(minutes);
      return reading;
    }
    const pacePerMin = at(minutes + 0.5) - at(minutes - 0.5);
    const modelSigma = Math.max(LEAST_MODEL_SIGMA_C, Math.abs(pacePerMin) * lnSigma * minutes);
    const [model, felt] = [1 / modelSigma ** 2, 1 / sigmaC ** 2];
    const likelyC = (model * expectedC + felt * temperatureC) / (model + felt);
    offC = likelyC - at(minutes);
    return { minutes, temperatureC: likelyC, sigmaC: Math.sqrt(1 / (model + felt)) };
  });
}

/** A model curve joined to what was measured on the way. */
export function legFrom(
  run: (fromC: number) => HeatRun,
  startC: number,
  targetC: number,
  taken: readonly LegReading[],
  lnSigma: number,
): Leg {
  const fromStart = run(startC);
  const readings = weighedReadings(fromStart, taken, lnSigma);
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
  // What is only felt says "about there": nobody is told that it is over before a typical spread beyond.
  const marginC = latest.sigmaC ?? 0;
  const arrived = rising
    ? latest.temperatureC >= targetC + marginC
    : latest.temperatureC <= targetC - marginC;
  const head: (readonly [number, number])[] = [[0, startC], ...measured.filter(([minutes]) => minutes > 0)];
  if (arrived)
    return { minutes: latest.minutes, sigmaMin: 0, endC: latest.temperatureC, endless: false, curve: head };
  const within = rising ? latest.temperatureC >= targetC : latest.temperatureC <= targetC;
  if (within) {
    // About there already: how surely follows from how fast it moves.
    const perMin = Math.abs(latest.temperatureC - startC) / Math.max(1, latest.minutes);
    return {
      minutes: latest.minutes,
      sigmaMin: marginC / Math.max(0.05, perMin),
      endC: latest.temperatureC,
      endless: false,
      curve: head,
    };
  }
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
  // What is not known of how warm it is now is not known of when it gets there.
  const roughMin = (marginC / Math.max(1, Math.abs(targetC - latest.temperatureC))) * onward.minutes;
  const stretch = (minutes - latest.minutes) / Math.max(onward.minutes, 1e-6);
  const tail = onward.secondsAndCelsius
    .slice(1)
    .map(([s, c]): readonly [number, number] => [latest.minutes + (s / 60) * stretch, c]);
  return {
    minutes,
    sigmaMin: Math.hypot(refit ? refit.sigmaMinutes : lnSigma * onward.minutes, roughMin),
    endC: targetC,
    endless: false,
    curve: [...head, ...tail],
  };
}

/** Fits a leg's curve to the time a finished step really took, keeping measured points where they are. */
export function closed(leg: Leg, tookMin: number, measured: boolean): Leg {
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

/** Hands work leaves the milk as it is. */
export const handsOnly = (minutes: number, celsius: number): Leg => ({
  minutes,
  sigmaMin: HANDS_LN_SIGMA * minutes,
  endC: celsius,
  endless: false,
  curve: [
    [0, celsius],
    [minutes, celsius],
  ],
});

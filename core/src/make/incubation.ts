import {
  COUNT_ONCE_H,
  groupStarts,
  sampleCourse,
  spreadOf,
  type EnsembleSpec,
  type Joining,
} from '../science/souring/index.ts';
import type { MakePlan } from '../contract/index.ts';
import { FRIDGE_C, PLACE_FACTS } from '../science/heat/index.ts';
import { batchOf, inoculumFor } from '../setup/index.ts';
import { productOf } from '../products/index.ts';
import { souringOf, souringPlan, souringStep, type MakeState } from './state.ts';
import { expectedCourse } from './stays.ts';
import { standsTold, tailSteps } from './tail.ts';
import type { ThermalWalk } from './thermal.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

/** How fast two litres follow the refrigerator, h [F]. */
const FRIDGE_TAU_H = 2;
/** A starter straight from the refrigerator, °C. */
const STARTER_C = 5;
/** Scatter of one reading of a place's heat, K (docs/SCIENCE.md, learning). */
const PLACE_READING_SIGMA_C = 0.5;
/** Step along a room that warms and cools, h. */
const DRIFT_STEP_H = 0.25;
/** Put up colder than its place by this much, it is on its way up, K. */
const COLD_START_C = 8;
/** A first stretch without a reading, up to this long, counts as measured, h. */
const UNREAD_START_H = 1;

export interface Incubation {
  readonly spec: EnsembleSpec;
  readonly horizonH: number;
  readonly stepH: number;
  /** [hours since inoculation, °C] as drawn: measured past, expected future. */
  readonly course: readonly (readonly [number, number])[];
  /** What the place seems to hold, °C, and its σ. */
  readonly ambientC: number;
  readonly ambientSigmaC: number;
}

/** How far a place may be off before anybody reads it here: the book's σ, or what is left after its makes taught it. */
function placeSigmaC(plan: MakePlan): number {
  const book = plan.place.biasSigmaC ?? PLACE_FACTS[plan.place.kind].biasSigmaC;
  const learned = plan.factors?.placeHeat?.sigma;
  return learned === undefined ? book : Math.min(book, Math.hypot(learned, PLACE_READING_SIGMA_C));
}

/**
 * Nobody looks further than the horizon, however long after it a reading is dated. Cream put up cold warms in hours: until somebody first reads it, it follows the expected course, moved so that it meets
 * that reading. Milk put up warm stays near its heat, and a line does.
 */
function warming(
  expectedC: (hour: number) => number,
  startC: number,
  { ambientC, horizonH }: { readonly ambientC: number; readonly horizonH: number },
  first: { readonly hour: number; readonly celsius: number } | undefined,
): { hour: number; celsius: number }[] {
  if (!first || startC > ambientC - COLD_START_C) return [];
  const offC = first.celsius - expectedC(first.hour);
  const points: { hour: number; celsius: number }[] = [];
  const untilH = Math.min(first.hour, horizonH + DRIFT_STEP_H);
  for (let hour = DRIFT_STEP_H; hour < untilH; hour += DRIFT_STEP_H)
    points.push({ hour, celsius: expectedC(hour) + (offC * hour) / first.hour });
  return points;
}

/**
 * Between two readings heat goes straight, unless it was moved, parted or mixed meanwhile: there it follows what is
 * expected of both places, and meets both readings.
 */
function overMoves(
  known: readonly { readonly hour: number; readonly celsius: number }[],
  { movedH, horizonH }: { readonly movedH: readonly number[]; readonly horizonH: number },
  expectedC: (hour: number) => number,
): { hour: number; celsius: number }[] {
  return known.flatMap((point, i) => {
    const next = known[i + 1];
    if (!next || !movedH.some((hour) => hour > point.hour && hour < next.hour)) return [point];
    const off = [point.celsius - expectedC(point.hour), next.celsius - expectedC(next.hour)] as const;
    const way: { hour: number; celsius: number }[] = [point];
    const untilH = Math.min(next.hour, horizonH + DRIFT_STEP_H);
    for (let hour = point.hour + DRIFT_STEP_H; hour < untilH; hour += DRIFT_STEP_H) {
      const share = (hour - point.hour) / (next.hour - point.hour);
      way.push({ hour, celsius: expectedC(hour) + off[0] + share * (off[1] - off[0]) });
    }
    return way;
  });
}

/** Step along what stands in one place after the other, h. */
const AFTER_STEP_H = 0.25;

/** The heat of what sours on after its souring step, from place to place, meeting every reading. */
function afterwards(
  state: MakeState,
  walk: ThermalWalk,
  zeroMs: number,
  from: {
    readonly fromH: number;
    readonly leftH: number;
    readonly horizonH: number;
    readonly celsius: number;
    readonly litres: number;
    readonly nowMs: number;
  },
): (readonly [number, number])[] {
  const steps = tailSteps(state, zeroMs + from.leftH * HOUR_MS, {
    sigmaMin: 0,
    nowMs: from.nowMs,
    denatured: walk.denatured,
    // Near enough for how long the curd takes to set.
    phAt: () => 6.5,
    gelH: null,
    celsius: from.celsius,
  });
  const read = state.temperatures
    .map((t): readonly [number, number] => [(t.atMs - zeroMs) / HOUR_MS, t.celsius])
    .filter(([h]) => h > from.fromH);
  const tauH = FRIDGE_TAU_H * Math.cbrt(from.litres / 2);
  let celsius = from.celsius;
  let lastH = from.fromH;
  const course: (readonly [number, number])[] = [];
  for (let h = from.fromH; h < from.horizonH; h += AFTER_STEP_H) {
    const atMs = zeroMs + h * HOUR_MS;
    const step = steps.find((s) => s.endMs > atMs);
    const measured = read.findLast(([hour]) => hour > lastH && hour <= h);
    if (measured) celsius = measured[1];
    else if (h > from.fromH) {
      const toward = step?.celsius ?? FRIDGE_C;
      const leftH = step ? Math.max(AFTER_STEP_H, (step.endMs - atMs) / HOUR_MS) : tauH;
      // What is brought to a heat comes to it at the end of its step; what stands follows its place.
      celsius +=
        step?.brings === true
          ? (toward - celsius) * Math.min(1, AFTER_STEP_H / leftH)
          : (toward - celsius) * (1 - Math.exp(-AFTER_STEP_H / tauH));
    }
    course.push([h, celsius]);
    lastH = h;
  }
  return course;
}

/** More starter, and other makes poured in, as they join what sours; nothing where nothing came. */
function joiningsOf(
  { helpings, joined }: Pick<MakeState, 'helpings' | 'joined'>,
  plan: MakePlan,
  zeroMs: number,
): { readonly joinings?: readonly Joining[] } {
  const hourOf = ({ atMs }: { readonly atMs: number }): number => (atMs - zeroMs) / HOUR_MS;
  const joinings = [
    ...helpings.flatMap((helping): Joining[] => {
      const brings = inoculumFor(plan, helping);
      return brings
        ? [
            {
              hour: hourOf(helping),
              keeps: 1,
              starts: groupStarts(brings),
              acidMmolPerKg: brings.startAcidMmolPerKg,
            },
          ]
        : [];
    }),
    ...joined.map((other): Joining => ({
      hour: hourOf(other),
      keeps: other.keeps,
      // They are at work: they wait for nothing.
      starts: groupStarts({ log10CfuPerMl: other.log10CfuPerMl, lagH: {} }).map((start) => ({
        ...start,
        log10CfuPerMl: start.log10CfuPerMl + Math.log10(1 - other.keeps),
      })),
      acidMmolPerKg: other.acidMmolPerKg * (1 - other.keeps),
    })),
  ].filter(({ hour }) => hour >= 0);
  return joinings.length > 0 ? { joinings } : {};
}

/**
 * Builds what the ensemble needs: the culture as dosed, and the temperature since inoculation: readings as the
 * past, Newton toward the place's ambient as the future. Readings also judge the place: a normal prior on its
 * bias (σ by kind) met by each quarter hour's residual (σ 0.5 K).
 * @param nowMs until then it stands where its present step has it, however long ago that should have been over
 * @returns `null` when nothing sours in it, or the dose does not say enough
 */
export function incubationOf(state: MakeState, walk: ThermalWalk, nowMs = 0): Incubation | null {
  // What was poured in from other makes joins it; it began without them.
  const begun: MakePlan =
    state.joined.length === 0 ? state.plan : { ...state.alone, factors: state.plan.factors };
  const plan = souringPlan({ ...state, plan: begun });
  const souring = souringOf(state);
  if (!souring) return null;
  const batch = batchOf(plan);
  const inoculum = inoculumFor(plan, state.dose);
  if (!inoculum) return null;
  const starterKg = state.dose.massKg ?? 0;
  const zeroMs = walk.inoculation.atMs;
  const startC =
    (walk.inoculation.celsius * batch.massKg + STARTER_C * starterKg) / (batch.massKg + starterKg);
  const factors = plan.factors ?? {};
  const step = souringStep(state.steps)?.step;
  const timedMin = step && souring.timedMin?.({ step: step.instance, goods: productOf(plan).goods });
  const leftAtMs = state.chilledAtMs ?? (timedMin === undefined ? null : zeroMs + timedMin * MINUTE_MS);
  const chillH = leftAtMs === null ? Number.POSITIVE_INFINITY : (leftAtMs - zeroMs) / HOUR_MS;
  const readings = state.temperatures
    .map((t) => ({ hour: (t.atMs - zeroMs) / HOUR_MS, celsius: t.celsius }))
    .filter((r) => r.hour >= 0 && r.hour <= chillH);
  const horizonH = souring.horizonH(plan);
  const expected = expectedCourse(
    plan,
    batch,
    { alone: begun, stays: state.stays },
    { startC, horizonH, zeroMs },
  );
  const { ambientC: bookAmbientC, tauH, sinceH, movedH } = expected;

  const biasSigmaC = placeSigmaC(plan);
  /** How much of its place's heat it has taken on. */
  const reached = (hour: number): number => 1 - Math.exp(-Math.max(0, hour - sinceH) / tauH);
  let precision = 1 / biasSigmaC ** 2;
  let weighted = 0;
  let countedH = Number.NEGATIVE_INFINITY;
  for (const { hour, celsius } of readings) {
    // Read elsewhere it says nothing of where it stands now.
    if (hour < sinceH || hour - countedH < COUNT_ONCE_H) continue;
    countedH = hour;
    const reach = reached(hour);
    precision += reach ** 2 / PLACE_READING_SIGMA_C ** 2;
    weighted += (reach * (celsius - expected.at(hour))) / PLACE_READING_SIGMA_C ** 2;
  }
  const offC = weighted / precision;
  const ambientC = bookAmbientC + offC;
  const ambientSigmaC = Math.sqrt(1 / precision);

  const known =
    readings.length > 0 && readings[0]!.hour < 0.1
      ? readings
      : [
          { hour: 0, celsius: startC },
          ...warming(expected.at, startC, { ambientC: bookAmbientC, horizonH }, readings[0]),
          ...readings,
        ];
  const bridged = overMoves(known, { movedH, horizonH }, expected.at);
  const lastKnown = known.at(-1)!;
  // Onward the milk follows the expected course, moved by what the readings said of the place; what they differ by
  // now fades with the place's own slowness.
  const likely = (hour: number): number => expected.at(hour) + offC * reached(hour);
  const gapC = lastKnown.celsius - likely(lastKnown.hour);
  const onward = (hour: number): number => likely(hour) + gapC * Math.exp(-(hour - lastKnown.hour) / tauH);
  const course: (readonly [number, number])[] = bridged.map((r) => [r.hour, r.celsius]);
  const drawn = Math.min(horizonH, chillH);
  for (let h = lastKnown.hour + 0.25; h < drawn; h += 0.25) course.push([h, onward(h)]);
  if (chillH < horizonH && standsTold(state)) {
    course.push(
      ...afterwards(state, walk, zeroMs, {
        fromH: Math.max(chillH, lastKnown.hour),
        leftH: chillH,
        horizonH,
        celsius: onward(Math.max(chillH, lastKnown.hour)),
        litres: batch.litres,
        nowMs,
      }),
    );
  } else if (chillH < horizonH) {
    const warmC = onward(Math.max(chillH, lastKnown.hour));
    const coldTauH = FRIDGE_TAU_H * Math.cbrt(batch.litres / 2);
    for (let h = Math.max(chillH, lastKnown.hour + 1e-3); h < horizonH; h += 0.25) {
      course.push([h, FRIDGE_C + (warmC - FRIDGE_C) * Math.exp(-(h - chillH) / coldTauH)]);
    }
  }

  const probedUntilH = readings.length > 0 ? readings.at(-1)!.hour : 0;
  const probedFromH = readings.length > 0 ? readings[0]!.hour : 0;
  const looseness = (hour: number): number => {
    if (readings.length === 0) return 1;
    // The first stretch before any reading stays a guess only when it is long.
    if (hour <= probedUntilH) return hour >= probedFromH || probedFromH <= UNREAD_START_H ? 0 : 1;
    return 1 - Math.exp(-(hour - probedUntilH) / tauH);
  };
  const wild = plan.starter.kind === 'none';
  const stepH = horizonH > 24 ? 0.2 : 0.1;
  return {
    horizonH,
    stepH,
    course,
    ambientC,
    ambientSigmaC,
    spec: {
      grid: sampleCourse({ kind: 'points', hoursAndCelsius: course }, horizonH, stepH, looseness),
      starts: groupStarts(inoculum),
      startAcidMmolPerKg: inoculum.startAcidMmolPerKg,
      ...joiningsOf(state, plan, zeroMs),
      plasmaSnfPercent: batch.plasmaSnfPercent,
      rate: Math.exp(factors.rate?.value ?? 0),
      spread: spreadOf({ wild, biasSigmaC: ambientSigmaC, kitchenLnRate: factors.rate?.sigma }),
    },
  };
}

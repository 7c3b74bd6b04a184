import { groupStarts, sampleCourse, spreadOf, type EnsembleSpec } from '../culture/index.ts';
import { PLACE_FACTS, placeAmbientC, placeTauH } from '../heat/index.ts';
import { batchOf, inoculumFor } from '../method/index.ts';
import type { MakeState } from './state.ts';
import type { ThermalWalk } from './thermal.ts';

const HOUR_MS = 3_600_000;
/** Refrigerator, °C, and how fast two litres follow it, h [F]. */
const FRIDGE_C = 4;
const FRIDGE_TAU_H = 2;
/** A starter straight from the refrigerator, °C. */
const STARTER_C = 5;
/** Scatter of one reading of a place's heat, K (docs/SCIENCE.md, learning). */
const PLACE_READING_SIGMA_C = 0.5;
/** Readings of one quarter of an hour count once when judging a place. */
const COUNT_ONCE_H = 0.25;
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

/** Horizon by culture: warm cultures are through in a day, room ones take days. */
function horizonFor(state: MakeState): number {
  if (state.plan.starter.kind === 'none') return 120;
  return ['fresh-yogurt', 'dried-yogurt', 'yogurt-whey'].includes(state.plan.starter.kind) ? 24 : 72;
}

/**
 * Builds what the ensemble needs: the culture as dosed, and the temperature since inoculation: readings as the
 * past, Newton toward the place's ambient as the future. Readings also judge the place: a normal prior on its
 * bias (σ by kind) met by each quarter hour's residual (σ 0.5 K).
 * @returns `null` when the dose does not say enough
 */
export function incubationOf(state: MakeState, walk: ThermalWalk): Incubation | null {
  const { plan } = state;
  const batch = batchOf(plan);
  const inoculum = inoculumFor(plan, state.dose);
  if (!inoculum) return null;
  const starterKg = state.dose.massKg ?? 0;
  const zeroMs = walk.inoculation.atMs;
  const startC =
    (walk.inoculation.celsius * batch.massKg + STARTER_C * starterKg) / (batch.massKg + starterKg);
  const bookAmbientC = placeAmbientC(plan.place, plan.roomC);
  const tauH = placeTauH(plan.place, batch.litres);
  const chillH =
    state.chilledAtMs === null ? Number.POSITIVE_INFINITY : (state.chilledAtMs - zeroMs) / HOUR_MS;
  const readings = state.temperatures
    .map((t) => ({ hour: (t.atMs - zeroMs) / HOUR_MS, celsius: t.celsius }))
    .filter((r) => r.hour >= 0 && r.hour <= chillH);

  const biasSigmaC = PLACE_FACTS[plan.place.kind].biasSigmaC;
  let precision = 1 / biasSigmaC ** 2;
  let weighted = 0;
  let countedH = Number.NEGATIVE_INFINITY;
  for (const { hour, celsius } of readings) {
    if (hour - countedH < COUNT_ONCE_H) continue;
    countedH = hour;
    const reach = 1 - Math.exp(-hour / tauH);
    const expected = bookAmbientC + (startC - bookAmbientC) * Math.exp(-hour / tauH);
    precision += reach ** 2 / PLACE_READING_SIGMA_C ** 2;
    weighted += (reach * (celsius - expected)) / PLACE_READING_SIGMA_C ** 2;
  }
  const ambientC = bookAmbientC + weighted / precision;
  const ambientSigmaC = Math.sqrt(1 / precision);

  const known =
    readings.length > 0 && readings[0]!.hour < 0.1 ? readings : [{ hour: 0, celsius: startC }, ...readings];
  const lastKnown = known.at(-1)!;
  const horizonH = horizonFor(state);
  const course: (readonly [number, number])[] = known.map((r) => [r.hour, r.celsius]);
  const drawn = Math.min(horizonH, chillH);
  for (let h = lastKnown.hour + 0.25; h < drawn; h += 0.25) {
    course.push([h, ambientC + (lastKnown.celsius - ambientC) * Math.exp(-(h - lastKnown.hour) / tauH)]);
  }
  if (chillH < horizonH) {
    const warmC =
      ambientC + (lastKnown.celsius - ambientC) * Math.exp(-Math.max(0, chillH - lastKnown.hour) / tauH);
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
      plasmaSnfPercent: batch.plasmaSnfPercent,
      rate: 1,
      spread: spreadOf({ wild, biasSigmaC: ambientSigmaC }),
    },
  };
}

import {
  HEAT_CUE_FACTS,
  markMs,
  markPh,
  markWords,
  roomAtC,
  SET_PH,
  souringOf,
  type BandForecast,
  type Cue,
  type MakeState,
  type PointForecast,
  HOUR_MS,
} from '@morning-crock/core';
import type { CurveData } from './curve-option.ts';
import type { Units } from '../data/units-of.ts';

const ROOM_STEP_MS = HOUR_MS / 2;
/** Drawn beyond what comes last. */
const MARGIN_MS = HOUR_MS / 2;
export const CUE_WORDS: Readonly<Record<Cue, string>> = {
  liquid: 'liquid',
  trembles: 'trembles',
  set: 'set',
  'whey-shows': 'whey showing',
  runs: 'runs',
  thick: 'thick',
  dollop: 'holds a dollop',
  curdled: 'curdled',
};

/** The room over the hours that are drawn, [ms, °C]. */
const roomCourse = ({ plan, startedAtMs }: MakeState, toMs: number): (readonly [number, number])[] =>
  Array.from(
    { length: Math.ceil((toMs - startedAtMs) / ROOM_STEP_MS) + 1 },
    (_, i): readonly [number, number] => {
      const ms = Math.min(toMs, startedAtMs + i * ROOM_STEP_MS);
      return [ms, roomAtC(plan, ms)];
    },
  );

/** How far the curve of a make goes by itself, whatever the time is. */
export function curveEndMs(state: MakeState, point: PointForecast, band: BandForecast['band']): number {
  const ends = [markMs(point, 'ready'), state.chilledAtMs, state.acidity.at(-1)?.atMs ?? null].filter(
    (ms) => ms !== null,
  );
  const lastBand = band.find((b) => b.p90 <= SET_PH - 0.2);
  // Before inoculation the heat is what matters: the long tail of the band would squeeze it into a corner.
  const bandEndMs =
    lastBand && state.inoculatedAtMs !== null ? point.inoculationMs + lastBand.hour * HOUR_MS : 0;
  return Math.max(state.startedAtMs + HOUR_MS, bandEndMs, ...ends) + MARGIN_MS;
}

/** What the curve of a make draws, from its state and forecast. @param seenToMs the present, which is in view; `null` for a record */
export function curveDataOf(
  state: MakeState,
  point: PointForecast,
  band: BandForecast['band'],
  seenToMs: number | null,
  units: Units,
): CurveData {
  const souring = souringOf(state);
  const toMs = Math.max(curveEndMs(state, point, band), (seenToMs ?? 0) + MARGIN_MS);
  return {
    temperature: point.temperature,
    ph: point.ph,
    band: band.map((b) => ({ atMs: point.inoculationMs + b.hour * HOUR_MS, p10: b.p10, p90: b.p90 })),
    temperatureDots: state.temperatures.map((t) => ({ atMs: t.atMs, value: t.celsius })),
    felt: state.felt.map(({ atMs, celsius, sigmaC }) => ({
      atMs,
      fromC: celsius - sigmaC,
      toC: celsius + sigmaC,
    })),
    phDots: state.acidity.flatMap((a) =>
      a.reading.kind === 'ph' ? [{ atMs: a.atMs, value: a.reading.ph }] : [],
    ),
    cueMarks: [
      ...state.acidity.flatMap((a) =>
        a.reading.kind === 'cue' ? [{ atMs: a.atMs, text: CUE_WORDS[a.reading.cue] }] : [],
      ),
      ...state.felt.map(({ atMs, cue }) => ({ atMs, text: HEAT_CUE_FACTS[cue].words })),
    ].sort((a, b) => a.atMs - b.atMs),
    setPh: (souring && markPh(souring, state.plan, 'body')) ?? SET_PH,
    setName: markWords(state, 'body').toLowerCase(),
    room: souring && state.plan.place.kind === 'room' ? roomCourse(state, toMs) : [],
    fromMs: state.startedAtMs,
    toMs,
    unit: units.temperatureUnit,
    time: (ms) => units.time(ms, ms),
  };
}

import { placeAmbientC } from '../science/heat/index.ts';
import { interpolateLinear } from '../science/numerics/index.ts';
import {
  createKernel,
  crossingH,
  sampleCourse,
  warmCulture,
  type EnsembleSpec,
} from '../science/souring/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import { incubationOf, souringOf, walkThermal, type MakeState } from '../make/index.ts';
import { roomC } from './crock.ts';
import type { PracticeWorld } from './world.ts';

/** Milk before anything sours in it. */
export const FRESH_PH = 6.65;
const FINE_STEP_H = 0.1;
const COARSE_STEP_H = 0.2;
/** Followed for longer than this, it is in longer steps, h. */
const LONG_H = 24;

/** The middle line of a souring along a course. */
function kernelLine(
  spec: EnsembleSpec,
  course: readonly (readonly [number, number])[],
  untilH: number,
  own: { readonly rate: number; readonly lag: number; readonly lnCells: number },
): { readonly stepH: number; readonly ph: Float64Array } {
  const stepH = untilH > LONG_H ? COARSE_STEP_H : FINE_STEP_H;
  const grid = sampleCourse({ kind: 'points', hoursAndCelsius: course }, Math.max(stepH, untilH), stepH);
  const starts = spec.starts.map((start) => ({
    ...start,
    log10CfuPerMl: start.log10CfuPerMl + own.lnCells / Math.LN10,
  }));
  const kernel = createKernel(grid, starts, spec.startAcidMmolPerKg, spec.joinings ?? []);
  const ph = new Float64Array(kernel.steps + 1);
  kernel.run(
    {
      rate: own.rate,
      log10Offset: 0,
      biasC: 0,
      lagFactor: own.lag,
      plasmaSnfPercent: spec.plasmaSnfPercent,
    },
    ph,
    0,
  );
  return { stepH, ph };
}

/** The rougher model: a sigmoid of acid whose pace halves for each 7 K, and falls off above what the culture likes. */
const ROUGH = { perK: 1 / 7, high: 6.55, fall: 2.35, steep: 5, halfPh: 5.4, longestH: 72 } as const;
const LIKES_UP_TO_C = { warm: 45, cool: 34 } as const;
const COURSE_STEP_H = 0.1;

/** Half its acid is made after as long as the own model takes at the planned place; fresh helpings make up for what did not live. */
function roughLine(
  world: PracticeWorld,
  state: MakeState,
  spec: EnsembleSpec,
  course: readonly (readonly [number, number])[],
  untilH: number,
): (hour: number) => number {
  const { plan, truth } = world;
  const plannedC = placeAmbientC(plan.place, roomC(world, world.startMs), 0);
  const usual = kernelLine({ ...spec, joinings: [] }, [[0, plannedC]], ROUGH.longestH, {
    rate: truth.rate,
    lag: truth.lag,
    lnCells: 0,
  });
  const halfH = Math.min(
    ROUGH.longestH,
    crossingH(usual.ph, 0, usual.ph.length - 1, usual.stepH, ROUGH.halfPh),
  );
  const likesC = LIKES_UP_TO_C[warmCulture(plan.starter.kind) ? 'warm' : 'cool'];
  const hours = course.map(([h]) => h);
  const celsius = course.map(([, c]) => c);
  const freshH = state.helpings[0]
    ? (state.helpings[0].atMs - (state.inoculatedAtMs ?? 0)) / HOUR_MS
    : Infinity;
  const progress: number[] = [0];
  // Few cells: what lives doubles about every forty minutes until they are as many as usual.
  let behindH = Math.max(0, -truth.lnCells) * 0.55;
  for (let h = 0; h < untilH; h += COURSE_STEP_H) {
    const c = interpolateLinear(hours, celsius, h);
    const pace =
      2 ** ((Math.min(c, likesC) - plannedC) * ROUGH.perK) *
      (c > likesC + 3 ? Math.max(0, 1 - (c - likesC - 3) / 4) : 1);
    if (h >= freshH) behindH = 0;
    if (behindH > 0) behindH -= COURSE_STEP_H * pace;
    progress.push(progress.at(-1)! + (behindH > 0 ? 0 : (COURSE_STEP_H * pace) / halfH));
  }
  const at = progress.map((_, i) => i * COURSE_STEP_H);
  return (hour) =>
    ROUGH.high - ROUGH.fall / (1 + Math.exp(-ROUGH.steep * (interpolateLinear(at, progress, hour) - 1)));
}

/**
 * How acid a batch truly is along the heat it truly has.
 * @param course [ms, °C] from its inoculation on
 * @returns pH at an instant; `null` where nothing sours
 */
export function truePh(
  world: PracticeWorld,
  state: MakeState,
  course: readonly (readonly [number, number])[],
): ((ms: number) => number) | null {
  const zeroMs = state.inoculatedAtMs;
  if (zeroMs === null || !souringOf(state)) return null;
  const own = course.filter(([ms]) => ms >= zeroMs);
  const [first] = own;
  if (!first) return null;
  const unread = { ...state, temperatures: [], felt: [], acidity: [] };
  const thermal = walkThermal(unread, zeroMs);
  const incubation = incubationOf(unread, {
    ...thermal,
    inoculation: { ...thermal.inoculation, atMs: zeroMs, celsius: first[1] },
  });
  if (!incubation) return null;
  const byHour = own.map(([ms, c]): readonly [number, number] => [(ms - zeroMs) / HOUR_MS, c]);
  const untilH = byHour.at(-1)![0];
  const { truth } = world;
  if (truth.rough) {
    const line = roughLine(world, state, incubation.spec, byHour, untilH);
    return (ms) => (ms < zeroMs ? FRESH_PH : line((ms - zeroMs) / HOUR_MS));
  }
  const { stepH, ph } = kernelLine(incubation.spec, byHour, untilH, truth);
  const hours = Float64Array.from(ph, (_, i) => i * stepH);
  return (ms) => (ms < zeroMs ? FRESH_PH : interpolateLinear(hours, ph, (ms - zeroMs) / HOUR_MS));
}

import { balanceOf, type VesselResult, type VesselRun } from './vessel.ts';

/** Milk on a plate that warms and cools slower than it is switched. */
export interface PlateRun extends VesselRun {
  /** How slowly the plate follows its switch, s, above 0. */
  readonly lagS: number;
  /** It is as hot as it gets already. */
  readonly hot: boolean;
}

export interface PlateResult extends VesselResult {
  /** When it is switched off so that the milk climbs on to the target, and how warm the milk is then. */
  readonly offMinutes: number;
  readonly offC: number;
}

const STEP_S = 4;
const HORIZON_S = 12 * 3600;
/** Past the peak the milk falls; until then a plate is coasted along for so long at most, in its own lags. */
const COAST_LAGS = 8;

/**
 * Warms milk on a plate that stays hot after it is switched off, which is done early enough that the milk just climbs to
 * the target: what the plate gives follows the switch with its lag (first order). Source: docs/SCIENCE.md, heating.
 * @param targetC the highest temperature the milk shall come to
 * @throws RangeError for no milk, or a lag that is not positive
 * @example heatOnPlate({ composition, litres: 2, startC: 5, airC: 20, lidded: false, powerKw: 0.45, lagS: 150, hot: false }, 85).offC // about 78
 */
export function heatOnPlate(run: PlateRun, targetC: number): PlateResult {
  if (!(run.lagS > 0)) throw new RangeError('a plate follows its switch with some delay');
  const fullKw = run.powerKw ?? 0;
  const losses = balanceOf({ ...run, powerKw: 0 });
  const decay = Math.exp(-STEP_S / run.lagS);
  const step = (celsius: number, kw: number): number => {
    const first = losses(celsius, kw);
    const half = losses(celsius + (STEP_S / 2) * first.rate, kw);
    return celsius + STEP_S * half.rate;
  };
  /** The way of the milk once the plate is off, until it falls. */
  const coast = (fromC: number, fromKw: number): (readonly [number, number])[] => {
    const way: (readonly [number, number])[] = [[0, fromC]];
    let [celsius, kw] = [fromC, fromKw];
    for (let s = STEP_S; s <= COAST_LAGS * run.lagS; s += STEP_S) {
      kw *= decay;
      const next = step(celsius, kw);
      if (next <= celsius) break;
      celsius = next;
      way.push([s, celsius]);
    }
    return way;
  };
  const points: (readonly [number, number])[] = [[0, run.startC]];
  let [celsius, kw, evaporatedKg] = [run.startC, run.hot ? fullKw : 0, 0];
  const done = (outcome: VesselResult['outcome'], offS: number, offC: number): PlateResult => {
    const last = points.at(-1)!;
    return {
      outcome,
      minutes: outcome === 'reached' ? last[0] / 60 : Number.POSITIVE_INFINITY,
      secondsAndCelsius: points,
      evaporatedKg,
      offMinutes: offS / 60,
      offC,
    };
  };
  if (run.startC >= targetC) return done('reached', 0, run.startC);
  for (let s = 0; s < HORIZON_S; s += STEP_S) {
    const onward = coast(celsius, kw);
    if (onward.at(-1)![1] >= targetC) {
      const offC = celsius;
      for (const [after, c] of onward.slice(1)) {
        points.push([s + after, Math.min(c, targetC)]);
        if (c >= targetC) break;
      }
      return done('reached', s, offC);
    }
    kw = fullKw + (kw - fullKw) * decay;
    evaporatedKg += STEP_S * losses(celsius, kw).evaporation;
    const next = step(celsius, kw);
    // It stands still although the plate gives all it has.
    if (next - celsius < 1e-5 && kw > 0.99 * fullKw) break;
    celsius = next;
    points.push([s + STEP_S, celsius]);
  }
  return done('never', points.at(-1)![0], celsius);
}

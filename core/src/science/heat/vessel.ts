import type { Composition } from '../milk/index.ts';
import { potOfMilk } from './pot.ts';
import { saturationPressurePa } from './boiling.ts';

/** Heat loss of a still vessel, W/(m²·K) [F]. */
const SIDE_W_PER_M2_K = 12;
const TOP_W_PER_M2_K = 8;
/** Pa/K: turns the top's heat loss into its evaporation (psychrometric constant). */
const PSYCHROMETER_PA_PER_K = 66;
const ROOM_HUMIDITY = 0.5;
const EVAPORATION_KJ_PER_KG = 2257;
/** Share of a burner's power that reaches the milk until the kitchen's own is known [F]. */
export const BURNER_EFFICIENCY = 0.5;
/** A common burner, kW [F]. */
export const DEFAULT_BURNER_KW = 1.8;

export interface VesselRun {
  readonly composition: Composition;
  readonly litres: number;
  /** Inner width of the pan, when somebody measured it. */
  readonly widthM?: number | undefined;
  readonly startC: number;
  readonly airC: number;
  readonly lidded: boolean;
  /** Power into the milk (already times its efficiency), kW; 0 to cool. */
  readonly powerKw?: number;
  /** Multiplies every loss; learned per pot. 1 = the book. */
  readonly lossFactor?: number;
}

export interface VesselResult {
  readonly outcome: 'reached' | 'never';
  /** Minutes to the target; Infinity when it is never reached. */
  readonly minutes: number;
  /** Temperature course, one point each `stepS`, from 0 to the target. */
  readonly secondsAndCelsius: readonly (readonly [number, number])[];
  readonly evaporatedKg: number;
}

/**
 * Heat balance of milk standing as a cylinder in its pan.
 * @returns dT/dt in K/s and evaporation in kg/s at a temperature, with some power into the milk, kW; left out, the run's own
 */
export function balanceOf(
  run: VesselRun,
): (temperatureC: number, powerKw?: number) => { rate: number; evaporation: number } {
  const { sideM2, topM2, heatJPerK } = potOfMilk(run.composition, run.litres, run.widthM);
  const airVapourPa = ROOM_HUMIDITY * saturationPressurePa(run.airC);
  const lossWPerK = SIDE_W_PER_M2_K * sideM2 + TOP_W_PER_M2_K * topM2;
  const factor = run.lossFactor ?? 1;
  const ownKw = run.powerKw ?? 0;
  return (temperatureC, powerKw = ownKw) => {
    const evaporationW = run.lidded
      ? 0
      : Math.max(
          0,
          (TOP_W_PER_M2_K / PSYCHROMETER_PA_PER_K) *
            topM2 *
            (saturationPressurePa(temperatureC) - airVapourPa),
        ) * factor;
    const lossW = factor * lossWPerK * (temperatureC - run.airC) + evaporationW;
    return {
      rate: (1000 * powerKw - lossW) / heatJPerK(temperatureC),
      evaporation: evaporationW / 1000 / EVAPORATION_KJ_PER_KG,
    };
  };
}

/**
 * The power that keeps milk at a heat against its losses, kW into the milk; 0 where it is no warmer than the air.
 * Valid as `runVessel`. @example keepingPowerKw({ composition, litres: 4, startC: 85, airC: 20, lidded: false }, 85) // about 0.3
 */
export function keepingPowerKw(run: VesselRun, celsius: number): number {
  if (!(run.litres > 0)) throw new RangeError('litres must be above 0');
  const { heatJPerK } = potOfMilk(run.composition, run.litres, run.widthM);
  const { rate } = balanceOf({ ...run, powerKw: 0 })(celsius);
  return Math.max(0, (-rate * heatJPerK(celsius)) / 1000);
}

/**
 * Warms or cools a pot of milk until a temperature, by the lumped heat balance (RK4).
 * Source: docs/SCIENCE.md, heating and cooling. Valid for 0.2–40 L, −5…110 °C; the vessel's own heat is ignored.
 * @param untilC where to stop
 * @throws RangeError for a volume that is not positive
 * @example runVessel({ composition, litres: 3.8, startC: 88, airC: 21, lidded: false }, 46).minutes // about 65
 */
export function runVessel(run: VesselRun, untilC: number): VesselResult {
  if (!(run.litres > 0)) throw new RangeError('litres must be above 0');
  const balance = balanceOf(run);
  const direction = Math.sign(untilC - run.startC);
  const points: (readonly [number, number])[] = [[0, run.startC]];
  if (direction === 0) return { outcome: 'reached', minutes: 0, secondsAndCelsius: points, evaporatedKg: 0 };
  const horizonS = 48 * 3600;
  // Fine enough for half a litre on a strong burner, coarse enough for forty litres cooling all day.
  const stepS = Math.min(60, Math.max(2, 0.5 / Math.abs(balance(run.startC).rate || 1e-3)));
  let temperatureC = run.startC;
  let evaporatedKg = 0;
  for (let seconds = 0; seconds < horizonS; seconds += stepS) {
    const k1 = balance(temperatureC);
    if (k1.rate * direction <= 0) break;
    const k2 = balance(temperatureC + (stepS / 2) * k1.rate);
    const k3 = balance(temperatureC + (stepS / 2) * k2.rate);
    const k4 = balance(temperatureC + stepS * k3.rate);
    const next = temperatureC + (stepS / 6) * (k1.rate + 2 * k2.rate + 2 * k3.rate + k4.rate);
    const share = (untilC - temperatureC) / (next - temperatureC);
    if (share >= 0 && share <= 1) {
      const atS = seconds + share * stepS;
      points.push([atS, untilC]);
      evaporatedKg += share * stepS * k1.evaporation;
      return { outcome: 'reached', minutes: atS / 60, secondsAndCelsius: points, evaporatedKg };
    }
    evaporatedKg += (stepS / 6) * (k1.evaporation + 2 * k2.evaporation + 2 * k3.evaporation + k4.evaporation);
    if (Math.abs(next - temperatureC) < 1e-7) break;
    temperatureC = next;
    points.push([seconds + stepS, temperatureC]);
  }
  return { outcome: 'never', minutes: Number.POSITIVE_INFINITY, secondsAndCelsius: points, evaporatedKg };
}

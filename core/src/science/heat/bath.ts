import type { Composition } from '../milk/index.ts';
import { potOfMilk } from './pot.ts';

/** Heat passed by a pot standing in water, W/(m²·K): left still, or stirred now and then [F]. */
const BATH_W_PER_M2_K = { still: 150, stirred: 300 } as const;
const TOP_W_PER_M2_K = 8;
const WATER_KJ_PER_KG_K = 4.18;
const MELTING_KJ_PER_KG = 334;
/** The bath is left this much cooler than the milk at the end when ice is reckoned, K: else it never gets there. */
const BATH_BELOW_TARGET_C = 8;
const HORIZON_S = 6 * 3600;

/** A pot of milk standing in cold water. */
export interface BathRun {
  readonly composition: Composition;
  readonly litres: number;
  /** Inner width of the pan, when somebody measured it. */
  readonly widthM?: number | undefined;
  readonly startC: number;
  readonly targetC: number;
  readonly airC: number;
  readonly waterLitres: number;
  readonly waterC: number;
  readonly iceKg: number;
  readonly stirred: boolean;
}

export interface BathResult {
  readonly outcome: 'reached' | 'too-warm';
  /** Minutes to the target; Infinity when the bath is too warm or too small. */
  readonly minutes: number;
  readonly bathEndC: number;
  /** Ice not yet melted at the end, kg. */
  readonly iceLeftKg: number;
  /** Heat the milk gave off, kJ. */
  readonly heatKj: number;
  readonly secondsAndCelsius: readonly (readonly [number, number])[];
}

/** Bath temperature and ice left at an enthalpy (0 = all water at 0 °C). */
function bathAt(enthalpyKj: number, massKg: number): { celsius: number; iceKg: number } {
  return enthalpyKj < 0
    ? { celsius: 0, iceKg: -enthalpyKj / MELTING_KJ_PER_KG }
    : { celsius: enthalpyKj / (massKg * WATER_KJ_PER_KG_K), iceKg: 0 };
}

/**
 * Cools milk in a water bath that warms by the heat it takes; ice holds it at 0 °C until it is gone.
 * Source: docs/SCIENCE.md, heating and cooling. Valid for 0.2–40 L. What is as cold already is there at once.
 * @throws RangeError for no water at all
 * @example coolInBath({ …, litres: 4, startC: 85, targetC: 44, waterLitres: 8, waterC: 12, iceKg: 0 }).minutes
 */
export const coolInBath = (run: BathRun): BathResult =>
  bringInBath(run.startC <= run.targetC ? { ...run, targetC: run.startC } : run);

/**
 * Brings milk or cream to a heat in a water bath, warmer or colder than it is.
 * @throws RangeError for no water at all
 * @example bringInBath({ …, litres: 4, startC: 85, targetC: 44, waterLitres: 8, waterC: 12, iceKg: 0 }).minutes
 */
export function bringInBath(run: BathRun): BathResult {
  if (!(run.waterLitres + run.iceKg > 0)) throw new RangeError('a bath needs water or ice');
  const { sideM2, topM2, heatJPerK } = potOfMilk(run.composition, run.litres, run.widthM);
  const bathKg = run.waterLitres + run.iceKg;
  const sideW = BATH_W_PER_M2_K[run.stirred ? 'stirred' : 'still'] * sideM2;
  const topW = TOP_W_PER_M2_K * topM2;
  let enthalpyKj = run.waterLitres * WATER_KJ_PER_KG_K * run.waterC - run.iceKg * MELTING_KJ_PER_KG;
  let celsius = run.startC;
  let heatKj = 0;
  const points: (readonly [number, number])[] = [[0, celsius]];
  const end = (outcome: BathResult['outcome'], seconds: number): BathResult => {
    const bath = bathAt(enthalpyKj, bathKg);
    return {
      outcome,
      minutes: outcome === 'reached' ? seconds / 60 : Number.POSITIVE_INFINITY,
      bathEndC: bath.celsius,
      iceLeftKg: bath.iceKg,
      heatKj,
      secondsAndCelsius: points,
    };
  };
  const cools = run.startC > run.targetC;
  if (run.startC === run.targetC) return end('reached', 0);
  const stepS = 2;
  for (let seconds = 0; seconds < HORIZON_S; seconds += stepS) {
    const bath = bathAt(enthalpyKj, bathKg);
    const intoBathW = sideW * (celsius - bath.celsius);
    const lossW = intoBathW + topW * (celsius - run.airC);
    const fall = (lossW * stepS) / heatJPerK(celsius);
    if (cools ? fall < 1e-6 : fall > -1e-6) return end('too-warm', seconds);
    const share = Math.min(1, (celsius - run.targetC) / fall);
    enthalpyKj += (share * intoBathW * stepS) / 1000;
    heatKj += (share * lossW * stepS) / 1000;
    celsius -= share * fall;
    points.push([seconds + share * stepS, celsius]);
    if (cools ? celsius <= run.targetC + 1e-9 : celsius >= run.targetC - 1e-9)
      return end('reached', seconds + share * stepS);
  }
  return end('too-warm', HORIZON_S);
}

/**
 * Ice to have ready so that a bath ends well below the milk: (heat to remove − what the water takes) /
 * (334 kJ/kg + 4.18·T_end); 0 when the water alone is enough. Source: docs/SCIENCE.md, heating and cooling.
 * @returns kg of ice
 */
export function iceNeededKg(run: Omit<BathRun, 'iceKg' | 'stirred'>): number {
  const { massKg, heatJPerK } = potOfMilk(run.composition, run.litres);
  if (run.startC <= run.targetC || massKg <= 0) return 0;
  const heatKj = (heatJPerK((run.startC + run.targetC) / 2) / 1000) * (run.startC - run.targetC);
  const endC = Math.max(0, run.targetC - BATH_BELOW_TARGET_C);
  const waterKj = run.waterLitres * WATER_KJ_PER_KG_K * (endC - run.waterC);
  return Math.max(0, (heatKj - waterKj) / (MELTING_KJ_PER_KG + WATER_KJ_PER_KG_K * endC));
}

import type { Treatment } from '../milk/index.ts';
import { CHURN_FACTS, SPEED_FACTOR, type ChurnKind, type ChurnSpeed } from './churns.ts';

/** Cream, or a whole curd, as it goes into the churn. */
export interface Churning {
  readonly churn: ChurnKind;
  readonly speed: ChurnSpeed;
  readonly startC: number;
  /** 0..1 of what is churned. */
  readonly fatFraction: number;
  /** Share of the churn that is full, 0..1. */
  readonly fillFraction: number;
  readonly litres: number;
  readonly roomC: number;
  /** Soured to pH 5 or below. */
  readonly ripened: boolean;
  /** Soured milk churned whole, its cream not taken off. */
  readonly wholeCurd: boolean;
  readonly treatment: Treatment;
  /** Kept at 8 °C or colder for four hours since it was last above 20 °C. */
  readonly agedCold: boolean;
}

/** When it breaks, how warm it is then, and what stays behind. */
export interface ChurnForecast {
  readonly minutes: number;
  readonly breakC: number;
  /** Fat left in the buttermilk, 0..1. */
  readonly buttermilkFatFraction: number;
}

/** The heat of the reference, °C, and how much a kelvin more shortens the time, ln. */
const REFERENCE_C = 14;
const PER_KELVIN = 0.2;
const REFERENCE_FAT = 0.35;
/** A whole curd churns as cream of this fat [F]. */
const CURD_FAT = 0.2;
const RIPENED = 0.7;
const ULTRA_HEATED = 1.5;
/** The room's pull on a litre in the churn, min. */
const ROOM_MIN = 108;
const SLOWEST_C_PER_MIN = 0.02;
/** Not aged cold, part of the fat is liquid and stays behind [F]. */
const NOT_AGED = 1.5;

/** Where churning begins best, °C: sweet cream, and ripened. */
export const CHURN_WINDOW_C = { sweet: [10, 14], ripened: [12, 16] } as const;
/** Fat of butter worked by hand. */
export const HAND_WORKED_FAT = 0.81;
/** Scatter of one churning about the book, σ of ln: motors at low speed are known least [F]. */
const LN_SIGMA = { usual: 0.4, lowSpeed: 0.7 };
/** P10 and P90 of a normal, in σ. */
const Z90 = 1.2816;

/** How far a churning's time may be off the book's, one σ of ln. */
export function churnLnSigma({ churn, speed }: Pick<Churning, 'churn' | 'speed'>): number {
  return CHURN_FACTS[churn].motor && speed === 'low' ? LN_SIGMA.lowSpeed : LN_SIGMA.usual;
}

/** By how much the time may be longer or shorter, as a factor: P10 to P90. */
export const churnSpread = (churning: Pick<Churning, 'churn' | 'speed'>): number =>
  Math.exp(Z90 * churnLnSigma(churning));

/** Minutes it would take if it stayed as warm as it began. */
function minutesAtStart(c: Churning): number {
  const { referenceMin, motor } = CHURN_FACTS[c.churn];
  const fat = c.wholeCurd ? CURD_FAT : c.fatFraction;
  return (
    referenceMin *
    (motor ? SPEED_FACTOR[c.speed] : 1) *
    Math.exp(-PER_KELVIN * (c.startC - REFERENCE_C)) *
    (REFERENCE_FAT / fat) ** 0.8 *
    (1 + 4 * Math.max(0, c.fillFraction - 0.5)) *
    (c.ripened ? RIPENED : 1) *
    (c.treatment === 'ultra-heated' ? ULTRA_HEATED : 1)
  );
}

/** Fat left in the buttermilk by the heat at the break. */
function leftBehind({ wholeCurd, agedCold }: Churning, breakC: number): number {
  if (wholeCurd) return Math.min(0.035, Math.max(0.008, 0.02 * Math.exp(0.05 * (breakC - 16))));
  return Math.max(0.0025, 0.0035 * Math.exp(0.16 * (breakC - 11))) * (agedCold ? 1 : NOT_AGED);
}

/**
 * When cream breaks: warmer cream breaks sooner and warms meanwhile, by the work and by the room, so the time is that of
 * a pace that grows exponentially. The middle of a wide band: σ of ln 0.4 until the kitchen's own churnings are known.
 * Source: docs/SCIENCE.md, butter [F]. Valid for 8–20 °C; above it comes greasy and may not break at all.
 * @throws RangeError for litres or fat that are not positive
 * @example churnForecast({ churn: 'crank', startC: 13, fatFraction: 0.35, litres: 1.2, roomC: 18, … }).minutes // 19.9
 */
export function churnForecast(churning: Churning): ChurnForecast {
  const { churn, startC, roomC, litres, fatFraction } = churning;
  if (!(litres > 0)) throw new RangeError('litres must be above 0');
  if (!(fatFraction > 0)) throw new RangeError('fat must be above 0');
  const warmsCPerMin = Math.max(
    SLOWEST_C_PER_MIN,
    CHURN_FACTS[churn].warmsCPerMin + (roomC - startC) / (ROOM_MIN * Math.cbrt(litres)),
  );
  const pace = PER_KELVIN * warmsCPerMin;
  const minutes = Math.log1p(pace * minutesAtStart(churning)) / pace;
  const breakC = startC + warmsCPerMin * minutes;
  return { minutes, breakC, buttermilkFatFraction: leftBehind(churning, breakC) };
}

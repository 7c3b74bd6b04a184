import type { Treatment } from '../milk/index.ts';
import {
  CHURN_FACTS,
  settingFactor,
  SPEED_FACTOR,
  type ChurnKind,
  type ChurnSetting,
  type ChurnSpeed,
} from './churns.ts';
import { creamSourness } from './cream-sourness.ts';
import { Z90 } from '../numerics/index.ts';

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
  /** How far it is from sweet to ripened, 0..1; left out, `ripened` says. */
  readonly sourness?: number | undefined;
  /** Ripened cream that stands as a dollop. */
  readonly thick?: boolean | undefined;
  /** Which of a machine's settings it is at; left out, its speed says. */
  readonly setting?: ChurnSetting | undefined;
  /** Soured milk churned whole, its cream not taken off. */
  readonly wholeCurd: boolean;
  readonly treatment: Treatment;
  /** What this churn's own churnings taught: how many times as long as the book it takes, and one σ of ln of that. */
  readonly own?: { readonly slower: number; readonly lnSigma: number };
  /** Kept at 8 °C or colder for four hours since it was last above 20 °C. */
  readonly agedCold: boolean;
  /** What the animals were fed on; left out when nobody knows. */
  readonly feed?: Feed | undefined;
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
export const PER_KELVIN = 0.2;
const REFERENCE_FAT = 0.35;
/** A whole curd churns as cream of this fat [F]. */
const CURD_FAT = 0.2;
const RIPENED = 0.7;
/** Ripened cream so thick that a spoon of it stands breaks in a quarter of the time again [F]. */
const THICK = 0.25;
const ULTRA_HEATED = 1.5;
/** The room's pull on a litre in the churn, min. */
const ROOM_MIN = 108;
const SLOWEST_C_PER_MIN = 0.02;
/** How much more fat stays behind for each kelvin at the break, ln [F]. */
export const FAT_LEFT_PER_K = 0.16;
/** Not aged cold, part of the fat is liquid and stays behind [F]. */
const NOT_AGED = 1.5;

/** What the animals were fed on. */
export const FEEDS = ['grass', 'hay'] as const;
export type Feed = (typeof FEEDS)[number];
/** Where churning begins best, °C: sweet cream, and ripened, of hay or nobody knows what; soured milk churned whole [judgement]. */
const WINDOW_C = { sweet: [10, 14], ripened: [12, 16], whole: [15, 19] } as const;
/** Grass makes softer fat: it is churned this much colder, K. */
const GRASS_COLDER_K = 1.5;

/**
 * Where churning begins best, °C: from and to.
 * @example churnWindowC({ soured: true, feed: 'grass' }) // [10.5, 14.5]
 */
export function churnWindowC(cream: {
  readonly soured?: boolean | undefined;
  readonly ph?: number | undefined;
  readonly feed?: Feed | undefined;
  readonly wholeCurd?: boolean | undefined;
}): readonly [number, number] {
  const sour = creamSourness(cream);
  const colder = cream.feed === 'grass' ? GRASS_COLDER_K : 0;
  if (cream.wholeCurd) return [WINDOW_C.whole[0] - colder, WINDOW_C.whole[1] - colder];
  const between = (i: 0 | 1): number => (1 - sour) * WINDOW_C.sweet[i] + sour * WINDOW_C.ripened[i] - colder;
  return [between(0), between(1)];
}
/** Fat of butter worked by hand. */
export const HAND_WORKED_FAT = 0.81;
/**
 * Scatter of a churn nobody has used here about the book, σ of ln [F]. Of motors little is known: the lowest setting has
 * taken a minute with thick ripened cream, and over an hour with thin sweet cream.
 */
const LN_SIGMA = { hands: 0.4, motor: 0.6, lowest: 1 };
/** From churning to churning in one churn, that learning never takes away. */
export const ONE_LN_SIGMA = 0.2;

/** How far a churning's time may be off the book's, one σ of ln. */
export function churnLnSigma(churning: Pick<Churning, 'churn' | 'speed' | 'setting' | 'own'>): number {
  const { own } = churning;
  return own ? Math.hypot(own.lnSigma, ONE_LN_SIGMA) : churnPriorLnSigma(churning);
}

/** The same before anything was churned in it. */
export function churnPriorLnSigma({
  churn,
  speed,
  setting,
}: Pick<Churning, 'churn' | 'speed' | 'setting'>): number {
  if (!CHURN_FACTS[churn].motor) return LN_SIGMA.hands;
  const lowest = setting ? setting.at === 1 && setting.of > 1 : speed === 'low';
  return lowest ? LN_SIGMA.lowest : LN_SIGMA.motor;
}

/** By how much the time may be longer or shorter, as a factor: P10 to P90. */
export const churnSpread = (churning: Pick<Churning, 'churn' | 'speed' | 'setting' | 'own'>): number =>
  Math.exp(Z90 * churnLnSigma(churning));

/** Minutes it would take if it stayed as warm as it began. */
export function minutesAtStart(c: Churning): number {
  const { referenceMin, motor } = CHURN_FACTS[c.churn];
  const fat = c.wholeCurd ? CURD_FAT : c.fatFraction;
  return (
    referenceMin *
    (motor ? (c.setting ? settingFactor(c.setting) : SPEED_FACTOR[c.speed]) : 1) *
    Math.exp(-PER_KELVIN * (c.startC - REFERENCE_C)) *
    (REFERENCE_FAT / fat) ** 0.8 *
    (1 + 4 * Math.max(0, c.fillFraction - 0.5)) *
    RIPENED ** (c.sourness ?? (c.ripened ? 1 : 0)) *
    (c.thick ? THICK : 1) *
    (c.treatment === 'ultra-heated' ? ULTRA_HEATED : 1) *
    (c.own?.slower ?? 1)
  );
}

/** Warmer than this nobody has measured what is left behind: it is taken to be as much as here, °C [judgement]. */
const WARMEST_BREAK_C = 24;

/** Fat left in the buttermilk by the heat at the break, 0..1. */
export function leftBehind({ wholeCurd, agedCold }: Churning, brokeC: number): number {
  const breakC = Math.min(WARMEST_BREAK_C, brokeC);
  if (wholeCurd) return Math.min(0.035, Math.max(0.008, 0.02 * Math.exp(0.05 * (breakC - 16))));
  return Math.max(0.0025, 0.0035 * Math.exp(FAT_LEFT_PER_K * (breakC - 11))) * (agedCold ? 1 : NOT_AGED);
}

/**
 * When cream breaks: warmer cream breaks sooner and warms meanwhile, by the work and by the room, so the time is that of
 * a pace that grows exponentially. The middle of a wide band: σ of ln 0.4 until the kitchen's own churnings are known.
 * Source: docs/SCIENCE.md, butter [F]. Valid for 8–20 °C; above it comes greasy and may not break at all.
 * @throws RangeError for litres or fat that are not positive
 * @example churnForecast({ churn: 'crank', startC: 13, fatFraction: 0.35, litres: 1.2, roomC: 18, … }).minutes // 19.9
 */
export function churnForecast(churning: Churning): ChurnForecast {
  const { litres, fatFraction, startC } = churning;
  if (!(litres > 0)) throw new RangeError('litres must be above 0');
  if (!(fatFraction > 0)) throw new RangeError('fat must be above 0');
  const { minutes, breakC } = churnOnward(churning, startC, 1);
  return { minutes, breakC, buttermilkFatFraction: leftBehind(churning, breakC) };
}

/** How fast the room warms what stands in the churn, °C/min; below 0 where it cools it. */
export const roomPull = ({ roomC, litres }: Pick<Churning, 'roomC' | 'litres'>, celsius: number): number =>
  (roomC - celsius) / (ROOM_MIN * Math.cbrt(litres));

/** How fast it warms by the work and by the room, °C/min. */
export const warmsAt = ({ churn, setting, roomC, litres }: Churning, celsius: number): number =>
  Math.max(
    SLOWEST_C_PER_MIN,
    // Slower, it beats less heat into the cream.
    CHURN_FACTS[churn].warmsCPerMin / Math.max(1, setting ? settingFactor(setting) : 1) +
      roomPull({ roomC, litres }, celsius),
  );

/**
 * How long it goes on from some heat, and how warm it is when it breaks.
 * @param left share of the work that is left, times how much slower than the book this cream is; above 0
 * @example churnOnward(churning, churning.startC, 1).minutes // as churnForecast has it
 */
export function churnOnward(
  churning: Churning,
  celsius: number,
  left: number,
): { readonly minutes: number; readonly breakC: number } {
  const warmsCPerMin = warmsAt(churning, celsius);
  const pace = PER_KELVIN * warmsCPerMin;
  const work = minutesAtStart({ ...churning, startC: celsius });
  const minutes = Math.log1p(pace * left * work) / pace;
  return { minutes, breakC: celsius + warmsCPerMin * minutes };
}

import { leastSquares } from '../numerics/index.ts';
import type { MilkKind } from './composition.ts';

/** One day's milk of an animal or herd: days since it came into milk, litres. */
export type DayOfMilk = readonly [dayInMilk: number, litres: number];

/**
 * A lactation curve y = a·t^b·e^(−c·t), t in days since birth of the young, y in litres a day.
 * Source: Wood (1967), Algebraic model of the lactation curve in cattle, Nature 216:164.
 */
export interface Lactation {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  /** One standard deviation of a day about the curve, in ln. */
  readonly dayLnSigma: number;
  readonly days: number;
  readonly peakDay: number;
  readonly peakLitres: number;
  /** Variance of ln y at a day: what the fit does not know, without the day's own scatter. */
  lnVariance(dayInMilk: number): number;
}

/** Shape believed before any milking [F]: cows rise for two months and fall slowly, ewes fall four times as fast. */
const SHAPES: Readonly<Partial<Record<MilkKind, { b: number; c: number }>>> = {
  ewe: { b: 0.22, c: 0.011 },
  goat: { b: 0.22, c: 0.0045 },
};
const COW_SHAPE = { b: 0.2, c: 0.0033 };
const SHAPE_SPREAD = { b: 0.1, cOfC: 0.5 };
/** Scatter of one day's milk in ln, until the days say it themselves. */
const USUAL_DAY_SIGMA = 0.12;

/** Litres a day at a day in milk. */
export function litresOnDay({ a, b, c }: Pick<Lactation, 'a' | 'b' | 'c'>, dayInMilk: number): number {
  const t = Math.max(0.5, dayInMilk);
  return a * t ** b * Math.exp(-c * t);
}

/**
 * Fits a lactation curve to days of milk, in ln, with the species' usual shape as the belief before: few days give
 * the usual shape at their height, many days their own.
 * @returns `null` with fewer than five days of milk
 */
export function fitLactation(days: readonly DayOfMilk[], kind: MilkKind): Lactation | null {
  const used = days.filter(([t, y]) => t > 0 && y > 0);
  if (used.length < 5) return null;
  const shape = SHAPES[kind] ?? COW_SHAPE;
  const prior = {
    b: { mean: shape.b, sigma: SHAPE_SPREAD.b },
    c: { mean: shape.c, sigma: SHAPE_SPREAD.cOfC * shape.c },
  };
  const rest = used.map(([t, y]) => Math.log(y) - shape.b * Math.log(t) + shape.c * t);
  const lnA0 = rest.reduce((sum, v) => sum + v, 0) / rest.length;
  const solve = (sigma: number) =>
    leastSquares(
      ([lnA = 0, b = 0, c = 0]) =>
        used.map(([t, y]) => (lnA + b * Math.log(t) - c * t - Math.log(y)) / sigma),
      [lnA0, shape.b, shape.c],
      { priors: [{ mean: lnA0, sigma: 5 }, prior.b, prior.c], steps: [1e-4, 1e-4, 1e-6] },
    );
  const first = solve(USUAL_DAY_SIGMA);
  const [l1 = 0, b1 = 0, c1 = 0] = first.parameters;
  const squares = used.reduce((sum, [t, y]) => sum + (l1 + b1 * Math.log(t) - c1 * t - Math.log(y)) ** 2, 0);
  const dayLnSigma = Math.max(0.02, Math.sqrt(squares / Math.max(1, used.length - 3)));
  const fit = solve(dayLnSigma);
  const [lnA = 0, b = 0, c = 0] = fit.parameters;
  const { covariance } = fit;
  const curve = { a: Math.exp(lnA), b, c };
  const peakDay = b > 0 && c > 0 ? b / c : 0;
  return {
    ...curve,
    dayLnSigma,
    days: used.length,
    peakDay,
    peakLitres: litresOnDay(curve, peakDay),
    lnVariance: (dayInMilk) => {
      const t = Math.max(0.5, dayInMilk);
      const g = [1, Math.log(t), -t];
      return g.reduce(
        (sum, gi, i) => sum + g.reduce((inner, gj, j) => inner + gi * gj * (covariance[i]?.[j] ?? 0), 0),
        0,
      );
    },
  };
}

/** Middle and P10–P90 of the litres on a day in milk, its own scatter included. */
export function expectedLitres(
  curve: Lactation,
  dayInMilk: number,
): { p10: number; p50: number; p90: number } {
  const p50 = litresOnDay(curve, dayInMilk);
  const reach = Math.exp(1.28 * Math.sqrt(curve.lnVariance(dayInMilk) + curve.dayLnSigma ** 2));
  return { p10: p50 / reach, p50, p90: p50 * reach };
}

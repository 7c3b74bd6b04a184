import { weightedQuantiles } from '../science/numerics/index.ts';

/** Below this many points nothing is said of a trend. */
const FEWEST = 6;
/** Pairs grow with the square of the points: of many, so many are taken, evenly. */
const MOST = 500;
/** So far from chance, in σ of Kendall's count, a trend is spoken of: one in twenty would come by chance. */
const SURE_SIGMA = 1.96;

/** Whether something goes up or down with something else. */
export interface Trend {
  readonly outcome: 'too-few' | 'steady' | 'up' | 'down';
  /** Middle of the slopes between all pairs (Theil and Sen): a wild one moves it little. */
  readonly slope: number;
  /** Middle of all values. */
  readonly middle: number;
  readonly points: number;
}

const middleOf = (values: readonly number[]): number =>
  values.length === 0 ? Number.NaN : weightedQuantiles(values, null, [0.5])[0]!;

/** Variance of Kendall's count when there is no trend, with ties in x and in y [Kendall]. */
function countVariance(xs: readonly number[], ys: readonly number[]): number {
  const n = xs.length;
  const ties = (values: readonly number[]): number[] => {
    const many = new Map<number, number>();
    for (const value of values) many.set(value, (many.get(value) ?? 0) + 1);
    return [...many.values()];
  };
  const [tx, ty] = [ties(xs), ties(ys)];
  const sum = (of: readonly number[], f: (t: number) => number): number => of.reduce((s, t) => s + f(t), 0);
  const whole = (t: number): number => t * (t - 1) * (2 * t + 5);
  const two = (t: number): number => t * (t - 1);
  const three = (t: number): number => t * (t - 1) * (t - 2);
  return (
    (whole(n) - sum(tx, whole) - sum(ty, whole)) / 18 +
    (sum(tx, two) * sum(ty, two)) / (2 * two(n)) +
    (n > 2 ? (sum(tx, three) * sum(ty, three)) / (9 * three(n)) : 0)
  );
}

/**
 * Whether y goes up or down with x, by Kendall's test and the slope of Theil and Sen.
 * @example trendOf([[1, 4.1], [2, 4.3], [3, 4.4], [4, 4.6], [5, 4.9], [6, 5]]).outcome // 'up'
 */
export function trendOf(all: readonly (readonly [x: number, y: number])[]): Trend {
  const step = Math.max(1, all.length / MOST);
  const points = step === 1 ? all : Array.from({ length: MOST }, (_, i) => all[Math.floor(i * step)]!);
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  const slopes: number[] = [];
  let count = 0;
  for (let i = 0; i < points.length; i++)
    for (let k = i + 1; k < points.length; k++) {
      const [dx, dy] = [xs[k]! - xs[i]!, ys[k]! - ys[i]!];
      if (dx === 0) continue;
      slopes.push(dy / dx);
      count += Math.sign(dx) * Math.sign(dy);
    }
  const common = {
    slope: slopes.length > 0 ? middleOf(slopes) : 0,
    middle: middleOf(ys),
    points: all.length,
  };
  if (all.length < FEWEST || slopes.length === 0) return { ...common, outcome: 'too-few' };
  const variance = countVariance(xs, ys);
  const sigmas = variance > 0 ? (Math.abs(count) - 1) / Math.sqrt(variance) : 0;
  const outcome = sigmas < SURE_SIGMA || common.slope === 0 ? 'steady' : count > 0 ? 'up' : 'down';
  return { ...common, outcome };
}

/** The middle of some values, and how many there are; `null` of none. */
export const middle = (values: readonly number[]): number | null =>
  values.length === 0 ? null : middleOf(values);

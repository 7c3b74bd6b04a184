/** What a root search came to. */
export interface RootResult {
  readonly outcome: 'found' | 'not-bracketed' | 'iteration-cap';
  readonly x: number;
  readonly stats: { readonly iterations: number };
}

/**
 * Bisection on a bracketing interval.
 * @param f continuous, with opposite signs at the ends
 * @param tolerance width of the last interval, in x
 */
export function bisect(f: (x: number) => number, low: number, high: number, tolerance = 1e-9): RootResult {
  const atLow = f(low);
  if (atLow === 0) return { outcome: 'found', x: low, stats: { iterations: 0 } };
  if (atLow * f(high) > 0) return { outcome: 'not-bracketed', x: Number.NaN, stats: { iterations: 0 } };
  let a = low;
  let b = high;
  for (let iterations = 1; iterations <= 200; iterations++) {
    const middle = (a + b) / 2;
    if (f(middle) * atLow > 0) a = middle;
    else b = middle;
    if (b - a <= tolerance) return { outcome: 'found', x: (a + b) / 2, stats: { iterations } };
  }
  return { outcome: 'iteration-cap', x: (a + b) / 2, stats: { iterations: 200 } };
}

/**
 * Linear interpolation through points sorted by x; the ends are held.
 * @throws RangeError when there is no point.
 */
export function interpolateLinear(xs: ArrayLike<number>, ys: ArrayLike<number>, x: number): number {
  const last = xs.length - 1;
  if (last < 0) throw new RangeError('interpolateLinear needs at least one point');
  if (x <= xs[0]!) return ys[0]!;
  if (x >= xs[last]!) return ys[last]!;
  let low = 0;
  let high = last;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (xs[middle]! <= x) low = middle;
    else high = middle;
  }
  const share = (x - xs[low]!) / (xs[high]! - xs[low]!);
  return ys[low]! + share * (ys[high]! - ys[low]!);
}

function endSlope(h0: number, h1: number, d0: number, d1: number): number {
  const slope = ((2 * h0 + h1) * d0 - h0 * d1) / (h0 + h1);
  if (Math.sign(slope) !== Math.sign(d0)) return 0;
  if (Math.sign(d0) !== Math.sign(d1) && Math.abs(slope) > Math.abs(3 * d0)) return 3 * d0;
  return slope;
}

/**
 * Monotone cubic through points: interior slopes by the weighted harmonic mean of Fritsch & Butland (1984,
 * SIAM J. Sci. Stat. Comput. 5:300), shape-preserving three-point ends. Outside, the ends are held.
 * @param xs strictly increasing, at least three
 * @returns the interpolating function
 */
export function createPchip(xs: readonly number[], ys: readonly number[]): (x: number) => number {
  const n = xs.length;
  const h = Array.from({ length: n - 1 }, (_, i) => xs[i + 1]! - xs[i]!);
  const d = h.map((step, i) => (ys[i + 1]! - ys[i]!) / step);
  const slopes = ys.map((_, i) => {
    if (i === 0) return endSlope(h[0]!, h[1]!, d[0]!, d[1]!);
    if (i === n - 1) return endSlope(h[n - 2]!, h[n - 3]!, d[n - 2]!, d[n - 3]!);
    const before = d[i - 1]!;
    const after = d[i]!;
    if (before * after <= 0) return 0;
    const w1 = 2 * h[i]! + h[i - 1]!;
    const w2 = h[i]! + 2 * h[i - 1]!;
    return (w1 + w2) / (w1 / before + w2 / after);
  });
  return (x) => {
    if (x <= xs[0]!) return ys[0]!;
    if (x >= xs[n - 1]!) return ys[n - 1]!;
    let i = 0;
    while (x > xs[i + 1]!) i++;
    const t = (x - xs[i]!) / h[i]!;
    const t2 = t * t;
    const t3 = t2 * t;
    return (
      (2 * t3 - 3 * t2 + 1) * ys[i]! +
      (t3 - 2 * t2 + t) * h[i]! * slopes[i]! +
      (3 * t2 - 2 * t3) * ys[i + 1]! +
      (t3 - t2) * h[i]! * slopes[i + 1]!
    );
  };
}

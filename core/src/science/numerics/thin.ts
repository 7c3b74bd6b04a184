/**
 * Thins points to a number of them so that the shape of the line stays: the largest triangle of each bucket is kept,
 * first and last always. Source: S. Steinarsson, Downsampling time series for visual representation (2013).
 * @param xs rising @param most at least 3
 * @returns indices of the points kept, in order
 * @example thinIndices(points, 600).map((i) => points[i])
 */
export function thinIndices(xs: ArrayLike<number>, ys: ArrayLike<number>, most: number): number[] {
  const n = xs.length;
  if (n <= most) return Array.from({ length: n }, (_, i) => i);
  const kept = [0];
  const every = (n - 2) / (most - 2);
  let last = 0;
  for (let bucket = 0; bucket < most - 2; bucket++) {
    const from = Math.floor(bucket * every) + 1;
    const to = Math.floor((bucket + 1) * every) + 1;
    const end = Math.min(n, Math.floor((bucket + 2) * every) + 1);
    let meanX = 0;
    let meanY = 0;
    for (let i = to; i < end; i++) {
      meanX += xs[i]!;
      meanY += ys[i]!;
    }
    meanX /= Math.max(1, end - to);
    meanY /= Math.max(1, end - to);
    let best = from;
    let largest = -1;
    for (let i = from; i < to; i++) {
      const area = Math.abs(
        (xs[last]! - meanX) * (ys[i]! - ys[last]!) - (xs[last]! - xs[i]!) * (meanY - ys[last]!),
      );
      if (area > largest) {
        largest = area;
        best = i;
      }
    }
    kept.push(best);
    last = best;
  }
  kept.push(n - 1);
  return kept;
}

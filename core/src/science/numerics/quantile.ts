/** P10 and P90 of a normal, in σ. */
export const Z90 = 1.2816;

/** Where values of equal size keep their order, and `Infinity` comes last. */
const before = (values: ArrayLike<number>, i: number, j: number): boolean =>
  values[i]! < values[j]! || (values[i]! === values[j]! && i < j);

/** So many moves a value are quicker than sorting anew. */
const MOVES_A_VALUE = 12;

/**
 * Arranges an order anew by insertion: quick where it was nearly right already.
 * @returns whether it came to an end; what took too long is left as it is by then
 */
function inserted(order: Uint32Array, values: ArrayLike<number>): boolean {
  let moves = MOVES_A_VALUE * order.length;
  for (let k = 1; k < order.length; k++) {
    const one = order[k]!;
    let at = k;
    for (; at > 0 && before(values, one, order[at - 1]!); at--) order[at] = order[at - 1]!;
    order[at] = one;
    moves -= k - at;
    if (moves < 0) return false;
  }
  return true;
}

/**
 * Quantiles of weighted values. `Infinity` stands for "not within the horizon" and sorts last.
 * @param values any order; @param weights non-negative, not all zero; `null` for equal weights
 * @param probabilities each in 0..1
 * @param order indices as they were sorted the last time, where the values have changed little since: arranged in place
 */
export function weightedQuantiles(
  values: ArrayLike<number>,
  weights: ArrayLike<number> | null,
  probabilities: readonly number[],
  order: Uint32Array = Uint32Array.from({ length: values.length }, (_, i) => i),
): number[] {
  if (!inserted(order, values)) order.sort((i, j) => (before(values, i, j) ? -1 : 1));
  let total = 0;
  for (const i of order) total += weights ? weights[i]! : 1;
  return probabilities.map((probability) => {
    // Mid-point rule: each value stands at the middle of its own share of the weight.
    const goal = probability * total;
    let passed = 0;
    let beforeValue = Number.NaN;
    let beforeAt = 0;
    for (const i of order) {
      const weight = weights ? weights[i]! : 1;
      if (weight === 0) continue;
      const at = passed + weight / 2;
      if (at >= goal) {
        const value = values[i]!;
        if (Number.isNaN(beforeValue) || !Number.isFinite(value)) return value;
        return beforeValue + ((goal - beforeAt) / (at - beforeAt)) * (value - beforeValue);
      }
      passed += weight;
      beforeValue = values[i]!;
      beforeAt = at;
    }
    return beforeValue;
  });
}

/** Kish's effective number of equally weighted members. */
export function effectiveSize(weights: ArrayLike<number>): number {
  let sum = 0;
  let squares = 0;
  for (let i = 0; i < weights.length; i++) {
    sum += weights[i]!;
    squares += weights[i]! * weights[i]!;
  }
  return squares > 0 ? (sum * sum) / squares : 0;
}

/**
 * Quantiles of weighted values. `Infinity` stands for "not within the horizon" and sorts last.
 * @param values any order; @param weights non-negative, not all zero; `null` for equal weights
 * @param probabilities each in 0..1
 */
export function weightedQuantiles(
  values: ArrayLike<number>,
  weights: ArrayLike<number> | null,
  probabilities: readonly number[],
): number[] {
  const order = Array.from({ length: values.length }, (_, i) => i).sort((a, b) =>
    values[a]! < values[b]! ? -1 : values[a]! > values[b]! ? 1 : 0,
  );
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

/** What a churning can give, by the fat balance. */
export interface ButterBalance {
  readonly butterKg: number;
  readonly buttermilkKg: number;
}

/**
 * Butter and buttermilk from cream by the exact mass and fat balance; fat the churn cannot share out
 * (less than the buttermilk keeps) gives no butter.
 * @param input.creamKg ≥ 0; fractions 0..1 with butter fat above buttermilk fat
 * @example butterBalance({ creamKg: 2.4, creamFatFraction: 0.36, buttermilkFatFraction: 0.006, butterFatFraction: 0.81 }).butterKg // 1.0567
 */
export function butterBalance(input: {
  readonly creamKg: number;
  readonly creamFatFraction: number;
  readonly buttermilkFatFraction: number;
  readonly butterFatFraction: number;
}): ButterBalance {
  const over = input.creamFatFraction - input.buttermilkFatFraction;
  const share = over <= 0 ? 0 : over / (input.butterFatFraction - input.buttermilkFatFraction);
  const butterKg = input.creamKg * Math.min(1, share);
  return { butterKg, buttermilkKg: input.creamKg - butterKg };
}

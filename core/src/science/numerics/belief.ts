/** A normal belief about one number. */
export interface Belief {
  readonly mean: number;
  readonly sigma: number;
}

/** An observation this many σ from what was believed counts less the further off it is [F: Huber]. */
const ODD_FROM_SIGMA = 2.5;

/**
 * Normal–normal update of a belief by one observation; odd ones (a plug half out) are held at arm's length.
 * @example updateBelief({ mean: 0, sigma: 0.15 }, 0.2, 0.12)
 */
export function updateBelief(belief: Belief, observed: number, sigma: number): Belief {
  const away = Math.abs(observed - belief.mean) / Math.hypot(sigma, belief.sigma);
  const counted = sigma * Math.max(1, away / ODD_FROM_SIGMA) ** 2;
  const precision = 1 / belief.sigma ** 2 + 1 / counted ** 2;
  return {
    mean: (belief.mean / belief.sigma ** 2 + observed / counted ** 2) / precision,
    sigma: Math.sqrt(1 / precision),
  };
}

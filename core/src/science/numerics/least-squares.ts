import { invertSymmetric } from './linear-algebra.ts';

/** A normal prior on one parameter; `sigma: Infinity` leaves it free. */
export interface Prior {
  readonly mean: number;
  readonly sigma: number;
}

export interface LeastSquaresResult {
  readonly outcome: 'converged' | 'iteration-cap' | 'singular';
  readonly parameters: readonly number[];
  /** Posterior covariance of the parameters. */
  readonly covariance: readonly (readonly number[])[];
  readonly stats: { readonly iterations: number; readonly chiSquared: number };
}

/**
 * Weighted least squares by damped Gauss–Newton steps with optional normal priors.
 * @param residuals model minus observation, each divided by its σ, for given parameters
 * @param start where to begin; also the length of the parameter vector
 * @param options.priors one a parameter; @param options.steps finite-difference steps
 * Source: standard nonlinear regression (Levenberg damping on the normal equations).
 */
export function leastSquares(
  residuals: (parameters: readonly number[]) => readonly number[],
  start: readonly number[],
  options: { readonly priors: readonly Prior[]; readonly steps: readonly number[] },
): LeastSquaresResult {
  const all = (p: readonly number[]): number[] => [
    ...residuals(p),
    ...options.priors.map((prior, i) => (p[i]! - prior.mean) / prior.sigma),
  ];
  const square = (r: readonly number[]): number => r.reduce((sum, value) => sum + value * value, 0);
  let parameters = [...start];
  let current = all(parameters);
  let chiSquared = square(current);
  let damping = 1e-3;
  let normal: number[][] = [];
  const result = (outcome: LeastSquaresResult['outcome'], iterations: number): LeastSquaresResult => {
    let covariance: number[][];
    try {
      covariance = invertSymmetric(normal);
    } catch {
      return { outcome: 'singular', parameters, covariance: [], stats: { iterations, chiSquared } };
    }
    return { outcome, parameters, covariance, stats: { iterations, chiSquared } };
  };
  for (let iterations = 1; iterations <= 60; iterations++) {
    const jacobian = options.steps.map((step, i) => {
      const moved = [...parameters];
      moved[i] = moved[i]! + step;
      return all(moved).map((value, row) => (value - current[row]!) / step);
    });
    normal = jacobian.map((a) =>
      jacobian.map((b) => a.reduce((sum, value, row) => sum + value * b[row]!, 0)),
    );
    const gradient = jacobian.map((a) => a.reduce((sum, value, row) => sum + value * current[row]!, 0));
    let improved = false;
    for (let tries = 0; tries < 12 && !improved; tries++) {
      let inverse: number[][];
      try {
        inverse = invertSymmetric(
          normal.map((row, i) => row.map((v, j) => (i === j ? v * (1 + damping) : v))),
        );
      } catch {
        return result('singular', iterations);
      }
      const step = inverse.map((row) => -row.reduce((sum, value, j) => sum + value * gradient[j]!, 0));
      const candidate = parameters.map((value, i) => value + step[i]!);
      const next = all(candidate);
      const nextSquare = square(next);
      if (nextSquare <= chiSquared) {
        const small = step.every((value, i) => Math.abs(value) <= 1e-7 * (1 + Math.abs(parameters[i]!)));
        const gain = chiSquared - nextSquare;
        parameters = candidate;
        current = next;
        chiSquared = nextSquare;
        damping = Math.max(damping / 10, 1e-12);
        if (small || gain <= 1e-10 * (1 + chiSquared)) return result('converged', iterations);
        improved = true;
      } else damping *= 10;
    }
    if (!improved) return result('converged', iterations);
  }
  return result('iteration-cap', 60);
}

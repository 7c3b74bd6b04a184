/** A churn beats best when it is at most this full. */
export const BEST_FILL = 0.5;
/** Hands between two loads: out with the butter, in with the cream, minutes [F: judgement]. */
export const BETWEEN_LOADS_MIN = 4;

/**
 * How many loads cream makes, each at most half of the churn.
 * @param litres of cream @param holdsLitres of the churn, full to the brim; above 0
 * @example loadsFor(6.2, 5.2) // 3
 */
export const loadsFor = (litres: number, holdsLitres: number): number =>
  Math.max(1, Math.ceil(litres / (BEST_FILL * holdsLitres) - 1e-9));

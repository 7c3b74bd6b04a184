/** Less than this left over is no piece of its own, kg. */
const LEAST_PIECE_KG = 0.01;

/** So many pieces of one weight. */
export interface Pieces {
  readonly count: number;
  readonly massKg: number;
}

/**
 * Butter cut into pieces of one weight, and one of what is left over. All of it is in them.
 * @param wholeKg > 0 @param eachKg > 0 and no more than all of it
 * @example piecesOf(1.06, 0.25) // [{ count: 4, massKg: 0.25 }, { count: 1, massKg: 0.06 }]
 */
export function piecesOf(wholeKg: number, eachKg: number): readonly Pieces[] {
  const count = Math.max(1, Math.floor(wholeKg / eachKg + 1e-9));
  const restKg = wholeKg - count * eachKg;
  if (restKg <= LEAST_PIECE_KG) return [{ count, massKg: wholeKg / count }];
  return [
    { count, massKg: eachKg },
    { count: 1, massKg: restKg },
  ];
}

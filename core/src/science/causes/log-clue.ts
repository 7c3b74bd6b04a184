import { normalCdf } from '../souring/index.ts';
import type { ClueId } from './clues.ts';

/** A clue that the log gives, nobody having been asked. */
export interface LogClue {
  readonly clue: ClueId;
  /** How well what the log says goes with each answer, 0..1 each. */
  readonly fits: readonly number[];
  /** The log's own figures in a few words; temperatures in braces, in °C. */
  readonly said: string;
}

/**
 * How likely a measured value lies below the first cut, between the first and the second, and so on.
 * @param sigma one σ of the measurement, above 0 @param cuts ascending
 * @example between(44, 1, [37, 44]) // [0, 0.5, 0.5]
 */
export function between(value: number, sigma: number, cuts: readonly number[]): number[] {
  const below = [...cuts.map((cut) => normalCdf((cut - value) / sigma)), 1];
  return below.map((share, i) => Math.max(0, share - (i === 0 ? 0 : below[i - 1]!)));
}

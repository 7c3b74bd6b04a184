import type { KitchenPlace } from '../contract/index.ts';
import { HOUR_MS } from '../science/units/index.ts';

/** When a check is read, h after it began. */
export const CHECK_READ_H = [1, 3] as const;
/** A wish to read a little early counts, h. */
const EARLY_H = 0.25;

/**
 * When a check of a place is next to be read, ms since 1970; `null` when none is going on, or all is read.
 * @example nextCheckMs(place) // an hour after it began
 */
export function nextCheckMs({ check }: Pick<KitchenPlace, 'check'>): number | null {
  if (!check) return null;
  const startMs = Date.parse(check.startedAt);
  const lastH = Math.max(0, ...check.readings.map(({ at }) => (Date.parse(at) - startMs) / HOUR_MS));
  const next = CHECK_READ_H.find((hour) => hour - EARLY_H > lastH);
  return next === undefined ? null : startMs + next * HOUR_MS;
}

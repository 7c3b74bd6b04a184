import { instantOfLocal, localDate } from '../kitchen/index.ts';
import { DAY_MIN, DAY_MS, MINUTE_MS } from '../science/units/index.ts';

/** Hours of the day that come again on each of the days, as a clock has them. */
export interface ClockSpell {
  readonly from: string;
  readonly to: string;
}

/**
 * From one time of the day to another on each of some days, min from the zero; those that are over by then are left out, one that is
 * going on may begin before it. Over midnight where it ends no later than it begins.
 * @example daySpells('UTC', atEight, 2, { from: '09:00', to: '12:00' }) // [[60, 240], [1500, 1680]]
 */
export function daySpells(
  zone: string,
  zeroMs: number,
  days: number,
  { from, to }: ClockSpell,
): (readonly [from: number, to: number])[] {
  return Array.from({ length: days }, (_, day) => {
    const date = localDate(zone, zeroMs + day * DAY_MS);
    const minuteOf = (clock: string): number =>
      Math.round((instantOfLocal(zone, date, clock) - zeroMs) / MINUTE_MS);
    const [begin, end] = [minuteOf(from), minuteOf(to)];
    return [begin, end > begin ? end : end + DAY_MIN] as const;
  }).filter(([, end]) => end > 0);
}

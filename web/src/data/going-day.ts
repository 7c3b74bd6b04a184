import type { KeptDay } from '@morning-crock/core/contract';
import { DAY_MS } from '@morning-crock/core';

/** The day that is going on: begun, not over, with a make of it still under way; of several the one begun last. */
export function goingOf(
  days: readonly KeptDay[],
  underWay: ReadonlySet<string>,
  nowMs: number,
): KeptDay | null {
  return (
    days
      .filter(
        ({ day }) =>
          day.begunAt !== null &&
          nowMs < Date.parse(day.zeroAt) + (day.days + 1) * DAY_MS &&
          day.makes.some(({ makeId }) => makeId !== null && underWay.has(makeId)),
      )
      .sort((a, b) => (a.day.begunAt! < b.day.begunAt! ? 1 : -1))[0] ?? null
  );
}

/** Lengths of time in the units they are told in. A day here is 24 hours elapsed, never a day of the calendar. */
export const MINUTE_MS = 60_000;
export const HOUR_MS = 3_600_000;
export const DAY_MS = 86_400_000;
export const DAY_H = 24;
export const DAY_MIN = 1_440;

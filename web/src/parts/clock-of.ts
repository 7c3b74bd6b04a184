import { instantOfLocal, minuteOfDay } from '@morning-crock/core';

/** The clock time of an instant in a zone, as a time field wants it: "06:30". */
export function clockOf(zone: string, ms: number): string {
  const minute = minuteOfDay(zone, ms);
  const two = (n: number): string => String(n).padStart(2, '0');
  return `${two(Math.floor(minute / 60))}:${two(minute % 60)}`;
}

/** The instant of a day and a time field; NaN while one of them is half typed. */
export function instantOfFields(zone: string, date: string, time: string): number {
  return /^(19|20|21)\d\d-\d\d-\d\d$/.test(date) && /^\d\d:\d\d/.test(time)
    ? instantOfLocal(zone, date, time.slice(0, 5))
    : Number.NaN;
}

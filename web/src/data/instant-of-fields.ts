import { instantOfLocal } from '@morning-crock/core';

/** The instant of a day and a time field; NaN while one of them is half typed. */
export function instantOfFields(zone: string, date: string, time: string): number {
  return /^(19|20|21)\d\d-\d\d-\d\d$/.test(date) && /^\d\d:\d\d/.test(time)
    ? instantOfLocal(zone, date, time.slice(0, 5))
    : Number.NaN;
}

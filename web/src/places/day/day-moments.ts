import type { DayAnswer } from '@morning-crock/core';
import type { CalendarMoment } from './day-calendar.ts';
import { MINUTE_MS } from '@morning-crock/core';

/** What to do, by batch and step. */
export type Told = ReadonlyMap<string, ReadonlyMap<string, string>>;

/** What goes on after the day is looked at for so long, min. */
const LOOK_MIN = 10;

type Laid = Pick<Extract<DayAnswer, { readonly hands: unknown }>, 'hands' | 'after'>;

/** The moments of a day that want hands, as a calendar takes them. */
export function dayMoments(
  { hands, after }: Laid,
  of: { readonly zeroMs: number; readonly nameOf: (make: string) => string; readonly told: Told },
): CalendarMoment[] {
  const { zeroMs, nameOf, told } = of;
  return [
    ...hands.map((h) => ({
      id: `${h.make}-${h.step}@morning-crock`,
      title: `${h.act}, ${nameOf(h.make)}`,
      text: told.get(h.make)?.get(h.step) ?? '',
      atMs: zeroMs + h.from * MINUTE_MS,
      minutes: h.to - h.from,
    })),
    ...after.map(({ make, title, at }, n) => ({
      id: `${make}-after-${n}@morning-crock`,
      title: `${title}, ${nameOf(make)}`,
      text: '',
      atMs: zeroMs + at * MINUTE_MS,
      minutes: LOOK_MIN,
    })),
  ];
}

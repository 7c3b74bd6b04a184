import ical from 'ical-generator';
import { MINUTE_MS } from '@morning-crock/core';

/** A moment of a day that wants hands. */
export interface CalendarMoment {
  readonly id: string;
  readonly title: string;
  /** What to do, so that it can be done without the page. */
  readonly text: string;
  readonly atMs: number;
  readonly minutes: number;
}

/** Rings so long before. */
const BEFORE_S = 10 * 60;

/** What is to be done as an iCalendar file, for any calendar that reads one. Times are forecasts, and say so. */
export function dayCalendar(name: string, moments: readonly CalendarMoment[], nowMs: number): string {
  const calendar = ical({ name, prodId: { company: 'morning-crock', product: 'day' } });
  for (const { id, title, text, atMs, minutes } of moments) {
    const event = calendar.createEvent({
      id,
      stamp: new Date(nowMs),
      start: new Date(atMs),
      end: new Date(atMs + minutes * MINUTE_MS),
      summary: title,
      description: `${text}${text === '' ? '' : ' '}This time is a forecast. Morning Crock shows the latest.`,
    });
    event.createAlarm({ trigger: BEFORE_S });
  }
  return calendar.toString();
}

import { MINUTE_MS } from '@morning-crock/core';
import ical from 'ical-generator';
import type { Coming } from './coming.ts';

/** Rings so long before. */
const BEFORE_S = 10 * 60;
/** How often a calendar should ask again: a forecast moves. */
const AGAIN_S = 15 * 60;

/** What is coming as an iCalendar file that asks to be read again. */
export function calendarFile(name: string, coming: readonly Coming[], nowMs: number): string {
  const calendar = ical({ name, prodId: { company: 'morning-crock', product: 'coming' }, ttl: AGAIN_S });
  for (const { id, title, text, atMs, minutes } of coming) {
    const event = calendar.createEvent({
      id: `${id}@morning-crock`,
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

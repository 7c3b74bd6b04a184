import { expect, test } from '@jest/globals';
import ICAL from 'ical.js';
import { dayCalendar } from './day-calendar.ts';

test('a parser of another make reads back what was written: titles, instants, lengths, alarms', () => {
  const atMs = Date.parse('2026-03-05T06:30:00Z');
  const text = dayCalendar(
    'Stall, and butter; "late"',
    [
      { id: 'a', title: 'Turn the wheel, Alm; second', text: 'Turn it over.', atMs, minutes: 5 },
      { id: 'b', title: 'Taste', text: '', atMs: atMs + 86_400_000, minutes: 10 },
    ],
    atMs - 1000,
  );
  const calendar = new ICAL.Component(ICAL.parse(text) as string);
  const events = calendar.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
  expect(events.map((e) => [e.summary, e.startDate.toJSDate().getTime(), e.duration.toSeconds()])).toEqual([
    ['Turn the wheel, Alm; second', atMs, 300],
    ['Taste', atMs + 86_400_000, 600],
  ]);
  expect(events.map((e) => e.description)).toEqual([
    'Turn it over. This time is a forecast. Morning Crock shows the latest.',
    'This time is a forecast. Morning Crock shows the latest.',
  ]);
  expect(new Set(events.map((e) => e.uid)).size).toBe(2);
  expect(events.every((e) => e.component.getAllSubcomponents('valarm').length === 1)).toBe(true);
  expect(text.split(/\r\n/).every((line) => new TextEncoder().encode(line).length <= 75)).toBe(true);
});

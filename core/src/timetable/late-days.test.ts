import { expect, test } from '@jest/globals';
import { lateEvents } from './fixtures/late-days.ts';

/** A few days of four batches, followed to the minute. */
const days = (lateMin: number) => [...lateEvents({ days: 3, batches: 4, eachDay: 2, lateMin })];

test('a day that is followed to the minute stays as it was laid out', () => {
  const events = days(0);
  expect(events).toHaveLength(6);
  for (const event of events) expect(event).toEqual({ moved: 0, far: 0, broken: 0 });
});

test('something 45 min late leaves a way to go on, and all others mostly where they were', () => {
  const events = days(45);
  expect(events.every(({ broken }) => broken !== null)).toBe(true);
  expect(events.filter(({ far }) => far === 0).length).toBeGreaterThan(events.length / 2);
});

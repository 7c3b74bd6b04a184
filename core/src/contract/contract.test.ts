import { describe, expect, test } from '@jest/globals';
import { createLog, testPlan } from '../make/fixtures/events.ts';
import {
  deviceReading,
  draftEvent,
  ERROR_CODES,
  errorBody,
  errorOf,
  kitchenSettings,
  makePlan,
  knownEvent,
} from './index.ts';

const log = createLog();
const draft = (): Record<string, unknown> => {
  const { seq: _seq, ...event } = log(0, 'cue-seen', { cue: 'set', cleanSmell: null });
  return event;
};

describe('events', () => {
  test('a good one passes, and one that says more than it may does not', () => {
    expect(draftEvent.safeParse(draft()).error).toBeUndefined();
    expect(draftEvent.safeParse({ ...draft(), more: 1 }).success).toBe(false);
    expect(draftEvent.safeParse({ ...draft(), type: 'sold' }).success).toBe(false);
    expect(draftEvent.safeParse({ ...draft(), at: 'yesterday' }).success).toBe(false);
    expect(draftEvent.safeParse({ ...draft(), data: { cue: 'runny', cleanSmell: null } }).success).toBe(
      false,
    );
  });

  test('a version this program does not know is refused', () => {
    const today = draft();
    expect(knownEvent(today)).toEqual(today);
    expect(() => knownEvent({ ...today, version: 9 })).toThrow(/version 9/);
  });
});

test.each([
  [{ device: 'logger', celsius: 43 }, true],
  [{ device: 'logger', fahrenheit: 109.4 }, true],
  [{ device: 'logger' }, false],
  [{ device: 'logger', celsius: 43, fahrenheit: 109 }, false],
  [{ device: 'logger', celsius: 999 }, false],
  [{ device: '', celsius: 43 }, false],
])('device reading %j: %s', (body, good) => expect(deviceReading.safeParse(body).success).toBe(good));

test('a plan with absurd amounts is refused in words', () => {
  const plan = testPlan();
  const result = makePlan.safeParse({ ...plan, milk: { ...plan.milk, litres: 400 } });
  expect(result.error?.issues[0]?.message).toMatch(/more than 60 litres/);
});

test('a kitchen needs a zone the computer knows', () => {
  expect(
    kitchenSettings.shape.site.safeParse({ zone: 'Nowhere/Land', altitudeM: 0, roomC: 20, shortcuts: true })
      .success,
  ).toBe(false);
});

test('every error code makes a body that says what to do next', () => {
  for (const code of Object.keys(ERROR_CODES) as (keyof typeof ERROR_CODES)[]) {
    const body = errorOf(code);
    expect(errorBody.safeParse(body).success).toBe(true);
    expect(body.next.length).toBeGreaterThan(10);
  }
});

import { describe, expect, test } from '@jest/globals';
import { createLog, testPlan } from '../make/fixtures/make-events.ts';
import {
  broughtUp,
  deviceReading,
  draftEvent,
  ERROR_CODES,
  errorBody,
  errorOf,
  FIRST_METHOD,
  kitchenSettings,
  makePlan,
  knownEvent,
  type DraftEvent,
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

  test('a make of the first version comes in as it was and is brought up, one of today says how it goes', () => {
    const { method, ...first } = testPlan();
    const begun = (version: number, plan: object) => ({
      ...draft(),
      version,
      type: 'make-started',
      data: { plan },
    });
    const old = begun(1, first);
    const stored = draftEvent.parse(old);
    expect(stored).toEqual(old);
    expect(broughtUp(stored)).toMatchObject({ data: { plan: { ...first, method: FIRST_METHOD } } });
    expect(broughtUp(broughtUp(stored))).toEqual(broughtUp(stored));
    expect(method).toEqual(FIRST_METHOD);
    expect(draftEvent.safeParse(begun(2, first)).success).toBe(false);
    expect(draftEvent.safeParse(begun(2, { ...first, method })).success).toBe(true);
    expect(draftEvent.safeParse(begun(1, { ...first, product: 'butter' })).success).toBe(false);
    // What was entered of another type means the same in both.
    const cue = { ...draft(), version: 1 } as unknown as DraftEvent;
    expect(draftEvent.safeParse(cue).success).toBe(true);
    expect(broughtUp(cue)).toBe(cue);
  });

  test.each([
    ['a step not known', [{ id: 'levitate', kind: 'levitate' }], /kind/],
    ['two of one name', [FIRST_METHOD.steps[0], FIRST_METHOD.steps[0]], /two steps with the same name/],
    ['none', [], /has no steps/],
  ])('a method with %s is refused', (_what, steps, words) => {
    const plan = { ...testPlan(), method: { ...FIRST_METHOD, steps } };
    const result = makePlan.safeParse(plan);
    expect(JSON.stringify(result.error?.issues)).toMatch(words);
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
  expect(result.error?.issues[0]?.message).toMatch(/more than 60 L/);
});

test.each([
  ['yogurt', 0.3, /is cream, not milk/],
  ['butter', 0.06, /is milk, not cream/],
  ['cultured-cream', 0.06, /is milk, not cream/],
  ['butter', 0.34, null],
  ['yogurt', 0.04, null],
] as const)('%s of %d fat', (product, fatFraction, fault) => {
  const plan = { ...testPlan(), product };
  const result = makePlan.safeParse({ ...plan, milk: { ...plan.milk, fatFraction } });
  if (fault === null) expect(result.error).toBeUndefined();
  else expect(result.error?.issues[0]).toMatchObject({ path: ['milk', 'fatFraction'] });
  if (fault !== null) expect(result.error?.issues[0]?.message).toMatch(fault);
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

import { describe, expect, test } from '@jest/globals';
import type { MakePlan } from '../contract/index.ts';
import { withStarterKind } from '../setup/index.ts';
import { createLog, MAKE_ID, START, testPlan } from './fixtures/make-events.ts';
import { foldMake, safetyOf, type MakeState, type SafetyState } from './index.ts';
import { HOUR_MS } from '../science/units/index.ts';

const begun = (plan: MakePlan): MakeState => foldMake(MAKE_ID, [createLog()(0, 'make-started', { plan })])!;
const plan = testPlan();
const raw = begun({
  ...plan,
  heat: { kind: 'none', targetC: 20, holdMin: 0 },
  starter: withStarterKind(plan, 'none'),
});
/** The clock `hours` after the start on a course of [hour, °C]. */
const safety = (
  state: MakeState,
  hours: number,
  ...course: readonly (readonly [number, number])[]
): SafetyState =>
  safetyOf(
    state,
    course.map(([h, c]) => [START + h * HOUR_MS, c] as const),
    START + hours * HOUR_MS,
    null,
  );

test('milk that was warm for too long and got no starter is not said to ferment badly', () => {
  const forgotten = begun(plan);
  const warm = [
    [0, 30],
    [40, 30],
  ] as const;
  const late = safety(forgotten, 13, ...warm);
  expect(late).toMatchObject({ verdict: 'over' });
  expect(late.text).toMatch(/no starter went in/);
  // What sours by itself never gets one.
  expect(safety(raw, 49, [0, 30], [60, 30]).text).toMatch(/not confirmed within 48 warm hours/);
});

describe('which limit milk has', () => {
  const outOfTheFridge = [
    [0, 5],
    [4, 18],
    [8, 21],
    [60, 21],
  ] as const;

  test('in its first hours by where it is going: raw milk out of the fridge is not called too cold', () => {
    for (const hours of [0, 1, 3, 6])
      expect(safety(raw, hours, ...outOfTheFridge)).toMatchObject({
        verdict: 'running',
        limit: { limitH: 72 },
      });
  });

  test('later by its own mean alone, whatever is still to come', () => {
    // A night at 12 °C, and a warm kitchen tomorrow.
    const night = [
      [0, 12],
      [14, 12],
      [15, 22],
      [80, 22],
    ] as const;
    expect(safety(raw, 13, ...night)).toMatchObject({ verdict: 'amber', limit: { limitH: null } });
    expect(safety(raw, 2, ...night)).toMatchObject({ limit: { limitH: null } });
  });

  test('what is to come never lengthens it before twelve hours are over', () => {
    const warm = begun(plan);
    // Twelve hours at 30 °C, whatever cool day follows.
    const cooled = [
      [0, 30],
      [12.5, 30],
      [13, 8],
      [60, 8],
    ] as const;
    expect(safety(warm, 11, ...cooled)).toMatchObject({ verdict: 'amber', limit: { limitH: 12 } });
    expect(safety(warm, 12.1, ...cooled)).toMatchObject({ verdict: 'over' });
    // Poured warm and soon cool: as long as its own hours were warm, twelve.
    expect(safety(warm, 2, [0, 36], [3, 30], [4, 21], [40, 21])).toMatchObject({ limit: { limitH: 12 } });
  });
});

import { describe, expect, test } from '@jest/globals';
import { DAY_MIN } from '../science/units/index.ts';
import { exposures, riskOf } from './exposure.ts';
import { onwardFree } from './onward.ts';
import type { DayMake, DayProblem, DaySlot, DayTask } from './problem.ts';
import { robustness } from './robust.ts';
import { isBetter, scoreOf } from './score.ts';
import { solveDay, solvingDay } from './solve.ts';
import { steadier } from './steadier.ts';

const AWAKE = [0, 1, 2].map((day) => [day * DAY_MIN + 6 * 60, day * DAY_MIN + 22 * 60] as const);
const task = (id: string, minutes: number, after = 0, own: Partial<DayTask> = {}): DayTask => ({
  id,
  title: id,
  minutes,
  after,
  slack: 0,
  holds: [],
  ...own,
});
const make = (id: string, tasks: readonly DayTask[], own: Partial<DayMake> = {}): DayMake => ({
  id,
  title: id,
  from: 8 * 60,
  by: null,
  fixed: {},
  tasks,
  ...own,
});
const dayOf = (...makes: DayMake[]): DayProblem => ({
  makes,
  cooks: [{ id: 'a', name: 'A', free: AWAKE }],
  things: { pot: 2 },
  horizon: 3 * DAY_MIN,
});
const run = <T>(work: Generator<number, T>): T => {
  for (;;) {
    const step = work.next();
    if (step.done === true) return step.value;
  }
};

describe('what comes due while nobody is there', () => {
  const SIGMA = 60;
  const sour = (own: Partial<DayTask> = {}) =>
    dayOf(make('m', [task('mix', 5), task('chill', 5, 12 * 60, { sigma: SIGMA, slack: 30, ...own })]));
  const chance = (problem: DayProblem, due: number): number => exposures(problem).get('m chill')?.(due) ?? 0;

  test('at bedtime it is one to two, at noon none, and in the depth of night certain', () => {
    const problem = sour();
    expect(chance(problem, 14 * 60)).toBe(0);
    // What is due until half an hour before six, or by five before ten, is found.
    expect(chance(problem, 22 * 60)).toBeGreaterThan(0.45);
    expect(chance(problem, 22 * 60)).toBeLessThan(0.6);
    expect(chance(problem, 26 * 60)).toBeGreaterThan(0.99);
    for (let due = 16 * 60; due < 24 * 60; due += 30)
      expect(chance(problem, due + 30)).toBeGreaterThanOrEqual(chance(problem, due));
  });

  test('what may be done sooner, or waits till morning, or is as sure as a clock, is not at risk', () => {
    expect(chance(sour({ early: 60 }), 22 * 60)).toBeLessThan(chance(sour(), 22 * 60));
    expect(exposures(sour({ slack: 9 * 60 })).size).toBe(0);
    expect(exposures(sour({ sigma: 0 })).size).toBe(0);
  });

  test('what may come at any hour whenever it is begun is no reason to begin it at another time', () => {
    const problem = dayOf(
      make('m', [task('mix', 5), task('chill', 5, 30 * 60, { sigma: 20 * 60, slack: 180 })]),
    );
    const chances = [20, 30, 40, 50].map((hour) => chance(problem, hour * 60));
    expect(Math.max(...chances)).toBeLessThan(0.05);
  });

  test('chances of a whole day too small to mind are none', () => {
    expect(riskOf(0.015)).toBe(0);
    expect(riskOf(0.12)).toBe(0.1);
  });

  test('after the last day hours go on as on that one', () => {
    const problem = sour();
    const free = onwardFree(problem, problem.cooks[0]!);
    expect(free.slice(0, 3)).toEqual(AWAKE);
    expect(free[3]).toEqual([3 * DAY_MIN + 6 * 60, 3 * DAY_MIN + 22 * 60]);
    // Somebody who never sleeps is there in one stretch.
    expect(onwardFree(problem, { id: 'b', name: 'B', free: [[0, problem.horizon]] })).toEqual([
      [0, 7 * DAY_MIN],
    ]);
  });
});

test('a souring that would end around bedtime is begun so that it ends when somebody is there', () => {
  // Begun at eight as soon as can be, it would be due at half past nine in the evening, give or take an hour and a half.
  const chill = task('chill', 5, 13.5 * 60, { sigma: 90, slack: 20 });
  const problem = dayOf(make('m', [task('mix', 5), chill]));
  const solved = solveDay(problem);
  if ('clash' in solved) throw new Error('it fits');
  expect(solved.timetable.risk).toBe(scoreOf(problem, solved.timetable.slots).risk);
  const { slots } = run(steadier(problem, solved.timetable.slots, 1));
  const due = slots.find((slot) => slot.task === 'mix')!.to + chill.after;
  // On the next day, in the hours in which it is found: none is lost to a souring nobody sees.
  expect(due % DAY_MIN).toBeGreaterThan(7 * 60);
  expect(due % DAY_MIN).toBeLessThan(20 * 60);
  const { clashing, days } = robustness(problem, slots);
  expect(clashing / days).toBeLessThan(0.1);
});

test('a day on which nothing spoils is worth ten hours of waiting, and no wish and no hour in the kitchen', () => {
  const sure = { late: 0, outside: 0, risk: 0, sum: 1500, finish: 1500 };
  expect(isBetter(sure, { ...sure, risk: 0.1, sum: 901 })).toBe(true);
  expect(isBetter(sure, { ...sure, risk: 0.1, sum: 899 })).toBe(false);
  expect(isBetter({ ...sure, late: 1 }, { ...sure, risk: 0.9 })).toBe(false);
  expect(isBetter({ ...sure, outside: 15 }, { ...sure, risk: 0.9 })).toBe(false);
  // A few minutes outside are none, but of two alike the one with fewer is better.
  expect(isBetter({ ...sure, outside: 14 }, { ...sure, risk: 0.1 })).toBe(true);
  expect(isBetter(sure, { ...sure, outside: 1 })).toBe(true);
});

describe('a steadier day', () => {
  // Two pots that must come off within five minutes, each give or take ten: begun one after the other, they come off together.
  const two = (['a', 'b'] as const).map((id) =>
    make(id, [
      task('pour', 5),
      task('off', 10, 40, { sigma: 10, slack: 5 }),
      task('cool', 10, 20, { sigma: 5, slack: 10 }),
    ]),
  );
  const problem = dayOf(...two);
  const solved = solveDay(problem);
  const slots = 'clash' in solved ? [] : solved.timetable.slots;

  test('single batches are begun later where that keeps them out of each other’s way', () => {
    const before = robustness(problem, slots);
    const laid = run(steadier(problem, slots, 1));
    expect(before.clashing / before.days).toBeGreaterThan(0.2);
    expect(laid.robust.clashing).toBeLessThan(before.clashing / 2);
    expect(laid.robust).toEqual(robustness(problem, laid.slots));
    expect(laid.score).toEqual(scoreOf(problem, laid.slots));
  });

  test('a day that is steady as it is stays as it is', () => {
    const alone = dayOf(two[0]!);
    const own = run(solvingDay(alone));
    if ('clash' in own) throw new Error('it fits');
    expect(run(steadier(alone, own.timetable.slots, 1)).slots).toBe(own.timetable.slots);
  });

  test('what was fixed by hand, and what is under way, is not put off', () => {
    const fixed = { pour: slots.find((slot) => slot.make === 'b')!.from };
    const held = dayOf({ ...two[0]!, underWay: true }, { ...two[1]!, fixed });
    const laid = run(steadier(held, slots, 1));
    const begins = (id: string): number => laid.slots.find((slot) => slot.make === id)!.from;
    expect(begins('b')).toBe(fixed.pour);
    expect(begins('a')).toBe(slots.find((slot) => slot.make === 'a')!.from);
  });
});

test('a flame is turned down while hands are at something long, but not from hot fat', () => {
  const long = task('strain', 60);
  const day = (own: Partial<DayTask>): DayProblem =>
    dayOf(
      make('milk', [task('pour', 5), task('off', 3, 60, { sigma: 15, slack: 5 })]),
      make('other', [{ ...long, ...own }], { underWay: true, from: 9 * 60 }),
    );
  const slots: DaySlot[] = [
    { make: 'milk', task: 'pour', from: 480, to: 485, cook: 'a' },
    { make: 'milk', task: 'off', from: 545, to: 548, cook: 'a' },
    { make: 'other', task: 'strain', from: 548, to: 608, cook: 'a' },
  ];
  expect(robustness(day({ slack: 120 }), slots).clashing).toBe(0);
  const onFire = robustness(day({ slack: 0, stays: true }), slots);
  expect(onFire.clashing).toBeGreaterThan(60);
});

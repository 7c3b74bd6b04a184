import { expect, test } from '@jest/globals';
import { createGuesses } from './guesses.ts';

const guesses = () => createGuesses({ each: 3, all: 5, withinMs: 1000 });

test('an address has so many, and all together have so many, until time has passed', () => {
  const counted = guesses();
  expect([1, 2, 3, 4].map(() => counted.allowed('one', 0))).toEqual([true, true, true, false]);
  expect(['two', 'three', 'four'].map((ip) => counted.allowed(ip, 10))).toEqual([true, true, false]);
  expect(counted.allowed('one', 1000)).toBe(true);
});

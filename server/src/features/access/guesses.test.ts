import { expect, test } from '@jest/globals';
import { createGuesses } from './guesses.ts';

const guesses = () => createGuesses({ each: 3, withinMs: 1000 });
const guess = (counted: ReturnType<typeof guesses>, ip: string, nowMs: number): boolean => {
  const allowed = counted.allowed(ip, nowMs);
  if (allowed) counted.guessed(ip, nowMs);
  return allowed;
};

test('an address has so many wrong guesses, until time has passed; others are not kept out by them', () => {
  const counted = guesses();
  expect([1, 2, 3, 4].map(() => guess(counted, 'one', 0))).toEqual([true, true, true, false]);
  for (let i = 0; i < 100; i++) guess(counted, `other ${i}`, 5);
  expect(guess(counted, 'new', 10)).toBe(true);
  expect(guess(counted, 'one', 999)).toBe(false);
  expect(guess(counted, 'one', 1000)).toBe(true);
});

test('a right guess does not count, and a new code begins anew', () => {
  const counted = guesses();
  for (let i = 0; i < 10; i++) {
    expect(guess(counted, 'one', i)).toBe(true);
    counted.right('one');
  }
  for (let i = 0; i < 4; i++) guess(counted, 'one', 20);
  expect(counted.allowed('one', 20)).toBe(false);
  counted.beginAnew();
  expect(counted.allowed('one', 20)).toBe(true);
});

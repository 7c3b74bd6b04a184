import { expect, test } from '@jest/globals';
import { defaultKitchen, PRODUCTS } from '@morning-crock/core';
import { PRODUCT_TAKES } from '@morning-crock/core/contract';
import { aboutTime, firstWords } from './first-words.ts';

const kitchen = defaultKitchen('UTC');
const START = '2026-03-02T08:00:00.000Z';

test.each([
  [3, 'about 5 min'],
  [47, 'about 45 min'],
  [110, 'about 1 h 50 min'],
  [430, 'about 7 h'],
  [47 * 60, 'about 47 h'],
  [9 * 24 * 60 + 30, 'about 9 days'],
])('%d min is told as %s', (minutes, words) => {
  expect(aboutTime(minutes)).toBe(words);
});

test('what is needed: what goes in, and what sours it where something does', () => {
  expect(firstWords('yogurt', kitchen, START).needs).toBe('Milk and live plain yogurt');
  expect(firstWords('butter', kitchen, START).needs).toBe('Cream');
  expect(firstWords('ghee', kitchen, START).needs).toBe('Butter');
});

test('every product says how long it takes', () => {
  for (const { id } of Object.values(PRODUCTS))
    if (PRODUCT_TAKES[id] !== 'packet') expect(firstWords(id, kitchen, START).time).toMatch(/^about \d/);
});

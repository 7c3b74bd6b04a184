import { expect, test } from '@jest/globals';
import { defaultKitchen } from '@morning-crock/core';
import type { GoodStock } from '@morning-crock/core/contract';
import { unitsOf } from '../../data/units-of.ts';
import { codeOfSquare, codeTyped, codeWords, stockWords } from './stock-words.ts';

const units = unitsOf(defaultKitchen('UTC'));
const stock = (massKg: number): GoodStock => ({
  place: 'cold',
  size: 0,
  massKg,
  sinceMs: 0,
  used: [0, 0],
  thawed: false,
  thawFor: null,
});

test('a stock is told in pieces, with one that was opened', () => {
  const good = { sizesKg: [0.25] };
  expect(stockWords(good, stock(1), units)).toBe('4 × 250 g');
  expect(stockWords(good, stock(0.25), units)).toBe('250 g');
  expect(stockWords(good, stock(0.6), units)).toBe('2 × 250 g plus 100 g opened');
  expect(stockWords(good, stock(0.1), units)).toBe('100 g opened');
  expect(stockWords(good, stock(0), units)).toBe('none left');
});

test('a code is read as people type it', () => {
  expect(codeTyped(codeWords('4F7K2Q').toLowerCase())).toBe('4F7K2Q');
  expect(codeOfSquare('http://kitchen:4610/larder/4F7K2Q')).toBe('4F7K2Q');
  expect(codeOfSquare('jar tag 7')).toBeNull();
  expect(codeTyped('4o7-ki2')).toBe('407K12');
});

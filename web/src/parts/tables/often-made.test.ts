import { expect, test } from '@jest/globals';
import { oftenMade } from './often-made.ts';

test('what is made most stands first, and only two of them', () => {
  expect(oftenMade(['kefir', 'skyr', 'skyr', 'cheese', 'cheese', 'cheese'])).toEqual(['cheese', 'skyr']);
});

test('the large three stand there anyhow, and a packet is woken elsewhere', () => {
  expect(oftenMade(['yogurt', 'butter', 'cultured-cream', 'waking'])).toEqual([]);
});

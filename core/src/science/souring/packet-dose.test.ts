import { expect, test } from '@jest/globals';
import { packetRatio, SMALL_SPOONS } from './index.ts';

test.each([
  // Half a packet that is for four litres, in two: as stated.
  [0.5, { litres: 4, tsp: null }, 2, 1],
  // A whole packet for one litre in two litres: half the dose.
  [1, { litres: 1, tsp: null }, 2, 0.5],
  // An eighth of a teaspoon where the label says a quarter for eight litres, in two.
  [1 / 8, { litres: 8, tsp: 1 / 4 }, 2, 2],
])('%d of %o in %d L is %d times the stated dose', (amount, label, milk, ratio) => {
  expect(packetRatio(amount, label, milk)).toBeCloseTo(ratio, 12);
});

test('the smaller spoons halve', () => {
  expect(SMALL_SPOONS.slice(1).map(({ tsp }) => 1 / tsp)).toEqual([8, 16, 32]);
  expect(() => packetRatio(0, { litres: 1, tsp: null }, 1)).toThrow(RangeError);
  expect(() => packetRatio(1, { litres: 1, tsp: 0 }, 1)).toThrow(RangeError);
});

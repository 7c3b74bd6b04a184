import { expect, test } from '@jest/globals';
import { defaultKitchen } from '@morning-crock/core';
import { unitsOf } from '../../data/units-of.ts';
import { goodCostWords, perWeight, priceFault, priceWeight } from './price-words.ts';

const kitchen = defaultKitchen('UTC');
const metric = unitsOf({ ...kitchen, units: { ...kitchen.units, money: 'crowns' } });
const us = unitsOf({ ...kitchen, units: { temperature: 'F', measures: 'us' } });

test('a price is told by the weight that is usual there', () => {
  expect(perWeight(3.1, metric)).toBe('3.10 crowns/kg');
  // A pound is 0.4536 kg, and money without a name is a number.
  expect(perWeight(10, us)).toBe('4.54/lb');
  expect(priceWeight(us)[1]).toBeCloseTo(0.45359237, 5);
});

test.each([
  ['', null],
  ['8,40', null],
  ['8.4', null],
  ['1 200,50', null],
  ['1,000', 'Did you mean 1 or 1000? Type the number without the comma.'],
  ['8,4o', '“8,4o” is not a price.'],
  ['-2', 'Enter a price of 0 or more.'],
  ['2000000', 'That price is too high. Check the number.'],
])('“%s” as a price: %s', (typed, fault) => {
  expect(priceFault(typed)).toBe(fault);
});

test('goods say what their cost counts; put up before that was said, the milk alone', () => {
  expect(goodCostWords({ costPerKg: 1.5, costCounts: ['milk', 'starter', 'energy'] }, metric)).toBe(
    'cost 1.50 crowns/kg (milk and cream, starter, burner)',
  );
  expect(goodCostWords({ costPerKg: 1.5 }, metric)).toBe('cost 1.50 crowns/kg (milk and cream)');
  expect(goodCostWords({ costPerKg: null }, metric)).toBeNull();
});

import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  compositionFault,
  litresOfMass,
  massOfLitresKg,
  MILK_FACTS,
  MILK_KINDS,
  plasmaSnfPercent,
  specificHeatKjPerKgK,
  waterFraction,
  withFat,
} from './index.ts';

test.each(MILK_KINDS)('%s is a possible milk, lighter than its dry parts and heavier than water', (kind) => {
  const { composition } = MILK_FACTS[kind];
  expect(compositionFault(composition)).toBeNull();
  const kgPerL = massOfLitresKg(1, composition);
  expect(kgPerL).toBeGreaterThan(1.02);
  expect(kgPerL).toBeLessThan(1.045);
  expect(litresOfMass(massOfLitresKg(3.3, composition), composition)).toBeCloseTo(3.3, 9);
});

test('changing the fat leaves the plasma as it was', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 0.5, noNaN: true }), (fat) => {
      const base = MILK_FACTS['cow-lean'].composition;
      const changed = withFat(base, fat);
      expect(plasmaSnfPercent(changed)).toBeCloseTo(plasmaSnfPercent(base), 9);
      expect(compositionFault(changed)).toBeNull();
    }),
  );
});

test('an impossible composition is said in words', () => {
  expect(
    compositionFault({ fatFraction: 0.9, proteinFraction: 0.2, lactoseFraction: 0, ashFraction: 0 }),
  ).toMatch(/more than the whole/);
  expect(
    compositionFault({ fatFraction: -0.1, proteinFraction: 0, lactoseFraction: 0, ashFraction: 0 }),
  ).toMatch(/between 0 and 1/);
});

test('pure water has the specific heat of water', () => {
  const water = { fatFraction: 0, proteinFraction: 0, lactoseFraction: 0, ashFraction: 0 };
  expect(waterFraction(water)).toBe(1);
  expect(specificHeatKjPerKgK(water, 20)).toBeCloseTo(4.177, 2);
});

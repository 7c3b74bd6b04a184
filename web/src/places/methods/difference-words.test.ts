import { describe, expect, test } from '@jest/globals';
import { defaultKitchen, differences, freshStep, SHIPPED_METHODS } from '@morning-crock/core';
import type { Method } from '@morning-crock/core/contract';
import { unitsOf } from '../../data/units-of.ts';
import { differenceWords } from './difference-words.ts';
import { fieldUnit } from './field-units.ts';

const kitchen = defaultKitchen('UTC');
const metric = unitsOf(kitchen);
const us = unitsOf({ ...kitchen, units: { ...kitchen.units, temperature: 'F', measures: 'us' } });
const SKYR = SHIPPED_METHODS.find(({ id }) => id === 'skyr')!;
const words = (to: Method, units = metric): string[] =>
  differences(SKYR, to).map((difference) => differenceWords(difference, units));

describe('what is different between two methods', () => {
  test('is told with the names of the form and in the kitchen’s own measures', () => {
    const warmer: Method = { ...SKYR, aims: { ...SKYR.aims, inoculateC: 40, sourness: 'sharp' } };
    expect(words(warmer)).toEqual([
      expect.stringMatching(/^Inoculation temperature: \d+(\.\d)? °C → 40 °C$/),
      expect.stringMatching(/^Sourness: [a-z]+ → sharp$/),
    ]);
    expect(words(warmer, us)[0]).toMatch(/°F → 104 °F$/);
    const rested: Method = { ...SKYR, steps: [...SKYR.steps, freshStep(SKYR.steps, 'rest')] };
    expect(words(rested)).toEqual(['With: Resting']);
  });

  test('no line has a raw name, a quote or an unknown thing in it', () => {
    for (const other of SHIPPED_METHODS)
      for (const line of [...words(other), ...words(other, us)])
        expect(line).not.toMatch(/[a-z][A-Z]|"|\bnull\b|undefined|NaN|\[object/);
  });
});

test('a field goes there and back in every kitchen’s measure', () => {
  for (const units of [metric, us])
    for (const unit of ['celsius', 'kg', 'cm', 'percent', 'min', 'h', 'd', 'L', 'none'] as const) {
      const { read, shown } = fieldUnit(unit, units);
      expect(read(shown(7.5))).toBeCloseTo(7.5, 9);
    }
  expect(fieldUnit('cm', us).label).toBe('in');
  expect(fieldUnit('kg', us).label).toBe('lb');
  expect(fieldUnit('kg', metric).label).toBe('kg');
});

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  formatMass,
  formatMinutes,
  formatTemperature,
  formatVolume,
  fromCelsius,
  fromLitres,
  MILLILITRES_PER,
  otherUnitFits,
  outwardBand,
  readTypedNumber,
  toCelsius,
  toKilograms,
  toLitres,
  type VolumeUnit,
} from './index.ts';

describe('temperature', () => {
  test('fixed points of both scales', () => {
    expect(toCelsius(32, 'F')).toBe(0);
    expect(toCelsius(212, 'F')).toBe(100);
    expect(fromCelsius(43, 'F')).toBeCloseTo(109.4);
  });

  test('180 in °C is taken for a slip of 180 °F, 43 is not', () => {
    const milk = { min: 0, max: 110 };
    expect(otherUnitFits(180, 'C', milk)).toBe('F');
    expect(otherUnitFits(43, 'C', milk)).toBeNull();
    expect(otherUnitFits(9000, 'C', milk)).toBeNull();
  });
});

describe('measures', () => {
  test('a quart is not a litre, and a cup depends on where', () => {
    expect(toLitres(1, 'quart-us')).toBeCloseTo(0.946353, 6);
    expect(toLitres(1, 'cup-us')).not.toBe(toLitres(1, 'cup-metric'));
    expect(toLitres(4, 'quart-us')).toBeCloseTo(toLitres(1, 'gal-us'), 5);
    expect(toLitres(8, 'pint-imp')).toBeCloseTo(toLitres(1, 'gal-imp'), 5);
    expect(toKilograms(16, 'oz')).toBeCloseTo(toKilograms(1, 'lb'), 5);
  });

  test('there and back is the same', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 1e4, noNaN: true }),
        fc.constantFrom(...(Object.keys(MILLILITRES_PER) as VolumeUnit[])),
        (value, unit) => {
          expect(fromLitres(toLitres(value, unit), unit)).toBeCloseTo(value, 8);
        },
      ),
    );
  });
});

describe('numbers as typed', () => {
  test.each([
    ['43.5', 43.5],
    ['43,5', 43.5],
    [' 2 ', 2],
    ['1 250', 1250],
    ['1.234,5', 1234.5],
    ['1,234.5', 1234.5],
    ['1,234,567', 1234567],
    ['0,125', 0.125],
    ['−3', -3],
    ['.5', 0.5],
  ])('%s is %d', (text, value) => expect(readTypedNumber(text)).toEqual({ ok: true, value }));

  test('1,000 is asked about', () => {
    expect(readTypedNumber('1,000')).toEqual({ ok: false, reason: 'ambiguous', readings: [1, 1000] });
  });

  test.each(['a spoon', '4..5', '1,2,3', '12-3', '--1', 'NaN', '1e9'])('%s is no number', (text) => {
    expect(readTypedNumber(text)).toEqual({ ok: false, reason: 'not-a-number' });
  });

  test('nothing is nothing', () => expect(readTypedNumber('  ')).toEqual({ ok: false, reason: 'empty' }));
});

describe('shown', () => {
  test.each([
    [formatTemperature(43.25, 'C'), '43.3 °C'],
    [formatTemperature(84.6, 'C'), '85 °C'],
    [formatTemperature(43, 'F'), '109 °F'],
    [formatMass(0.061, 'metric'), '61 g'],
    [formatMass(1.2345, 'metric'), '1.23 kg'],
    [formatMass(0.0283495, 'us'), '1 oz'],
    [formatVolume(2.25, 'metric'), '2.25 L'],
    [formatVolume(0.946353, 'us'), '1 qt (US)'],
    [formatMinutes(200), '3 h 20 min'],
    [formatMinutes(59.7), '1 h'],
    [formatMinutes(71 * 60 + 50), '71 h 50 min'],
    [formatMinutes(72 * 60), '3 days'],
    [formatMinutes(124 * 60 + 20), '5 days 4 h'],
    [formatMinutes(200 * 24 * 60 + 500), '200 days'],
  ])('%s', (got, wanted) => expect(got).toBe(wanted));

  test('a band is rounded outward to five minutes', () => {
    const at = (text: string): number => Date.parse(`2026-01-01T${text}:00.000Z`);
    expect(outwardBand(at('18:12'), at('18:46'))).toEqual({ fromMs: at('18:10'), toMs: at('18:50') });
  });
});

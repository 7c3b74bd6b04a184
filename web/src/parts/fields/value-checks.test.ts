import { describe, expect, test } from '@jest/globals';
import { valueFault } from './value-checks.ts';

describe('what the pad refuses', () => {
  test.each([
    ['temperature', 180, 'C', /180 °F is 82 °C/],
    ['temperature', 42, 'F', /^$/],
    ['temperature', 300, 'F', /is not possible for milk/],
    ['temperature', -8, 'C', /frozen/],
    ['temperature', 84.6, 'C', /^$/],
    ['ph', 4.6, 'pH', /^$/],
    ['ph', 46, 'pH', /is not possible for milk/],
    ['mass', 431, 'g', /^$/],
    ['mass', 431, 'kg', /more than 100 kg/],
    ['mass', -1, 'g', /above 0/],
    ['mass', 1, 'cup', /unit of weight/],
  ] as const)('%s %d %s', (kind, value, unit, words) =>
    expect(valueFault(kind, value, unit) ?? '').toMatch(words),
  );

  test.each([
    [122, /^$/],
    [165, /^$/],
    [230, /230 °F is 110 °C/],
    [430, /is not possible for butter/],
  ])('fat on the fire at %d °C', (celsius, words) =>
    expect(valueFault('temperature', celsius, 'C', 'fat') ?? '').toMatch(words),
  );
});

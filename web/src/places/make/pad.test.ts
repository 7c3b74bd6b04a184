import { describe, expect, test } from '@jest/globals';
import { padFault, padMassKg } from './pad-checks.ts';
import { readTakenAt } from './taken-at.ts';

describe('what the pad refuses', () => {
  test.each([
    ['temperature', 180, 'C', /180 °F is 82 °C/],
    ['temperature', 42, 'F', /^$/],
    ['temperature', 300, 'F', /cannot be milk/],
    ['temperature', -8, 'C', /frozen/],
    ['temperature', 84.6, 'C', /^$/],
    ['ph', 4.6, 'pH', /^$/],
    ['ph', 46, 'pH', /cannot be milk/],
    ['mass', 431, 'g', /^$/],
    ['mass', 431, 'kg', /more than 100 kg/],
    ['mass', -1, 'g', /above 0/],
    ['mass', 1, 'cup', /unit of weight/],
  ] as const)('%s %d %s', (kind, value, unit, words) =>
    expect(padFault(kind, value, unit) ?? '').toMatch(words),
  );

  test('ounces become kilograms exactly', () => expect(padMassKg(16, 'oz')).toBeCloseTo(0.453592, 5));
});

describe('when a reading was taken', () => {
  const now = Date.parse('2026-03-02T10:00:00.000Z');
  const at = (text: string) => readTakenAt(text, 'UTC', now);

  test('nothing typed is now, an earlier time is placed there', () => {
    expect(at('')).toEqual({ ok: true, atMs: now });
    expect(at('09:15')).toEqual({ ok: true, atMs: Date.parse('2026-03-02T09:15:00.000Z') });
  });

  test('a minute ahead is now, half an hour ahead is refused, the evening is yesterday’s', () => {
    expect(at('10:01')).toEqual({ ok: true, atMs: now });
    expect(at('10:30')).toMatchObject({ ok: false });
    expect(at('22:10')).toEqual({ ok: true, atMs: Date.parse('2026-03-01T22:10:00.000Z') });
  });
});

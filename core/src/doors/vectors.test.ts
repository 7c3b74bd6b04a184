import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { answerSum, listSums } from './index.ts';

/** Cases from an independent implementation of the same equations (adaptive solver, tolerance 1e-8). */
interface Case {
  readonly name: string;
  readonly in: unknown;
  readonly out: Record<string, number | null | Record<string, number | null>>;
}
const cases = JSON.parse(readFileSync(new URL('./vectors.json', import.meta.url), 'utf8')) as Record<
  string,
  Case[]
>;

function compute(name: string, input: unknown): Record<string, unknown> {
  const answer = answerSum(name, JSON.stringify(input));
  if (!answer.ok) throw new Error(answer.message);
  return answer.json as Record<string, unknown>;
}

/** Relative tolerance of a result by its name, or absolute for pH. */
const RELATIVE: Readonly<Record<string, number>> = {
  hoursToPh: 0.005,
  acidAt24HoursMmolPerKg: 0.005,
  minutes: 0.01,
  denaturedFraction: 0.001,
  pasteurisationMinutes: 0.001,
  densityKgPerM3: 0.001,
  specificHeatAt20CKjPerKgK: 0.001,
  specificHeatAt60CKjPerKgK: 0.001,
  celsius: 0.001,
  breakC: 0.001,
  buttermilkFatFraction: 0.001,
  serumLeftFraction: 0.001,
  washesToKeep: 0,
  saltFraction: 0.001,
  brineFraction: 0.001,
  index: 0.001,
  wheyKg: 0.001,
  wheyBackKg: 0.002,
  hoursToTarget: 0.005,
  proteinFraction: 0.001,
  fatFraction: 0.002,
  minutesToCleanBreak: 0.005,
  waterKg: 0.001,
  gheeKg: 0.001,
  butterKg: 0.001,
  buttermilkKg: 0.001,
};

function compare(key: string, got: unknown, wanted: number | null): void {
  if (wanted === null) return expect(got).toBeNull();
  expect(typeof got).toBe('number');
  const off = Math.abs((got as number) - wanted);
  const allowed = key === 'phAtHours' ? 0.01 : wanted * RELATIVE[key]!;
  expect(off).toBeLessThanOrEqual(allowed);
}

describe.each(Object.keys(cases))('%s', (name) => {
  test.each(cases[name]!.map((c) => [c.name, c] as const))('%s', (_title, c) => {
    const out = compute(name, c.in);
    for (const [key, wanted] of Object.entries(c.out)) {
      if (wanted === null || typeof wanted === 'number') compare(key, out[key], wanted);
      else
        for (const [at, value] of Object.entries(wanted))
          compare(key, (out[key] as Record<string, unknown>)[at], value);
    }
  });
});

describe('the door', () => {
  test('an array in gives an array out, a case in gives the case back with what was computed', () => {
    expect(compute('boil', [{ altitudeM: 0 }, { altitudeM: 1800 }])).toHaveLength(2);
    const back = compute('boil', { name: 'hill', in: { altitudeM: 1800 } });
    expect(back).toMatchObject({ name: 'hill', out: { celsius: expect.closeTo(94, 1) as unknown } });
  });

  test.each([
    ['boil', '{"altitudeM":"high"}', /^altitudeM: /],
    ['boil', '[{"altitudeM":1},{}]', /^1\.altitudeM: /],
    ['cool', '{"litres":1}', /^composition: /],
    [
      'butter',
      '{"creamKg":1,"creamFatFraction":0.3,"buttermilkFatFraction":0.9,"butterFatFraction":0.8}',
      /^butterFatFraction: /,
    ],
    ['wash', '{"carriedKgPerKg":0,"waterKgPerKg":1,"exchangeFraction":0.8,"washes":1}', /^carriedKgPerKg: /],
    ['salt', '{"butterKg":0,"moistureFraction":0.16,"saltKg":0.01}', /^butterKg: /],
    ['churn', '{"churn":"spoon"}', /^churn: /],
    ['boil', '{"altitudeM":1', /is not JSON/],
    ['nothing', '{}', /there is no tool called/],
    ['boil', '{"altitudeM":1,"more":2}', /more/],
  ])('%s refuses %s and names the field', (name, text, message) => {
    const answer = answerSum(name, text);
    expect(answer.ok).toBe(false);
    expect(answer.ok ? '' : answer.message).toMatch(message);
  });

  test('every sum is listed with a schema', () => {
    const listed = listSums() as { name: string; in: { type?: string } }[];
    expect(listed.map((s) => s.name)).toEqual(expect.arrayContaining([...Object.keys(cases), 'forecast']));
    expect(listed.every((s) => s.in.type === 'object')).toBe(true);
  });

  test('a forecast narrows when a reading is given and says when it contradicts', () => {
    const milk = cases['ferment']![0]!.in as Record<string, unknown>;
    const before = compute('forecast', milk)['hoursToPh'] as Record<string, { p10: number; p90: number }>;
    const after = compute('forecast', { ...milk, readings: [{ kind: 'ph', hour: 2.5, ph: 5.3 }] });
    const narrowed = after['hoursToPh'] as typeof before;
    expect(narrowed['4.6']!.p90 - narrowed['4.6']!.p10).toBeLessThan(before['4.6']!.p90 - before['4.6']!.p10);
    expect(after['contradiction']).toBeNull();
    expect(
      compute('forecast', { ...milk, readings: [{ kind: 'ph', hour: 6, ph: 6.6 }] })['contradiction'],
    ).toBe('slower');
  });
});

import { describe, expect, test } from '@jest/globals';
import { createRandom } from '../numerics/index.ts';
import { expectedLitres, fitLactation, litresOnDay, type DayOfMilk } from './index.ts';

const TRUE = { a: 9.2, b: 0.24, c: 0.0041 };

describe('lactation', () => {
  test('the curve peaks at b/c, as published', () => {
    const peakDay = TRUE.b / TRUE.c;
    const peak = litresOnDay(TRUE, peakDay);
    expect(litresOnDay(TRUE, peakDay - 5)).toBeLessThan(peak);
    expect(litresOnDay(TRUE, peakDay + 5)).toBeLessThan(peak);
    expect(peak).toBeCloseTo(TRUE.a * peakDay ** TRUE.b * Math.exp(-TRUE.b), 9);
  });

  test('days without scatter give the curve back', () => {
    const days = Array.from({ length: 60 }, (_, i): DayOfMilk => [4 * i + 3, litresOnDay(TRUE, 4 * i + 3)]);
    const fit = fitLactation(days, 'cow-lean')!;
    expect(fit.a).toBeCloseTo(TRUE.a, 1);
    expect(fit.b).toBeCloseTo(TRUE.b, 2);
    expect(fit.c).toBeCloseTo(TRUE.c, 3);
    expect(fit.peakDay).toBeCloseTo(TRUE.b / TRUE.c, 0);
  });

  test('of many noisy two-month logs the day three weeks on lies in the band about eight times in ten', () => {
    const random = createRandom(77);
    let inside = 0;
    const runs = 300;
    for (let run = 0; run < runs; run++) {
      const truth = {
        a: 9 * Math.exp(0.2 * random.normal()),
        b: 0.2 + 0.05 * random.normal(),
        c: 0.0033 * Math.exp(0.25 * random.normal()),
      };
      const from = 20 + Math.floor(100 * random.uniform());
      const scatter = (): number => Math.exp(0.1 * random.normal());
      const days = Array.from({ length: 60 }, (_, i): DayOfMilk => [
        from + i,
        litresOnDay(truth, from + i) * scatter(),
      ]);
      const then = from + 81;
      const { p10, p90 } = expectedLitres(fitLactation(days, 'cow-lean')!, then);
      const real = litresOnDay(truth, then) * scatter();
      if (real >= p10 && real <= p90) inside++;
    }
    expect(inside / runs).toBeGreaterThan(0.72);
    expect(inside / runs).toBeLessThan(0.9);
  });

  test('a few days give the usual shape at their height; fewer than five give nothing', () => {
    const days = [30, 31, 32, 33, 34].map((t): DayOfMilk => [t, 12]);
    const fit = fitLactation(days, 'cow-lean')!;
    expect(litresOnDay(fit, 32)).toBeCloseTo(12, 0);
    expect(fit.b).toBeCloseTo(0.2, 1);
    expect(fitLactation(days.slice(1), 'cow-lean')).toBeNull();
  });
});

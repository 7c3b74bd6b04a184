import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { EVENT_DATA } from '../../contract/index.ts';
import { butterFat, fatWays, panMoisture } from './index.ts';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('where the fat went', () => {
  test('all of it is somewhere: butter, buttermilk, elsewhere', () => {
    fc.assert(
      fc.property(
        between(0.1, 20),
        between(0.12, 0.5),
        between(0.05, 0.95),
        fc.option(between(0.1, 0.3), { nil: null }),
        fc.option(between(0.2, 0.9), { nil: null }),
        (creamKg, creamFatFraction, share, moistureFraction, rest) => {
          const fatKg = creamKg * creamFatFraction;
          const ways = fatWays({
            creamKg,
            creamFatFraction,
            butterKg: (share * fatKg) / butterFat(moistureFraction),
            moistureFraction,
            buttermilkKg: rest === null ? null : rest * (creamKg - fatKg),
            buttermilkFatFraction: 0.008,
          });
          expect(ways.inButterKg! + (ways.inButtermilkKg ?? 0) + ways.elsewhereKg!).toBeCloseTo(fatKg, 9);
          expect(ways.elsewhereKg!).toBeGreaterThanOrEqual(-1e-9);
          expect(ways.inButterKg!).toBeCloseTo(share * fatKg, 9);
        },
      ),
    );
  });

  test('unweighed, only what is possible is known; wetter butter holds less of it', () => {
    const of = { creamKg: 2, creamFatFraction: 0.35, buttermilkKg: null, buttermilkFatFraction: 0.008 };
    expect(fatWays({ ...of, butterKg: null, moistureFraction: null })).toMatchObject({
      inButterKg: null,
      elsewhereKg: null,
      overrunFraction: null,
    });
    const wet = fatWays({ ...of, butterKg: 0.8, moistureFraction: 0.25 });
    const worked = fatWays({ ...of, butterKg: 0.8, moistureFraction: 0.16 });
    expect(wet.inButterKg!).toBeLessThan(worked.inButterKg!);
    expect(wet.possibleKg).toBeGreaterThan(worked.possibleKg);
    expect(worked.overrunFraction).toBeCloseTo(0.8 / 0.7 - 1, 9);
  });

  test('a pan test that leaves no butter is refused where it comes in', () => {
    const test = (afterKg: number) =>
      EVENT_DATA['pan-tested'].safeParse({
        beforeKg: 0.01,
        afterKg,
        typed: { value: afterKg * 1000, unit: 'g' },
      });
    expect(test(0.0084).success).toBe(true);
    expect(test(0.011).error?.issues[0]?.message).toMatch(/more than before/);
    expect(test(0.001).error?.issues[0]?.message).toMatch(/more than 40 % water/);
  });

  test('a pan test: what was lost is water; heavier after than before is no test', () => {
    expect(panMoisture(0.01, 0.0084)).toBeCloseTo(0.16, 12);
    expect(() => panMoisture(0.01, 0.011)).toThrow(/cannot be more than the weight before/);
    expect(() => panMoisture(0, 0)).toThrow(RangeError);
  });
});

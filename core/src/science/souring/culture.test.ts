import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  acidAtHour,
  acidOfPh,
  CREAM_CUES,
  MILK_CUES,
  cueProbability,
  ferment,
  firmnessIndex,
  firmnessWord,
  gelPh,
  GROUP_CONSTANTS,
  hoursToPh,
  inoculumOf,
  killRatePerH,
  lactoseUsedGPerKg,
  normalCdf,
  phAtHour,
  phFactor,
  phOfAcid,
  safetyLimit,
  sournessOfPh,
  STARTER_FACTS,
  STARTER_KINDS,
  temperatureFactor,
  warmSpell,
  type Fermentation,
} from './index.ts';

const yogurt = (over: Partial<Fermentation> = {}): Fermentation => ({
  ...inoculumOf({ kind: 'fresh-yogurt', massRatio: 0.03 }),
  temperature: { kind: 'constant', celsius: 43 },
  plasmaSnfPercent: 9,
  ...over,
});

describe('rates', () => {
  test.each(['st', 'lb', 'lc'] as const)('%s: one at the optimum, nothing outside its range', (group) => {
    const c = GROUP_CONSTANTS[group];
    expect(temperatureFactor(c, c.tOptC)).toBeCloseTo(1, 9);
    expect(phFactor(c, c.phOpt)).toBeCloseTo(1, 9);
    expect([c.tMinC, c.tMaxC, c.tMinC - 5, c.tMaxC + 5].map((t) => temperatureFactor(c, t))).toEqual([
      0, 0, 0, 0,
    ]);
    expect(killRatePerH(c, c.tMaxC)).toBe(0);
    // One decade in 1/30 h at the reference, ten times as fast 5 K above.
    expect(killRatePerH(c, c.killRefC)).toBeCloseTo(Math.LN10 * 30, 6);
    expect(killRatePerH(c, c.killRefC + 5)).toBeCloseTo(Math.LN10 * 300, 5);
    for (let t = c.tMinC; t < c.tMaxC; t += 0.5)
      expect(temperatureFactor(c, t)).toBeLessThanOrEqual(1 + 1e-9);
  });
});

describe('acid and pH', () => {
  test('published titration points, and the inverse', () => {
    expect(phOfAcid(0, 9)).toBeCloseTo(6.65, 4);
    expect(phOfAcid(80, 9)).toBeCloseTo(4.6, 4);
    expect(phOfAcid(1000, 9)).toBeCloseTo(3.4, 4);
    fc.assert(
      fc.property(
        fc.double({ min: 3.5, max: 6.6, noNaN: true }),
        fc.double({ min: 7, max: 14, noNaN: true }),
        (ph, snf) => {
          expect(phOfAcid(acidOfPh(ph, snf), snf)).toBeCloseTo(ph, 4);
        },
      ),
    );
  });

  test('more protein buffers more', () => expect(phOfAcid(60, 12)).toBeGreaterThan(phOfAcid(60, 9)));
});

describe('one fermentation', () => {
  test('a ten times finer step gives the same within 0.005 pH, hot start included', () => {
    const courses: Fermentation['temperature'][] = [
      { kind: 'newton', startC: 47, ambientC: 36, tauH: 4 },
      {
        kind: 'points',
        hoursAndCelsius: [
          [0, 54],
          [0.5, 53],
          [1, 44],
          [24, 42],
        ],
      },
    ];
    for (const temperature of courses) {
      const coarse = ferment(yogurt({ temperature }), 24);
      const fine = ferment(yogurt({ temperature }), 24, 0.01);
      for (let h = 0; h <= 24; h += 0.5)
        expect(Math.abs(phAtHour(coarse, h) - phAtHour(fine, h))).toBeLessThan(0.005);
    }
  });

  test('pH only falls, more starter is never slower, all acid is somebody’s', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.004, max: 0.06, noNaN: true }),
        fc.double({ min: 34, max: 45, noNaN: true }),
        (massRatio, celsius) => {
          const start = inoculumOf({ kind: 'fresh-yogurt', massRatio });
          const more = inoculumOf({ kind: 'fresh-yogurt', massRatio: massRatio * 1.5 });
          const temperature = { kind: 'constant', celsius } as const;
          const course = ferment(yogurt({ ...start, temperature }), 20);
          for (let i = 1; i <= course.steps; i++)
            expect(course.ph[i]!).toBeLessThanOrEqual(course.ph[i - 1]! + 1e-9);
          expect(hoursToPh(ferment(yogurt({ ...more, temperature }), 20), 4.6)).toBeLessThanOrEqual(
            hoursToPh(course, 4.6),
          );
          const made = Object.values(course.acidByGroup).reduce(
            (sum, acid) => sum + acid.at(-1)!,
            start.startAcidMmolPerKg,
          );
          expect(acidAtHour(course, 20)).toBeCloseTo(made, 9);
        },
      ),
      { numRuns: 25 },
    );
  });

  test('nothing happens in the refrigerator, and 80 °C kills', () => {
    const cold = ferment(yogurt({ temperature: { kind: 'constant', celsius: 4 } }), 48);
    expect(cold.ph.at(-1)).toBeCloseTo(cold.ph[0]!, 6);
    const hot = ferment(
      yogurt({
        temperature: {
          kind: 'points',
          hoursAndCelsius: [
            [0, 80],
            [0.3, 80],
            [0.5, 43],
            [48, 43],
          ],
        },
      }),
      48,
    );
    expect(hoursToPh(hot, 4.6)).toBe(Infinity);
  });
});

describe('starters', () => {
  test('every kind gives a culture, and an aged one gives less', () => {
    for (const kind of STARTER_KINDS) {
      const { dosing } = STARTER_FACTS[kind];
      const dose = dosing === 'mass' ? { massRatio: 0.02 } : { statedRatio: 1 };
      expect(Object.keys(inoculumOf({ kind, ...dose }).log10CfuPerMl).length).toBeGreaterThan(0);
    }
    const count = (ageD: number): number =>
      inoculumOf({ kind: 'fresh-yogurt', ageD, massRatio: 0.02 }).log10CfuPerMl.lb!;
    expect(count(10)).toBeCloseTo(count(0) - 0.5, 9);
    expect(() => inoculumOf({ kind: 'fresh-yogurt', massRatio: 0 })).toThrow(RangeError);
  });
});

describe('judging', () => {
  test('sourness by pH at about 4.46, 4.24 and 4.04', () => {
    expect([4.5, 4.4, 4.3, 4.2, 4.1, 4.0].map(sournessOfPh)).toEqual([
      'mild',
      'classic',
      'classic',
      'tart',
      'tart',
      'sharp',
    ]);
  });

  test('firmness: lean heated about 52, unheated about 23, ewe about 90', () => {
    const base = { ph: 4.4, gelC: 42, bodyFactor: 1 };
    expect(firmnessIndex({ ...base, proteinFraction: 0.033, denatured: 0.95 })).toBeGreaterThan(48);
    expect(firmnessIndex({ ...base, proteinFraction: 0.033, denatured: 0.95 })).toBeLessThan(57);
    expect(firmnessIndex({ ...base, proteinFraction: 0.033, denatured: 0 })).toBeCloseTo(24, -0.5);
    expect(firmnessIndex({ ...base, proteinFraction: 0.056, denatured: 0.95 })).toBeGreaterThan(85);
    expect(firmnessIndex({ ...base, proteinFraction: 0.033, denatured: 0.95, ph: 6 })).toBe(0);
    expect([10, 30, 50, 80].map(firmnessWord)).toEqual(['thin', 'pourable', 'spoonable', 'firm']);
  });

  test('lactose used never exceeds what is there', () => {
    expect(lactoseUsedGPerKg({ st: 100 }, 50)).toBeCloseTo(17.1, 6);
    expect(lactoseUsedGPerKg({ lc: 100 }, 50)).toBeCloseTo(8.55, 6);
    expect(lactoseUsedGPerKg({ st: 900 }, 50)).toBe(50);
  });

  test('cues share out all probability and follow the pH', () => {
    for (const ph of [6.5, 5.3, 5.0, 4.55, 4.2]) {
      for (const scale of [MILK_CUES, CREAM_CUES])
        expect(scale.reduce((sum, cue) => sum + cueProbability(cue, ph, 0.9), 0)).toBeCloseTo(1, 5);
    }
    const likeliest = (ph: number): string =>
      [...MILK_CUES].sort((a, b) => cueProbability(b, ph, 0.9) - cueProbability(a, ph, 0.9))[0]!;
    expect([6.2, gelPh(0.9) - 0.1, 4.6, 4.2].map(likeliest)).toEqual([
      'liquid',
      'trembles',
      'set',
      'whey-shows',
    ]);
    expect(normalCdf(1.2816)).toBeCloseTo(0.9, 4);
  });
});

describe('safety clock', () => {
  test('limits by kind and mean temperature', () => {
    expect([42, 24, 16, 10].map((t) => safetyLimit('with-starter', t).limitH)).toEqual([12, 24, 36, null]);
    expect([22, 18, 12].map((t) => safetyLimit('raw-alone', t).limitH)).toEqual([48, 72, null]);
    expect(safetyLimit('treated-without-starter', 30).limitH).toBe(2);
  });

  test('only time between 5 and 60 °C counts', () => {
    const spell = warmSpell(
      [
        [0, 4],
        [1, 4],
        [1.001, 43],
        [5, 43],
        [5.001, 70],
        [7, 70],
      ],
      7,
    );
    expect(spell.warmH).toBeCloseTo(4, 1);
    expect(spell.meanC).toBeCloseTo(43, 0);
    expect(
      warmSpell(
        [
          [0, 30],
          [10, 30],
        ],
        3,
      ).warmH,
    ).toBeCloseTo(3, 9);
  });
});

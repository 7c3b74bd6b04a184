import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { MILK_FACTS } from '../milk/index.ts';
import {
  brineSaltKg,
  briningHours,
  cheeseOf,
  cleanBreakSigma,
  drainedAfter,
  drainedBy,
  drainedTo,
  grainsAfter,
  heatingPaceCPerMin,
  hoursToThickness,
  jarOfTwo,
  minutesToCleanBreak,
  mostWheyFraction,
  pressureKpa,
  rennetStrength,
  rennetUnits,
  strengthByBreak,
  swapWaterC,
  tauByWeighings,
  wheelHeightCm,
  wheyBackKg,
  type Draining,
} from './index.ts';

const YOGURT: Draining = {
  massKg: 2.1,
  fatFraction: 0.036,
  proteinFraction: 0.034,
  heated: true,
  tauAt6CH: 6,
  celsius: 5,
};
const draining = fc.record({
  massKg: fc.double({ min: 0.2, max: 40, noNaN: true }),
  fatFraction: fc.double({ min: 0, max: 0.2, noNaN: true }),
  proteinFraction: fc.double({ min: 0.02, max: 0.08, noNaN: true }),
  heated: fc.boolean(),
  tauAt6CH: fc.double({ min: 0.3, max: 12, noNaN: true }),
  celsius: fc.double({ min: 2, max: 30, noNaN: true }),
});

describe('draining', () => {
  test('keeps mass, fat and protein, and only ever gets thicker', () => {
    fc.assert(
      fc.property(draining, fc.double({ min: 0, max: 60, noNaN: true }), (of, hours) => {
        const { curdKg, wheyKg, proteinFraction, fatFraction, wheyProteinFraction } = drainedAfter(of, hours);
        expect(curdKg + wheyKg).toBeCloseTo(of.massKg, 9);
        expect(curdKg * fatFraction).toBeCloseTo(of.massKg * of.fatFraction, 9);
        expect(curdKg * proteinFraction + wheyKg * wheyProteinFraction).toBeCloseTo(
          of.massKg * of.proteinFraction,
          9,
        );
        expect(drainedAfter(of, hours + 1).proteinFraction).toBeGreaterThanOrEqual(proteinFraction - 1e-12);
        expect(wheyKg).toBeLessThanOrEqual(mostWheyFraction(of) * of.massKg + 1e-9);
      }),
    );
  });

  test('the hours to a thickness are those after which it is so thick; beyond what can run off there are none', () => {
    fc.assert(
      fc.property(draining, fc.double({ min: 0.03, max: 0.15, noNaN: true }), (of, fraction) => {
        const target = { of: 'protein', fraction } as const;
        const hours = hoursToThickness(of, target);
        if (hours === null) expect(drainedAfter(of, 10_000).proteinFraction).toBeLessThan(fraction + 1e-6);
        else if (hours === 0) expect(of.proteinFraction).toBeGreaterThanOrEqual(fraction - 1e-9);
        else expect(drainedAfter(of, hours).proteinFraction).toBeCloseTo(fraction, 6);
      }),
    );
    expect(hoursToThickness({ ...YOGURT, fatFraction: 0.12 }, { of: 'fat', fraction: 0.2 })).toBeGreaterThan(
      0,
    );
  });

  test('whey stirred back makes it as thick as it was to be', () => {
    const target = { of: 'protein', fraction: 0.06 } as const;
    const far = drainedAfter(YOGURT, 24);
    const back = wheyBackKg(far, target);
    const mixed = (far.curdKg * far.proteinFraction + back * far.wheyProteinFraction) / (far.curdKg + back);
    expect(mixed).toBeCloseTo(0.06, 9);
    expect(wheyBackKg(drainedAfter(YOGURT, 1), target)).toBe(0);
    expect(drainedTo(YOGURT, target).proteinFraction).toBeCloseTo(0.06, 9);
    expect(drainedBy(YOGURT, 0.4).wheyKg).toBeCloseTo(0.4, 9);
  });

  test('a weighing tells how fast this cloth is: the more often the surer, and what says nothing is passed over', () => {
    const truth = { ...YOGURT, tauAt6CH: 9 };
    const seen = (hours: number) => ({ hours, wheyKg: drainedAfter(truth, hours).wheyKg });
    const once = tauByWeighings(YOGURT, [seen(2)]);
    const twice = tauByWeighings(YOGURT, [seen(2), seen(4)]);
    expect(Math.abs(Math.log(once.tauAt6CH / 9))).toBeLessThan(0.05);
    expect(Math.abs(Math.log(twice.tauAt6CH / 9))).toBeLessThan(Math.abs(Math.log(once.tauAt6CH / 9)));
    expect(twice.sigma).toBeLessThan(once.sigma);
    expect(
      tauByWeighings(YOGURT, [
        { hours: 0, wheyKg: 1 },
        { hours: 1, wheyKg: 5 },
      ]).tauAt6CH,
    ).toBeCloseTo(6, 9);
  });
});

describe('rennet', () => {
  const milk = { imcuPerLitre: 35, celsius: 32, ph: 6.5, denaturedFraction: 0 };
  test('forty minutes by the book; half the dose twice as long; warmer and sourer sooner; heated milk later', () => {
    expect(minutesToCleanBreak(milk)).toBe(40);
    expect(minutesToCleanBreak({ ...milk, imcuPerLitre: 17.5 })).toBeCloseTo(80, 9);
    expect(minutesToCleanBreak({ ...milk, celsius: 36 })).toBeLessThan(40);
    expect(minutesToCleanBreak({ ...milk, ph: 6.3 })).toBeLessThan(40);
    expect(minutesToCleanBreak({ ...milk, denaturedFraction: 0.9 })).toBeGreaterThan(100);
    expect(() => minutesToCleanBreak({ ...milk, imcuPerLitre: 0 })).toThrow(RangeError);
  });

  test('of a strength nobody knows the band is wide, and a clean break tells it', () => {
    expect(rennetStrength('mL', 150)).toEqual({ imcu: 150, sigma: 0 });
    expect(cleanBreakSigma('mL', null)).toBeGreaterThan(2 * cleanBreakSigma('mL', 150));
    // Four litres at 35 IMCU by a rennet that is really twice as strong: it breaks in half the time.
    const { imcu } = rennetStrength('mL', null);
    const units = rennetUnits(4, 35, imcu);
    expect(strengthByBreak(milk, 20, 4, units)).toBeCloseTo(2 * imcu, 6);
  });
});

describe('cheese arithmetic', () => {
  const { composition } = MILK_FACTS['cow-lean'];
  test('whey for water: what the curd gains the water loses', () => {
    const waterC = swapWaterC({ composition, massKg: 4, celsius: 32, drawFraction: 0.3 }, 38)!;
    expect(waterC).toBeGreaterThan(50);
    expect(waterC).toBeLessThan(53);
    expect(swapWaterC({ composition, massKg: 4, celsius: 20, drawFraction: 0.05 }, 45)).toBeNull();
    expect(swapWaterC({ composition, massKg: 4, celsius: 38, drawFraction: 0 }, 38)).toBe(38);
  });

  test('weight over area, hours by weight and height, salt by weight of brine', () => {
    expect(pressureKpa(10, 15)).toBeCloseTo((10 * 9.81) / (Math.PI * 0.075 ** 2) / 1000, 9);
    const [from, to] = briningHours(1, 2.54);
    expect([from, to]).toEqual([5, 6]);
    expect(brineSaltKg(4, 0.2)).toBeCloseTo(1, 9);
    expect(wheelHeightCm(1.08, 10)).toBeCloseTo(1000 / (Math.PI * 25), 9);
    // A kilowatt warms a kilogram of milk by about a quarter of a kelvin each second.
    expect(heatingPaceCPerMin(composition, 1, 1, 20)).toBeCloseTo(60 / 3.89, 0);
  });

  test('ten litres of lean milk give a kilogram of firm cheese, and nothing is lost', () => {
    const made = cheeseOf({ massKg: 10, fatFraction: 0.037, proteinFraction: 0.032 }, 0.4);
    expect(made.cheeseKg).toBeGreaterThan(0.98);
    expect(made.cheeseKg).toBeLessThan(1.1);
    expect(made.cheeseKg + made.wheyKg).toBeCloseTo(10, 9);
    expect(made.cheeseKg * made.fatFraction + made.wheyKg * made.wheyFatFraction).toBeCloseTo(0.37, 9);
    expect(made.cheeseKg * made.proteinFraction + made.wheyKg * made.wheyProteinFraction).toBeCloseTo(
      0.32,
      9,
    );
  });
});

describe('one jar, two products', () => {
  const jar = {
    massKg: 2,
    fatFraction: 0.06,
    depthCm: 12,
    treatment: 'raw' as const,
    homogenised: false,
    hoursToGel: 14,
  };
  test('every gram of fat is in one of them, and the longer it stands the more rises', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.24, noNaN: true }),
        fc.double({ min: 1, max: 60, noNaN: true }),
        (fatFraction, hoursToGel) => {
          const two = jarOfTwo({ ...jar, fatFraction, hoursToGel })!;
          expect(two.creamKg + two.buttermilkKg).toBeCloseTo(2, 9);
          expect(
            two.creamKg * two.creamFatFraction + two.buttermilkKg * two.buttermilkFatFraction,
          ).toBeCloseTo(2 * fatFraction, 9);
          expect(two.creamFatFraction).toBeGreaterThanOrEqual(fatFraction);
        },
      ),
    );
    expect(jarOfTwo({ ...jar, hoursToGel: 30 })!.creamKg).toBeGreaterThan(jarOfTwo(jar)!.creamKg * 0.9);
  });

  test('no layer of what is homogenised or cream already; less of heated milk', () => {
    expect(jarOfTwo({ ...jar, homogenised: true })).toBeNull();
    expect(jarOfTwo({ ...jar, fatFraction: 0.3 })).toBeNull();
    expect(jarOfTwo({ ...jar, treatment: 'heated' })!.creamKg).toBeLessThan(jarOfTwo(jar)!.creamKg);
  });
});

test('grains grow in milk, hardly in cream', () => {
  expect(grainsAfter(0.1, 10, 'milk')).toBeCloseTo(0.1967, 4);
  expect(grainsAfter(0.1, 10, 'cream')).toBeLessThan(0.106);
});

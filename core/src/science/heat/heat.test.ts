import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { MILK_FACTS } from '../milk/index.ts';
import {
  boilingPointC,
  denaturedFraction,
  fitNewton,
  pasteurisationMinutes,
  placeAmbientC,
  placeTauH,
  refitArrival,
  runVessel,
  saturationPressurePa,
} from './index.ts';

const { composition } = MILK_FACTS['cow-lean'];
const pot = { composition, litres: 2, airC: 20, lidded: false };

describe('a pot of milk', () => {
  test('energy is conserved: heating without loss takes m·c·ΔT / P', () => {
    const run = runVessel({ ...pot, startC: 20, powerKw: 0.9, lossFactor: 1e-9 }, 60);
    // Mean c_p of this milk over 20–60 °C is 3.89 kJ/(kg·K); 2 L weigh 2.058 kg.
    expect(run.minutes).toBeCloseTo((2.058 * 3.89 * 40) / 0.9 / 60, 1);
  });

  test('a lid only ever slows cooling, and a larger pot cools slower', () => {
    const minutes = (litres: number, lidded: boolean): number =>
      runVessel({ ...pot, litres, lidded, startC: 85 }, 43).minutes;
    expect(minutes(2, true)).toBeGreaterThan(minutes(2, false));
    expect(minutes(8, false)).toBeGreaterThan(minutes(2, false));
    expect(runVessel({ ...pot, lidded: true, startC: 85 }, 43).evaporatedKg).toBe(0);
  });

  test('what cannot be reached is said, not looped for', () => {
    expect(runVessel({ ...pot, startC: 85 }, 15).outcome).toBe('never');
    expect(runVessel({ ...pot, startC: 5, powerKw: 0.02 }, 85).outcome).toBe('never');
    expect(() => runVessel({ ...pot, litres: 0, startC: 85 }, 43)).toThrow(RangeError);
  });

  test('temperatures run one way between start and target', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.3, max: 30, noNaN: true }), fc.boolean(), (litres, lidded) => {
        const { secondsAndCelsius } = runVessel({ ...pot, litres, lidded, startC: 88 }, 45);
        for (let i = 1; i < secondsAndCelsius.length; i++) {
          expect(secondsAndCelsius[i]![1]).toBeLessThan(secondsAndCelsius[i - 1]![1]);
        }
        expect(secondsAndCelsius.at(-1)![1]).toBeCloseTo(45, 6);
      }),
      { numRuns: 20 },
    );
  });
});

describe('water', () => {
  test('saturation pressure at 100 °C is one atmosphere', () => {
    expect(saturationPressurePa(100)).toBeCloseTo(101325, -2);
    expect(boilingPointC(3000)).toBeLessThan(boilingPointC(300));
  });
});

describe('heat treatment', () => {
  test('published holds of 85 and 90 °C', () => {
    expect(
      denaturedFraction([
        [0, 85],
        [600, 85],
      ]),
    ).toBeGreaterThan(0.88);
    expect(
      denaturedFraction([
        [0, 85],
        [600, 85],
      ]),
    ).toBeLessThan(0.93);
    expect(
      denaturedFraction([
        [0, 85],
        [1800, 85],
      ]),
    ).toBeGreaterThan(0.97);
  });

  test('nothing counts below 60 °C, more time never counts less', () => {
    expect(
      denaturedFraction([
        [0, 59],
        [86_400, 59],
      ]),
    ).toBe(0);
    fc.assert(
      fc.property(
        fc.double({ min: 61, max: 99, noNaN: true }),
        fc.integer({ min: 1, max: 3000 }),
        (celsius, seconds) => {
          const at = (s: number): number =>
            denaturedFraction([
              [0, celsius],
              [s, celsius],
            ]);
          expect(at(seconds + 60)).toBeGreaterThan(at(seconds));
          expect(at(seconds)).toBeLessThan(1);
        },
      ),
    );
  });

  test('a profile cut into pieces gives the same as the whole', () => {
    const whole = denaturedFraction([
      [0, 60],
      [1800, 95],
    ]);
    const cut = denaturedFraction(
      Array.from({ length: 31 }, (_, i) => [i * 60, 60 + (35 * i) / 30] as const),
    );
    expect(cut).toBeCloseTo(whole, 6);
  });

  test('cream needs more: its minutes count from 65.6 °C at reference 66', () => {
    expect(
      pasteurisationMinutes(
        [
          [0, 65],
          [1800, 65],
        ],
        true,
      ),
    ).toBe(0);
    expect(
      pasteurisationMinutes(
        [
          [0, 66],
          [1800, 66],
        ],
        true,
      ),
    ).toBeCloseTo(30, 6);
    expect(
      pasteurisationMinutes(
        [
          [0, 62.5],
          [1800, 62.5],
        ],
        false,
      ),
    ).toBe(0);
  });
});

describe('refits', () => {
  const book = runVessel({ ...pot, startC: 85 }, 40).secondsAndCelsius;
  const at = (minutes: number): number =>
    runVessel({ ...pot, startC: 85, lossFactor: 1.3 }, 40).secondsAndCelsius.reduce<
      readonly [number, number]
    >(
      (best, [s, c]) =>
        Math.abs(s / 60 - minutes) < Math.abs(best[0] - minutes) ? ([s / 60, c] as const) : best,
      [0, 85],
    )[1];

  test('a pot that loses 30 % more arrives earlier, and the refit finds it', () => {
    const truth = runVessel({ ...pot, startC: 85, lossFactor: 1.3 }, 44).minutes;
    const readings = [0, 10, 20, 30].map((minutes) => ({ minutes, temperatureC: at(minutes) }));
    const estimate = refitArrival(book, readings, 44);
    const untold = runVessel({ ...pot, startC: 85 }, 44).minutes;
    expect(Math.abs(estimate.minutes - truth)).toBeLessThan(0.25 * Math.abs(untold - truth));
    expect(estimate.sigmaMinutes).toBeGreaterThan(0);
    expect(() => refitArrival(book, readings.slice(0, 1), 44)).toThrow(RangeError);
  });

  test('plain Newton cooling is recovered with the ambient known or free', () => {
    const curve = (m: number): number => 18 + 62 * Math.exp(-m / 70);
    const readings = [0, 15, 30, 50].map((minutes) => ({ minutes, temperatureC: curve(minutes) }));
    expect(fitNewton(readings, 18).tauMinutes).toBeCloseTo(70, 2);
    const free = fitNewton(readings);
    expect(free.ambientC).toBeCloseTo(18, 1);
    expect(free.minutesTo(45)).toBeCloseTo(-70 * Math.log((45 - 18) / 62), 1);
    expect(free.minutesTo(10)).toBe(Infinity);
    expect(() => fitNewton(readings.slice(0, 2))).toThrow(RangeError);
  });
});

test('warm places: an appliance holds its dial plus bias, a box follows the room, larger is slower', () => {
  expect(placeAmbientC({ kind: 'appliance', setPointC: 43, biasC: -2, tauH: 1 }, 20)).toBe(41);
  expect(placeAmbientC({ kind: 'oven-lamp', tauH: 3 }, 20)).toBe(35);
  expect(placeTauH({ kind: 'towel', tauH: 4 }, 16)).toBeCloseTo(8);
});

test('milk in a wide pan cools sooner than in a cylinder of its own, in one of its own width as before', () => {
  const composition = {
    fatFraction: 0.037,
    proteinFraction: 0.032,
    lactoseFraction: 0.047,
    ashFraction: 0.0072,
  };
  const pint = { composition, litres: 0.473, startC: 82, airC: 21, lidded: false };
  const minutes = (widthM?: number): number => runVessel({ ...pint, widthM }, 43).minutes;
  const ownM = Math.cbrt((8 * 0.473) / 1000 / Math.PI);
  expect(minutes(ownM)).toBeCloseTo(minutes(), 9);
  // A pint on the counter, from 82 to 43 °C: a good half hour in its own cylinder, a third of an hour in a pan of six inches.
  expect(minutes()).toBeGreaterThan(32);
  expect(minutes()).toBeLessThan(38);
  expect(minutes(0.152)).toBeGreaterThan(18);
  expect(minutes(0.152)).toBeLessThan(22);
});

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { TREATMENTS } from '../milk/index.ts';
import {
  butterBalance,
  CHURN_FACTS,
  CHURN_KINDS,
  CHURN_SPEEDS,
  CHURN_STAGES,
  STAGE_SHARE,
  timeByStages,
  churnForecast,
  salted,
  serumLeftFraction,
  washesToKeep,
  type Churning,
} from './index.ts';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anyChurning: fc.Arbitrary<Churning> = fc.record({
  churn: fc.constantFrom(...CHURN_KINDS),
  speed: fc.constantFrom(...CHURN_SPEEDS),
  startC: between(8, 18),
  fatFraction: between(0.2, 0.5),
  fillFraction: between(0.2, 0.8),
  litres: between(0.3, 20),
  roomC: between(5, 30),
  ripened: fc.boolean(),
  wholeCurd: fc.boolean(),
  treatment: fc.constantFrom(...TREATMENTS),
  agedCold: fc.boolean(),
});

test('butter and buttermilk hold all the cream and all the fat', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 20, noNaN: true }),
      fc.double({ min: 0.05, max: 0.6, noNaN: true }),
      (creamKg, fat) => {
        const input = {
          creamKg,
          creamFatFraction: fat,
          buttermilkFatFraction: 0.005,
          butterFatFraction: 0.81,
        };
        const { butterKg, buttermilkKg } = butterBalance(input);
        expect(butterKg + buttermilkKg).toBeCloseTo(creamKg, 9);
        expect(butterKg * 0.81 + buttermilkKg * 0.005).toBeCloseTo(creamKg * fat, 9);
      },
    ),
  );
  expect(
    butterBalance({
      creamKg: 1,
      creamFatFraction: 0.001,
      buttermilkFatFraction: 0.005,
      butterFatFraction: 0.8,
    }).butterKg,
  ).toBe(0);
});

describe('churning', () => {
  test('goes sooner when warmer or ripened, later when thinner, fuller or ultra-heated; never cools', () => {
    fc.assert(
      fc.property(anyChurning, (churning) => {
        const { minutes, breakC, buttermilkFatFraction } = churnForecast(churning);
        const other = (change: Partial<Churning>): number =>
          churnForecast({ ...churning, ...change }).minutes;
        expect(minutes).toBeGreaterThan(0);
        expect(breakC).toBeGreaterThan(churning.startC);
        expect(buttermilkFatFraction).toBeGreaterThanOrEqual(0.0025);
        expect(other({ startC: churning.startC + 1 })).toBeLessThan(minutes);
        expect(other({ fillFraction: 0.9 })).toBeGreaterThan(minutes);
        expect(other({ ripened: true })).toBeLessThanOrEqual(minutes);
        expect(other({ treatment: 'ultra-heated' })).toBeGreaterThanOrEqual(minutes);
        // Of a whole curd its cream counts, whatever the milk had.
        if (churning.wholeCurd) expect(other({ fatFraction: 0.04 })).toBe(minutes);
        else expect(other({ fatFraction: churning.fatFraction / 2 })).toBeGreaterThan(minutes);
        // Hands have no speeds.
        if (!CHURN_FACTS[churning.churn].motor)
          expect(CHURN_SPEEDS.map((speed) => other({ speed }))).toEqual([minutes, minutes, minutes]);
      }),
    );
  });

  test('that hardly warms takes what its heat says; cream not aged cold leaves half as much fat again', () => {
    const churning: Churning = {
      churn: 'crank',
      speed: 'medium',
      startC: 14,
      fatFraction: 0.35,
      fillFraction: 0.5,
      litres: 1,
      // So cold that the room takes what the work gives: the pace stays.
      roomC: 2,
      ripened: false,
      wholeCurd: false,
      treatment: 'raw',
      agedCold: true,
    };
    const { minutes, buttermilkFatFraction } = churnForecast(churning);
    const pace = 0.2 * 0.02;
    expect(minutes).toBeCloseTo(Math.log(1 + pace * CHURN_FACTS.crank.referenceMin) / pace, 9);
    expect(churnForecast({ ...churning, agedCold: false }).buttermilkFatFraction).toBeCloseTo(
      1.5 * buttermilkFatFraction,
      12,
    );
  });

  test('nothing in the churn is said, not computed', () => {
    const none = { ...fc.sample(anyChurning, 1)[0]!, wholeCurd: false };
    expect(() => churnForecast({ ...none, litres: 0 })).toThrow(/litres/);
    expect(() => churnForecast({ ...none, fatFraction: 0 })).toThrow(/fat/);
  });
});

test('the washes that are told are the fewest that keep', () => {
  fc.assert(
    fc.property(between(0.05, 0.5), between(0.1, 3), between(0.2, 0.95), (carried, water, exchange) => {
      const washing = { carriedKgPerKg: carried, waterKgPerKg: water, exchangeFraction: exchange };
      const washes = washesToKeep(washing)!;
      expect(serumLeftFraction(washing, washes)).toBeLessThanOrEqual(0.03 * (1 + 1e-9));
      expect(serumLeftFraction(washing, washes - 1)).toBeGreaterThan(0.03 * (1 - 1e-9));
      expect(serumLeftFraction(washing, 0)).toBe(1);
    }),
  );
  expect(washesToKeep({ carriedKgPerKg: 0.25, waterKgPerKg: 0, exchangeFraction: 0.8 })).toBeNull();
});

test('salt is what was put in, in the whole and in its water', () => {
  fc.assert(
    fc.property(between(0.05, 10), between(0.05, 0.3), between(0, 0.3), (butterKg, moisture, saltKg) => {
      const { saltFraction, brineFraction } = salted(butterKg, moisture, saltKg);
      expect(saltFraction * (butterKg + saltKg)).toBeCloseTo(saltKg, 9);
      expect(brineFraction * (moisture * butterKg + saltKg)).toBeCloseTo(saltKg, 9);
      expect(brineFraction).toBeGreaterThanOrEqual(saltFraction);
    }),
  );
  expect(salted(0.5, 0, 0)).toEqual({ saltFraction: 0, brineFraction: 0 });
});

describe('stages seen', () => {
  test('pull the time towards what they say, the more surely the less was known; a break is the time', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CHURN_STAGES),
        between(2, 60),
        between(4, 60),
        between(0.2, 0.7),
        (stage, minutes, book, lnSigma) => {
          const seen = timeByStages({ minutes: book, lnSigma }, [{ stage, minutes }]);
          const says = minutes / STAGE_SHARE[stage];
          if (STAGE_SHARE[stage] === 1) {
            expect(seen).toEqual({ minutes, lnSigma: 0 });
            return;
          }
          expect(seen.lnSigma).toBeLessThan(lnSigma);
          expect(seen.minutes).toBeGreaterThanOrEqual(minutes);
          const [low, high] = [Math.min(book, says), Math.max(book, says, minutes)];
          expect(seen.minutes).toBeGreaterThanOrEqual(low * (1 - 1e-12));
          expect(seen.minutes).toBeLessThanOrEqual(high * (1 + 1e-12));
        },
      ),
    );
    expect(timeByStages({ minutes: 20, lnSigma: 0.4 }, [])).toEqual({ minutes: 20, lnSigma: 0.4 });
    expect(
      timeByStages({ minutes: 20, lnSigma: 0.4 }, [{ stage: 'stiff', minutes: 18 }]).minutes,
    ).toBeCloseTo(28.56, 1);
  });
});

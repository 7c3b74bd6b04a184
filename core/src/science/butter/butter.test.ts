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
  churnAlong,
  churnForecast,
  remediesFor,
  slowCauses,
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
  // Buttermilk fatter than butter leaves none over either, and not all of it.
  expect(
    butterBalance({
      creamKg: 1,
      creamFatFraction: 0.35,
      buttermilkFatFraction: 0.9,
      butterFatFraction: 0.81,
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
  test('a stage that is seen pulls the end between the book and what it says, and narrows it', () => {
    fc.assert(
      fc.property(
        anyChurning,
        fc.constantFrom(...CHURN_STAGES.filter((stage) => stage !== 'lump')),
        between(0.3, 3),
        (churning, stage, pace) => {
          const book = churnAlong(churning, { heats: [], seen: [] });
          expect(book.minutes).toBe(churnForecast(churning).minutes);
          const minutes = book.minutes * STAGE_SHARE[stage] * pace;
          const seen = churnAlong(churning, { heats: [], seen: [{ stage, minutes }] });
          if (STAGE_SHARE[stage] === 1) {
            expect(seen).toMatchObject({ minutes, lnSigma: 0 });
            return;
          }
          expect(seen.lnSigma).toBeLessThan(book.lnSigma);
          expect(seen.minutes).toBeGreaterThanOrEqual(minutes);
          // Work grows faster than time: a stage says a little less of the whole early on.
          if (pace > 1.6) expect(seen.minutes).toBeGreaterThan(book.minutes);
          if (pace < 0.6) expect(seen.minutes).toBeLessThan(book.minutes);
        },
      ),
    );
  });

  test('read as warm as the book has it, hardly anything changes; warmed on the way, it breaks sooner', () => {
    fc.assert(
      fc.property(anyChurning, between(0.1, 0.8), between(2, 6), (churning, share, warmer) => {
        const book = churnForecast(churning);
        const at = share * book.minutes;
        const celsius = churning.startC + share * (book.breakC - churning.startC);
        // The room's pull is reckoned anew from the heat that was read: nearly the same.
        const read = churnAlong(churning, { heats: [{ minutes: at, celsius }], seen: [] }).minutes;
        expect(Math.abs(read / book.minutes - 1)).toBeLessThan(0.1);
        const warmed = churnAlong(churning, {
          heats: [{ minutes: at, celsius: celsius + warmer }],
          seen: [],
        });
        expect(warmed.minutes).toBeLessThan(read);
        expect(warmed.buttermilkFatFraction).toBeGreaterThanOrEqual(0.0025);
      }),
    );
  });
});

describe('a churning that takes too long', () => {
  const churning: Churning = {
    churn: 'crank',
    speed: 'medium',
    startC: 5,
    fatFraction: 0.34,
    fillFraction: 0.5,
    litres: 1.2,
    roomC: 10,
    ripened: false,
    wholeCurd: false,
    treatment: 'raw',
    agedCold: true,
  };
  const composition = {
    fatFraction: 0.34,
    proteinFraction: 0.022,
    lactoseFraction: 0.031,
    ashFraction: 0.005,
  };
  const slow = {
    churning,
    composition,
    homogenised: false,
    elapsedMin: 90,
    heatC: 7,
    way: { heats: [], seen: [{ stage: 'soft' as const, minutes: 60 }] },
  };

  test('cold cream is warmed in a bath, and that is quicker than going on', () => {
    expect(slowCauses(slow)).toEqual(['cold']);
    const [warm, onward] = remediesFor(slow);
    expect(warm).toMatchObject({ what: 'warm-bath', bath: { celsius: 17, toC: 13 } });
    expect(onward!.what).toBe('go-on');
    expect(warm!.bath!.minutes).toBeGreaterThan(1);
    expect(warm!.bath!.minutes + warm!.thenMin).toBeLessThan(onward!.thenMin);
  });

  test('warm cream is chilled; a full churn is parted; what has no cause is told so', () => {
    const warm = { ...slow, heatC: 19, churning: { ...churning, startC: 18, roomC: 22 } };
    expect(slowCauses(warm)).toEqual(['warm']);
    expect(remediesFor(warm).map((r) => r.what)).toContain('cold-bath');
    const full = {
      ...slow,
      heatC: 12,
      churning: { ...churning, startC: 12, fillFraction: 0.8, fatFraction: 0.2 },
    };
    expect(slowCauses(full)).toEqual(['thin', 'full']);
    const [half, onward] = ['two-loads', 'go-on'].map((w) => remediesFor(full).find((r) => r.what === w)!);
    expect(half!.thenMin).toBeLessThan(onward!.thenMin);
    expect(slowCauses({ ...slow, heatC: 12, churning: { ...churning, startC: 12 } })).toEqual(['unknown']);
    expect(
      slowCauses({
        ...slow,
        heatC: 12,
        homogenised: true,
        churning: { ...churning, treatment: 'ultra-heated' },
      }),
    ).toEqual(['ultra-heated', 'homogenised']);
  });

  test('further on, less is left', () => {
    const left = (stage: 'soft' | 'yellow') =>
      remediesFor({ ...slow, way: { heats: [], seen: [{ stage, minutes: 60 }] } }).at(-1)!.thenMin;
    expect(left('yellow')).toBeLessThan(left('soft'));
    expect(remediesFor({ ...slow, way: { heats: [], seen: [] } }).at(-1)!.thenMin).toBeGreaterThan(0);
  });
});

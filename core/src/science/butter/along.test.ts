import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { specificHeatKjPerKgK } from '../milk/index.ts';
import {
  butterBalance,
  butterKeeping,
  boughtCreamPays,
  CHURN_KINDS,
  churnAlong,
  churnForecast,
  churnWindowC,
  churnWork,
  dilutedFat,
  fatWays,
  heatTradeOff,
  keepingPlanOf,
  KEEPING_PLANS,
  loadsFor,
  saltOfSpoonsKg,
  washesFor,
  wateredC,
  waterToCool,
  type Churning,
} from './index.ts';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const cream: Churning = {
  churn: 'crank',
  speed: 'medium',
  startC: 13,
  fatFraction: 0.35,
  fillFraction: 0.5,
  litres: 1.5,
  roomC: 19,
  ripened: false,
  wholeCurd: false,
  treatment: 'raw',
  agedCold: true,
};
const anyCream = fc.record({
  startC: between(8, 18),
  fatFraction: between(0.2, 0.5),
  roomC: between(8, 28),
  litres: between(0.3, 10),
  churn: fc.constantFrom(...CHURN_KINDS),
});
const composition = {
  fatFraction: 0.35,
  proteinFraction: 0.021,
  lactoseFraction: 0.03,
  ashFraction: 0.005,
};
const NOTHING = { heats: [], seen: [] };

describe('a churning that rests', () => {
  test('a rest puts the end off by its length, less what the room warms meanwhile', () => {
    fc.assert(
      fc.property(anyCream, between(0.1, 0.8), between(1, 20), (over, share, long) => {
        const churning = { ...cream, ...over };
        const { minutes } = churnForecast(churning);
        const fromMin = share * minutes;
        const now = fromMin + long + 0.01;
        const rested = churnAlong(
          churning,
          { ...NOTHING, rests: [{ fromMin, toMin: fromMin + long }] },
          now,
        ).minutes;
        const warmer = churning.roomC > churning.startC + 12;
        expect(rested).toBeGreaterThan(minutes * (warmer ? 0.3 : 0.75));
        expect(rested).toBeLessThan((minutes + long) * 1.35);
        // In a room as warm as the cream, it is exactly that later.
        const still = { ...churning, roomC: churning.startC, churn: 'jar' as const };
        const whole = churnForecast(still);
        const at = share * whole.minutes;
        const stood = churnAlong(
          { ...still, roomC: still.startC + (whole.breakC - still.startC) * share },
          NOTHING,
          0,
        );
        expect(stood.minutes).toBeGreaterThan(0);
        const work = churnWork(still, { ...NOTHING, rests: [{ fromMin: at, toMin: at + long }] }, at + long);
        expect(work).toBeCloseTo(churnWork(still, NOTHING, at), 9);
      }),
    );
  });

  test('what still rests goes on from now', () => {
    const open = (nowMin: number) =>
      churnAlong(cream, { ...NOTHING, rests: [{ fromMin: 6, toMin: null }] }, nowMin).minutes;
    expect(open(16) - open(11)).toBeGreaterThan(3);
    expect(open(16)).toBeGreaterThan(16);
  });
});

describe('chilled water in the churn', () => {
  test('mixes by heat and mass: none is lost, and what cools to a heat is found again', () => {
    fc.assert(
      fc.property(
        between(0.2, 10),
        between(10, 22),
        between(0, 8),
        between(0.02, 5),
        (creamKg, creamC, waterC, waterKg) => {
          const mixed = wateredC({ creamKg, composition, creamC, waterKg, waterC });
          expect(mixed).toBeLessThanOrEqual(creamC);
          expect(mixed).toBeGreaterThanOrEqual(waterC);
          const cp = specificHeatKjPerKgK(composition, creamC);
          expect(creamKg * cp * (creamC - mixed)).toBeCloseTo(waterKg * 4.18 * (mixed - waterC), 6);
          if (creamC - mixed < 0.01) return;
          expect(waterToCool({ creamKg, composition, creamC, waterC }, mixed)).toBeCloseTo(waterKg, 6);
        },
      ),
    );
    expect(waterToCool({ creamKg: 1, composition, creamC: 12, waterC: 4 }, 13)).toBeNull();
    expect(waterToCool({ creamKg: 1, composition, creamC: 18, waterC: 14 }, 13)).toBeNull();
  });

  test('colder since, it takes longer and leaves less behind', () => {
    const churning = { ...cream, startC: 18, roomC: 24 };
    const book = churnAlong(churning, NOTHING);
    const to = (creamC: number) => wateredC({ creamKg: 1.5, composition, creamC, waterKg: 0.4, waterC: 4 });
    const cooled = churnAlong(churning, { ...NOTHING, jumps: [{ minutes: 3, to, litres: 0.4 }] }, 4);
    expect(cooled.minutes).toBeGreaterThan(book.minutes);
    expect(cooled.breakC).toBeLessThan(book.breakC);
    expect(cooled.buttermilkFatFraction).toBeLessThan(book.buttermilkFatFraction);
    // Nothing poured in is nothing changed.
    const none = churnAlong(churning, { ...NOTHING, jumps: [{ minutes: 3, to: (c) => c, litres: 0 }] }, 4);
    expect(Math.abs(none.minutes / book.minutes - 1)).toBeLessThan(0.06);
  });

  test('the fat is where it was, in more buttermilk', () => {
    fc.assert(
      fc.property(
        between(0.5, 20),
        between(0.2, 0.5),
        between(0.003, 0.02),
        between(0, 5),
        (creamKg, fat, left, waterKg) => {
          const { butterKg, buttermilkKg } = butterBalance({
            creamKg,
            creamFatFraction: fat,
            buttermilkFatFraction: left,
            butterFatFraction: 0.81,
          });
          const ways = fatWays({
            creamKg,
            creamFatFraction: fat,
            butterKg,
            moistureFraction: null,
            buttermilkKg: buttermilkKg + waterKg,
            buttermilkFatFraction: dilutedFat(left, buttermilkKg, waterKg),
          });
          expect(ways.elsewhereKg).toBeCloseTo(0, 9);
          expect(ways.inButterKg! + ways.inButtermilkKg!).toBeCloseTo(creamKg * fat, 9);
        },
      ),
    );
  });
});

test('loads: as few as fill the churn to half at the most', () => {
  fc.assert(
    fc.property(between(0.1, 60), between(0.5, 30), (litres, holds) => {
      const loads = loadsFor(litres, holds);
      expect(litres / loads).toBeLessThanOrEqual(0.5 * holds * (1 + 1e-6));
      if (loads > 1) expect(litres / (loads - 1)).toBeGreaterThan(0.5 * holds);
    }),
  );
  expect(loadsFor(6.2, 5.2)).toBe(3);
});

test('begun warmer is never slower, broken warmer never leaves less behind; richer never gives less', () => {
  fc.assert(
    fc.property(anyCream, (over) => {
      const churning = { ...cream, ...over };
      const heats = [8, 10, 12, 14, 16, 18, 20];
      const choices = heatTradeOff(churning, heats);
      choices.slice(1).forEach((choice, i) => {
        expect(choice.minutes).toBeLessThanOrEqual(choices[i]!.minutes);
        // Begun very cold it takes so long that the room warms it beyond what it saved.
        if (choice.breakC >= choices[i]!.breakC)
          expect(choice.lostFraction).toBeGreaterThanOrEqual(choices[i]!.lostFraction - 1e-12);
        expect(choice.fromMin).toBeLessThan(choice.toMin);
      });
      const butterOf = (fat: number): number =>
        butterBalance({
          creamKg: 1,
          creamFatFraction: fat,
          buttermilkFatFraction: churnForecast({ ...churning, fatFraction: fat }).buttermilkFatFraction,
          butterFatFraction: 0.81,
        }).butterKg;
      expect(butterOf(churning.fatFraction + 0.05)).toBeGreaterThanOrEqual(butterOf(churning.fatFraction));
    }),
  );
});

test('grass wants it colder, ripened cream warmer', () => {
  expect(churnWindowC({})).toEqual([10, 14]);
  expect(churnWindowC({ soured: true, feed: 'hay' })).toEqual([12, 16]);
  expect(churnWindowC({ soured: true, feed: 'grass' })).toEqual([10.5, 14.5]);
  expect(churnWindowC({ soured: true, wholeCurd: true })).toEqual([15, 19]);
});

test('washes follow from what the butter is for', () => {
  const washing = { carriedKgPerKg: 0.25, waterKgPerKg: 1, exchangeFraction: 0.8 };
  expect(KEEPING_PLANS.map((plan) => washesFor(plan, washing))).toEqual([0, 1, 4]);
  for (const plan of KEEPING_PLANS) expect(keepingPlanOf(washesFor(plan, washing), washing)).toBe(plan);
});

test('butter keeps by washing, salt and place, each with its reason; fresh herbs shorten everything', () => {
  const plain = {
    place: 'cold' as const,
    serumLeft: 0.02,
    brineFraction: 0,
    cultured: false,
    flavoured: [],
  };
  const days = (over: object) => butterKeeping({ ...plain, ...over }).days;
  expect(days({ serumLeft: 1 })).toEqual([5, 7]);
  expect(days({ serumLeft: null })).toEqual([5, 7]);
  expect(days({})).toEqual([14, 21]);
  expect(days({ brineFraction: 0.09 })).toEqual([30, 60]);
  expect(days({ place: 'counter' })).toEqual([1, 2]);
  expect(days({ place: 'under-water', brineFraction: 0.09 })).toEqual([5, 7]);
  expect(days({ place: 'freezer' })).toEqual([180, 270]);
  expect(days({ brineFraction: 0.2, flavoured: ['garlic'] })).toEqual([2, 4]);
  expect(days({ place: 'counter', brineFraction: 0.2, flavoured: ['herbs'] })).toEqual([0, 0]);
  expect(days({ brineFraction: 0.09, flavoured: ['dry'] })).toEqual([30, 60]);
  expect(butterKeeping({ ...plain, cultured: true }).reason).toContain('ripened');
});

test('salt by the spoon weighs by its kind', () => {
  expect(saltOfSpoonsKg(2, 5, 'fine')).toBeCloseTo(0.012, 12);
  expect(saltOfSpoonsKg(2, 5, 'flaky')).toBeLessThan(saltOfSpoonsKg(2, 5, 'coarse'));
});

test('bought cream pays up to what its butter and buttermilk are worth', () => {
  const of = {
    creamKg: 2,
    fatFraction: 0.36,
    creamCost: 9,
    butterCostPerKg: 12,
    buttermilkCostPerKg: 1,
    buttermilkFatFraction: 0.006,
  };
  const pays = boughtCreamPays(of);
  expect(pays.butterKg + pays.buttermilkKg).toBeCloseTo(2, 12);
  expect(boughtCreamPays({ ...of, creamCost: pays.breakEvenCost }).savedCost).toBeCloseTo(0, 12);
  expect(boughtCreamPays({ ...of, creamCost: pays.breakEvenCost }).ownCostPerKg).toBeCloseTo(12, 9);
  expect(() => boughtCreamPays({ ...of, fatFraction: 0.004 })).toThrow(/no butter/);
});

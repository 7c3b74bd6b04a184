import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { gheeForecast, gheeStageShare, gheeYieldKg, GHEE_STAGES, panTime, type Clarifying } from './index.ts';

const PAN: Clarifying = {
  butterKg: 0.8,
  moistureFraction: 0.17,
  fatFraction: 0.81,
  startC: 12,
  burnerKw: 1.8,
  flameFraction: 0.5,
  doneC: 112,
  altitudeM: 0,
};
const book = gheeForecast(PAN);

describe('ghee on the fire', () => {
  test('warms, boils its water off, and climbs; the water is most of it', () => {
    expect(book.minutes).toBeCloseTo(23.3, 1);
    expect(book.toBoilMin).toBeLessThan(book.toDryMin);
    expect(book.toDryMin).toBeLessThan(book.minutes);
    // 2257 kJ a kilogram at 0.39 kW.
    expect(book.toDryMin - book.toBoilMin).toBeCloseTo((2257 * 0.136) / 0.39 / 60, 6);
  });

  test('wetter butter takes longer, a stronger flame is quicker, higher up it boils colder', () => {
    expect(gheeForecast({ ...PAN, moistureFraction: 0.19 }).minutes).toBeGreaterThan(book.minutes);
    expect(gheeForecast({ ...PAN, flameFraction: 1 }).minutes).toBeLessThan(book.minutes / 2);
    expect(gheeForecast({ ...PAN, altitudeM: 1800 }).boilC).toBeCloseTo(94, 0);
  });

  test('gives no more than the fat there is; skimming gives some of it away', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 10, noNaN: true }),
        fc.double({ min: 0.6, max: 0.84, noNaN: true }),
        (butterKg, fatFraction) => {
          const strained = gheeYieldKg({ butterKg, fatFraction }, false);
          const skimmed = gheeYieldKg({ butterKg, fatFraction }, true);
          expect(skimmed).toBeLessThan(strained);
          expect(strained).toBeLessThan(butterKg * fatFraction);
        },
      ),
    );
  });

  test('butter that weighs nothing, or is more than all of itself, is refused', () => {
    expect(() => gheeForecast({ ...PAN, butterKg: 0 })).toThrow(RangeError);
    expect(() => gheeForecast({ ...PAN, moistureFraction: 0.3 })).toThrow(RangeError);
  });

  test('its stages come one after another and end with it', () => {
    const shares = GHEE_STAGES.map((stage) => gheeStageShare(book, stage));
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    expect(shares.at(-1)).toBe(1);
  });
});

describe('a pan that is watched', () => {
  const at = (minutes: number, reading: object) =>
    panTime(book, 112, [{ minutes, ...reading } as never], minutes);

  test('unread it goes by the book, and the water goes with it', () => {
    const start = panTime(book, 112, [], 0);
    expect(start.minutes).toBeCloseTo(book.minutes, 9);
    expect(start.waterLeftKg).toBeCloseTo(0.136, 9);
    expect(panTime(book, 112, [], book.minutes).waterLeftKg).toBe(0);
    expect(panTime(book, 112, [], 18).sigmaMin).toBeLessThan(start.sigmaMin);
  });

  test('half the water gone late: it takes longer, and is known better', () => {
    const half = (book.toBoilMin + book.toDryMin) / 2;
    const late = at(half * 1.5, { kind: 'weight', lostKg: 0.068 });
    expect(late.minutes / book.minutes).toBeCloseTo(1.5, 1);
    expect(late.sigmaMin).toBeLessThan(panTime(book, 112, [], 1).sigmaMin / 2);
    expect(late.waterLeftKg).toBeCloseTo(0.068, 2);
  });

  test('near boiling a thermometer says nothing; once it climbs it says nearly all', () => {
    expect(at(10, { kind: 'temperature', celsius: 99 }).minutes).toBeCloseTo(book.minutes, 9);
    const climbing = at(30, { kind: 'temperature', celsius: 106 });
    expect(climbing.minutes).toBeGreaterThan(30);
    expect(climbing.minutes).toBeLessThan(32.5);
    expect(at(30, { kind: 'temperature', celsius: 113 }).minutes).toBe(30);
  });

  test('scales say more than eyes, whichever came last', () => {
    const half = (book.toBoilMin + book.toDryMin) / 2;
    const weighed = { kind: 'weight', minutes: half, lostKg: 0.068 } as const;
    const seen = { kind: 'stage', minutes: half + 0.5, stage: 'clear' } as const;
    const both = panTime(book, 112, [weighed, seen], half + 0.5).minutes;
    const eyes = panTime(book, 112, [seen], half + 0.5).minutes;
    expect(Math.abs(both - book.minutes)).toBeLessThan(Math.abs(eyes - book.minutes) / 2);
  });

  test('a stage that cannot be yet hardly moves the end', () => {
    const slip = at(0.2, { kind: 'stage', stage: 'gold' });
    expect(slip.minutes).toBeGreaterThan(book.minutes / 2);
  });

  test('a stage seen pulls the end; what weighs more than before says nothing', () => {
    expect(at(12, { kind: 'stage', stage: 'clear' }).minutes).toBeLessThan(book.minutes);
    expect(at(30, { kind: 'stage', stage: 'clear' }).minutes).toBeGreaterThan(book.minutes);
    expect(at(9, { kind: 'weight', lostKg: -0.05 }).minutes).toBeCloseTo(book.minutes, 9);
  });
});

import { describe, expect, test } from '@jest/globals';
import { MILK_FACTS, withFat } from '../milk/index.ts';
import { TAP_C, thawHours, thawTimes } from './index.ts';

const cream = withFat(MILK_FACTS['cow-lean'].composition, 0.3);
const piece = { composition: cream, pieceKg: 0.4, freezerC: -18, airC: 4, where: 'fridge' } as const;

describe('thawing', () => {
  test('closed form: with ice at 0 °C only the melting is left, and it goes with one over the warmth', () => {
    const at = (airC: number): number => thawHours({ ...piece, freezerC: 0, airC });
    expect(at(8)).toBeCloseTo(at(4) / 2, 9);
  });

  test('hours grow with the cube root of the mass: the same shape, less skin a kilogram', () => {
    const ratio = thawHours({ ...piece, pieceKg: 3.2 }) / thawHours(piece);
    expect(ratio).toBeCloseTo(2, 6);
  });

  test('a portion takes most of a day in the fridge, a few hours in the room', () => {
    const fridge = thawHours(piece);
    const room = thawHours({ ...piece, airC: 20, where: 'room' });
    expect(fridge).toBeGreaterThan(12);
    expect(fridge).toBeLessThan(36);
    expect(room).toBeLessThan(fridge / 4);
    expect(() => thawHours({ ...piece, airC: 0 })).toThrow(RangeError);
  });
});

describe('soft enough to pour, and wholly thawed', () => {
  const kilogram = {
    composition: withFat(MILK_FACTS['cow-lean'].composition, 0.28),
    pieceKg: 1,
    freezerC: -18,
  };

  test('a kilogram of cream pours after about 14 h in the fridge, and is thawed long after', () => {
    const { softH, wholeH } = thawTimes({ ...kilogram, airC: 4, where: 'fridge' });
    expect(softH).toBeGreaterThan(13);
    expect(softH).toBeLessThan(15);
    expect(wholeH).toBeGreaterThan(2 * softH);
  });

  test('in cold water it takes hours, not a day', () => {
    const { softH, wholeH } = thawTimes({ ...kilogram, airC: TAP_C, where: 'water' });
    expect(wholeH).toBeLessThan(4);
    expect(softH).toBeLessThan(wholeH);
  });
});

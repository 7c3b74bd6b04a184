import { describe, expect, test } from '@jest/globals';
import { MILK_FACTS } from '../milk/index.ts';
import { heatOnPlate, placeAmbientC, runVessel, widthOfPotM } from './index.ts';

const { composition } = MILK_FACTS['shop-whole'];
const open = { composition, airC: 20, lidded: false } as const;

describe('a pot’s width by what it holds', () => {
  test.each([
    // A cylinder 0.65 of its width high holds 0.5105 d³.
    [5, 0.214],
    [1, 0.125],
  ])('%d L', (litres, widthM) => {
    expect(widthOfPotM(litres)).toBeCloseTo(widthM, 3);
    expect((Math.PI / 4) * 0.65 * widthOfPotM(litres) ** 3).toBeCloseTo(litres / 1000, 9);
  });

  test('half a litre in a small open pan cools in 15 to 30 min, four litres in a five-litre pot in 45 to 70; a lid trebles it', () => {
    const small = { ...open, litres: 0.5, widthM: widthOfPotM(1), startC: 85 };
    const large = { ...open, litres: 4, widthM: widthOfPotM(5), startC: 88 };
    expect(runVessel(small, 44).minutes).toBeGreaterThan(15);
    expect(runVessel(small, 44).minutes).toBeLessThan(30);
    expect(runVessel(large, 49).minutes).toBeGreaterThan(45);
    expect(runVessel(large, 49).minutes).toBeLessThan(70);
    expect(runVessel({ ...large, lidded: true }, 49).minutes / runVessel(large, 49).minutes).toBeGreaterThan(
      2,
    );
  });
});

describe('a plate that stays hot', () => {
  const milk = { ...open, litres: 2, widthM: widthOfPotM(5), startC: 5, powerKw: 0.9, lagS: 150 };

  test('is switched off below the target, and the milk climbs to it and no further', () => {
    const { outcome, offC, offMinutes, minutes, secondsAndCelsius } = heatOnPlate(
      { ...milk, hot: false },
      85,
    );
    expect(outcome).toBe('reached');
    expect(offC).toBeLessThan(84);
    expect(offC).toBeGreaterThan(70);
    expect(offMinutes).toBeLessThan(minutes);
    const hottest = Math.max(...secondsAndCelsius.map(([, c]) => c));
    expect(hottest).toBeGreaterThan(84.5);
    expect(hottest).toBeLessThanOrEqual(85);
  });

  test('the slower it follows, the earlier it is switched off; a very quick one is a plain burner', () => {
    const offs = [30, 90, 150, 300].map((lagS) => heatOnPlate({ ...milk, lagS, hot: false }, 85).offC);
    expect(offs).toEqual([...offs].sort((a, b) => b - a));
    const quick = heatOnPlate({ ...milk, lagS: 1, hot: true }, 85);
    expect(quick.minutes / runVessel(milk, 85).minutes).toBeCloseTo(1, 1);
  });

  test('one that is hot already heats at once, and from its target there is nothing to do', () => {
    expect(heatOnPlate({ ...milk, startC: 60, hot: true }, 85).minutes).toBeLessThan(
      heatOnPlate({ ...milk, startC: 60, hot: false }, 85).minutes,
    );
    expect(heatOnPlate({ ...milk, startC: 90, hot: true }, 85)).toMatchObject({ minutes: 0, offC: 90 });
  });

  test('what it loses as fast as it is heated never gets there', () => {
    const weak = heatOnPlate({ ...milk, powerKw: 0.15, hot: false }, 85);
    expect(weak.outcome).toBe('never');
    expect(weak.secondsAndCelsius.at(-1)![1]).toBeLessThan(85);
    expect(() => heatOnPlate({ ...milk, lagS: 0, hot: false }, 85)).toThrow(RangeError);
  });
});

test('an oven that was only warmed up fades to the room; a pilot light stays', () => {
  const warmed = { kind: 'oven-preheated', tauH: 3 } as const;
  expect(placeAmbientC(warmed, 20)).toBe(50);
  expect(placeAmbientC(warmed, 20, 2.5)).toBeCloseTo(20 + 30 / Math.E, 9);
  expect(placeAmbientC(warmed, 20, 100)).toBeCloseTo(20, 6);
  expect(placeAmbientC({ kind: 'oven-pilot', tauH: 3 }, 20, 9)).toBe(38);
});

import { describe, expect, test } from '@jest/globals';
import { MILK_FACTS } from '../milk/index.ts';
import {
  bottlesFor,
  boxCourse,
  coolInBath,
  correctedC,
  iceNeededKg,
  runVessel,
  thermometerCorrection,
  thermometerFault,
  type BathRun,
  type WarmBox,
} from './index.ts';

const { composition } = MILK_FACTS['cow-lean'];
const MILK_KJ_PER_K = 4 * 1.03 * 3.9;

describe('a thermometer’s check', () => {
  test('two points put ice and boiling water where they belong', () => {
    const correction = thermometerCorrection({ iceC: 0.6, boilingC: 98.8, altitudeM: 0 });
    expect(correctedC(0.6, correction)).toBeCloseTo(0, 9);
    expect(correctedC(98.8, correction)).toBeCloseTo(100, 1);
    expect(correction.slope).toBeCloseTo(100 / 98.2, 3);
  });

  test('one point moves, two bend; on a hill water boils cooler', () => {
    expect(thermometerCorrection({ iceC: 0.5, boilingC: null, altitudeM: 0 })).toEqual({
      offsetC: -0.5,
      slope: 1,
    });
    const hill = thermometerCorrection({ iceC: null, boilingC: 94, altitudeM: 1800 });
    expect(hill.offsetC).toBeCloseTo(0, 1);
    expect(hill.slope).toBe(1);
  });

  test.each([
    [{ iceC: null, boilingC: null, altitudeM: 0 }, 'at least one'],
    [{ iceC: 12, boilingC: 99, altitudeM: 0 }, 'off for melting ice'],
    [{ iceC: 0, boilingC: 85, altitudeM: 0 }, 'water boiling here'],
  ])('%j is no check', (check, words) => {
    expect(thermometerFault(check)).toContain(words);
    expect(() => thermometerCorrection(check)).toThrow(RangeError);
  });

  test('an unchecked thermometer is believed', () => {
    expect(correctedC(43.2, null)).toBe(43.2);
  });
});

describe('a cold bath', () => {
  const run: BathRun = {
    composition,
    litres: 4,
    startC: 85,
    targetC: 44,
    airC: 20,
    waterLitres: 9,
    waterC: 12,
    iceKg: 0,
    stirred: true,
  };

  test('is far quicker than the counter, stirring quicker still', () => {
    const counter = runVessel({ composition, litres: 4, startC: 85, airC: 20, lidded: true }, 44).minutes;
    const still = coolInBath({ ...run, stirred: false }).minutes;
    const stirred = coolInBath(run).minutes;
    expect(stirred).toBeLessThan(still);
    expect(still).toBeLessThan(counter / 3);
  });

  test('what the milk loses the bath and the air gain', () => {
    const { heatKj, bathEndC, secondsAndCelsius } = coolInBath(run);
    expect(heatKj).toBeCloseTo(MILK_KJ_PER_K * 41, -1);
    const intoBath = 9 * 4.18 * (bathEndC - 12);
    expect(intoBath).toBeLessThanOrEqual(heatKj);
    expect(intoBath / heatKj).toBeGreaterThan(0.9);
    expect(secondsAndCelsius.at(-1)![1]).toBeCloseTo(44, 6);
  });

  test('with endless cold water it is Newton’s law', () => {
    const { minutes } = coolInBath({ ...run, waterLitres: 1e6, waterC: 10, airC: 10 });
    const d = Math.cbrt((8 * 0.004) / Math.PI);
    const top = (Math.PI * d * d) / 4;
    const wattsPerK = 300 * ((Math.PI * d * d) / 2 + top) + 8 * top;
    const closed = ((MILK_KJ_PER_K * 1000) / wattsPerK) * Math.log(75 / 34);
    expect(minutes * 60).toBeCloseTo(closed, -1);
  });

  test('too little water never gets there, and says so', () => {
    expect(coolInBath({ ...run, waterLitres: 1, waterC: 20 })).toMatchObject({
      outcome: 'too-warm',
      minutes: Infinity,
    });
    expect(() => coolInBath({ ...run, waterLitres: 0 })).toThrow(RangeError);
  });

  test('ice holds the bath at zero while it lasts, and the reckoned ice is enough', () => {
    const iced = coolInBath({ ...run, iceKg: 6, waterLitres: 6 });
    expect(iced.bathEndC).toBeCloseTo(0, 6);
    expect(iced.iceLeftKg).toBeGreaterThan(0);
    const little: BathRun = { ...run, waterLitres: 3, waterC: 18 };
    const iceKg = iceNeededKg(little);
    expect(iceKg).toBeGreaterThan(0);
    const cooled = coolInBath({ ...little, iceKg });
    expect(cooled.outcome).toBe('reached');
    expect(cooled.bathEndC).toBeLessThan(44 - 6);
    expect(iceNeededKg(run)).toBe(0);
  });

  test('the ice is the heat balance’s', () => {
    const heatKj = MILK_KJ_PER_K * 41;
    const expected = (heatKj - 3 * 4.18 * (36 - 18)) / (334 + 4.18 * 36);
    expect(iceNeededKg({ ...run, waterLitres: 3, waterC: 18 })).toBeCloseTo(expected, 1);
  });
});

describe('a box with bottles of hot water', () => {
  const box: WarmBox = { composition, litres: 3, startC: 44, roomC: 18, tauH: 10, bottlesC: 60 };

  test('without bottles it is one body with the book’s time constant', () => {
    const { endC } = boxCourse(box, 0, 6);
    const tau = 10 * Math.cbrt(3 / 2);
    expect(endC).toBeCloseTo(18 + 26 * Math.exp(-6 / tau), 2);
  });

  test('without losses heat is only shared', () => {
    const { endC } = boxCourse({ ...box, tauH: 1e9 }, 1.5, 60);
    const milk = 3 * 1.0285 * 3.9;
    const water = 1.5 * 4.18;
    expect(endC).toBeCloseTo((milk * 44 + water * 60) / (milk + water), 1);
  });

  test('the answer keeps the milk just warm enough for as long as asked', () => {
    const answer = bottlesFor(box, 40, 8);
    expect(answer.outcome).toBe('bottles');
    expect(answer.course.coolestC).toBeCloseTo(40, 1);
    expect(boxCourse(box, answer.bottleLitres * 0.8, 8).coolestC).toBeLessThan(40);
    expect(bottlesFor(box, 40, 12).bottleLitres).toBeGreaterThan(answer.bottleLitres);
  });

  test('a good box needs none, a bad wish has no answer, a hot one is warned of', () => {
    expect(bottlesFor({ ...box, tauH: 80 }, 40, 8)).toMatchObject({ outcome: 'no-bottles', bottleLitres: 0 });
    expect(bottlesFor({ ...box, bottlesC: 38 }, 40, 10).outcome).toBe('cannot');
    expect(bottlesFor({ ...box, startC: 38 }, 40, 4).outcome).toBe('cannot');
    expect(bottlesFor({ ...box, bottlesC: 95, roomC: 5 }, 42, 12).tooWarm).toBe(true);
  });
});

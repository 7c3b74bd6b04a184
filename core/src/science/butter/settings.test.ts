import { describe, expect, test } from '@jest/globals';
import {
  churnForecast,
  churnLnSigma,
  churnWindowC,
  churnSpread,
  creamDegree,
  creamSourness,
  settingFactor,
  type Churning,
} from './index.ts';

const thinSweet: Churning = {
  churn: 'whisk',
  speed: 'medium',
  startC: 12,
  fatFraction: 0.25,
  fillFraction: 0.4,
  litres: 1,
  roomC: 20,
  ripened: false,
  wholeCurd: false,
  treatment: 'pasteurised',
  agedCold: true,
};

describe('a machine with n settings', () => {
  test.each([
    // The middle setting is medium; twice it is never quicker than 0.6.
    [3, 6, 1],
    [1, 6, 3 ** 1.3],
    [6, 6, 0.6],
    [1, 1, 0.6],
  ])('%d of %d', (at, of, factor) => {
    expect(settingFactor({ at, of })).toBeCloseTo(factor, 9);
  });

  test('no setting below the lowest or above the highest', () => {
    expect(() => settingFactor({ at: 0, of: 6 })).toThrow(RangeError);
    expect(() => settingFactor({ at: 7, of: 6 })).toThrow(RangeError);
  });

  test('turned down it takes longer and warms the cream less', () => {
    const minutes = [1, 3, 6].map((at) => churnForecast({ ...thinSweet, setting: { at, of: 6 } }).minutes);
    expect(minutes).toEqual([...minutes].sort((a, b) => b - a));
  });

  test('a motor nobody has used here: a minute with thick ripened cream, over an hour with thin sweet cream, are within its band', () => {
    const setting = { at: 1, of: 6 };
    const thin = { ...thinSweet, setting };
    expect(churnForecast(thin).minutes * churnSpread(thin)).toBeGreaterThan(60);
    const thick: Churning = {
      ...thinSweet,
      setting,
      startC: 16,
      fatFraction: 0.42,
      ripened: true,
      sourness: 1,
      thick: true,
    };
    expect(churnForecast(thick).minutes / churnSpread(thick)).toBeLessThan(1.2);
    // Once it has churned here, little is left of that.
    expect(churnLnSigma({ ...thin, own: { slower: 1, lnSigma: 0.2 } })).toBeLessThan(0.3);
  });
});

describe('cream between sweet and ripened', () => {
  test('its window and its time lie between theirs', () => {
    expect(churnWindowC({ ph: 6.6 })).toEqual(churnWindowC({}));
    expect(churnWindowC({ ph: 4.6 })).toEqual(churnWindowC({ soured: true }));
    expect(churnWindowC({ ph: 5.8 })).toEqual([11, 15]);
    const [sweet, between, ripe] = [0, 0.5, 1].map(
      (sourness) => churnForecast({ ...thinSweet, sourness }).minutes,
    );
    expect(between).toBeLessThan(sweet!);
    expect(between).toBeGreaterThan(ripe!);
  });

  test.each([
    [{}, 'sweet', 0],
    [{ soured: true }, 'sour', 1],
    [{ ph: 5.7 }, 'just-sour', 0.5625],
    [{ ph: 4.4 }, 'sour', 1],
    [{ ph: 6.5 }, 'sweet', 0.0625],
  ] as const)('%o is %s', (cream, degree, sourness) => {
    expect(creamDegree(cream)).toBe(degree);
    expect(creamSourness(cream)).toBeCloseTo(sourness, 9);
  });
});

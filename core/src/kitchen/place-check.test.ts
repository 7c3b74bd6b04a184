import { describe, expect, test } from '@jest/globals';
import type { KitchenPlace } from '../contract/index.ts';
import { placeAmbientC } from '../science/heat/index.ts';
import { checkedPlace, checkResult, defaultKitchen, kitchenOfToday, nextCheckMs } from './index.ts';
import { HOUR_MS } from '../science/units/index.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
const at = (h: number): string => new Date(START + h * HOUR_MS).toISOString();
const kitchen = kitchenOfToday(defaultKitchen('UTC'));
const warmer = kitchen.places.find(({ kind }) => kind === 'appliance')!;
const towel = kitchen.places.find(({ kind }) => kind === 'towel')!;

/** A place whose water goes by Newton's law to a temperature, read after an hour and after three. */
function checking(place: KitchenPlace, holdsC: number, tauH: number, startC = 40, litres = 2): KitchenPlace {
  const celsius = (h: number): number =>
    holdsC + (startC - holdsC) * Math.exp(-h / (tauH * Math.cbrt(litres / 2)));
  return {
    ...place,
    check: {
      startedAt: at(0),
      litres,
      startC,
      readings: [1, 3].map((h) => ({ at: at(h), celsius: celsius(h) })),
    },
  };
}

describe('a warm place is checked with water', () => {
  test('it is to be read after one hour and after three, a little early counts', () => {
    const { check } = checking(warmer, 40, 1);
    const after = (count: number, firstH = 1) => ({
      ...warmer,
      check: { ...check!, readings: check!.readings.slice(0, count).map((r) => ({ ...r, at: at(firstH) })) },
    });
    expect(nextCheckMs(warmer)).toBeNull();
    expect(nextCheckMs(after(0))).toBe(START + HOUR_MS);
    expect(nextCheckMs(after(1, 0.8))).toBe(START + 3 * HOUR_MS);
    // Read far too early it is read again.
    expect(nextCheckMs(after(1, 0.3))).toBe(START + HOUR_MS);
    expect(nextCheckMs(checking(warmer, 40, 1))).toBeNull();
  });

  test('an appliance: what it holds against its setting, and its pace for two litres', () => {
    const result = checkResult(checking(warmer, 40.4, 1.2, 25, 1), 20);
    expect(result).toMatchObject({ outcome: 'known' });
    if (result.outcome !== 'known') throw new Error('known');
    expect(result.biasC).toBeCloseTo(40.4 - 43, 1);
    expect(result.tauH).toBeCloseTo(1.2, 1);
    const checked = checkedPlace(checking(warmer, 40.4, 1.2, 25, 1), 20);
    expect(checked).toMatchObject({ biasC: -2.6, checkedAt: at(3) });
    expect(checked.check).toBeUndefined();
    // Known so, its forecasts are surer.
    const [now] = kitchenOfToday({ ...kitchen, places: [checked] }).places;
    expect(now!.biasSigmaC).toBeLessThan(warmer.biasSigmaC!);
  });

  test('water put in as warm as the place holds tells where it stays, not its pace', () => {
    const result = checkResult(checking(warmer, 41.2, 1, 41), 20);
    expect(result).toMatchObject({ outcome: 'known', tauH: warmer.tauH });
    if (result.outcome === 'known') expect(result.biasC).toBeCloseTo(-1.8, 1);
  });

  test('an oven with its lamp has heat of its own: what it holds is found', () => {
    const oven = kitchen.places.find(({ kind }) => kind === 'oven-lamp')!;
    const checked = checkedPlace(checking(oven, 39, 2.5, 30), 20);
    expect(checked.biasC).toBeCloseTo(4, 1);
    expect(placeAmbientC(checked, 20)).toBeCloseTo(39, 1);
  });

  test('towels go to the room: only their pace is found', () => {
    const checked = checkedPlace(checking(towel, 20, 6.3, 44), 20);
    expect(checked.tauH).toBeCloseTo(6.3, 1);
    expect(checked.biasC).toBeUndefined();
  });

  test('readings that fit no place change nothing of it and say so', () => {
    const odd = checking(warmer, 40, 1);
    const mixed = {
      ...odd,
      check: {
        ...odd.check!,
        startC: 40,
        readings: [
          { at: at(1), celsius: 80 },
          { at: at(3), celsius: 12 },
        ],
      },
    };
    expect(checkResult(mixed, 20).outcome).toBe('fault');
    expect(checkedPlace(mixed, 20)).toMatchObject({ biasC: 0, tauH: warmer.tauH });
    expect(checkedPlace(mixed, 20).checkedAt).toBeUndefined();
    expect(() => checkResult(warmer, 20)).toThrow(RangeError);
  });
});

test('a kitchen stored when lids belonged to pots is planned in as today', () => {
  const stored = { ...kitchen, pots: [{ ...kitchen.pots[0]!, lidded: true }] };
  expect(kitchenOfToday(stored).pots[0]).not.toHaveProperty('lidded');
});

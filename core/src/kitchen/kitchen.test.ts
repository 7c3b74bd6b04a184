import { describe, expect, test } from '@jest/globals';
import { kitchenSettings } from '../contract/index.ts';
import {
  defaultKitchen,
  foldKitchen,
  instantOfLocal,
  isAsleep,
  localDate,
  minuteOfDay,
  sleepSpells,
} from './index.ts';

test('a kitchen nobody has told anything is complete', () => {
  expect(kitchenSettings.safeParse(defaultKitchen('UTC')).error).toBeUndefined();
});

test('the latest change of each section counts', () => {
  const start = defaultKitchen('UTC');
  const end = foldKitchen(start, [
    { section: 'site', value: { ...start.site, roomC: 15 } },
    { section: 'units', value: { temperature: 'F', measures: 'us' } },
    { section: 'site', value: { ...start.site, roomC: 24 } },
  ]);
  expect(end.site.roomC).toBe(24);
  expect(end.units.temperature).toBe('F');
  expect(end.pots).toEqual(start.pots);
});

describe('clock times of a zone', () => {
  const zone = 'Europe/Berlin';

  test('there and back', () => {
    const ms = instantOfLocal(zone, '2026-07-01', '06:30');
    expect(new Date(ms).toISOString()).toBe('2026-07-01T04:30:00.000Z');
    expect(minuteOfDay(zone, ms)).toBe(390);
    expect(localDate(zone, instantOfLocal(zone, '2026-01-01', '00:10'))).toBe('2026-01-01');
  });

  test('a time that does not exist moves forward, a doubled one takes the first', () => {
    expect(new Date(instantOfLocal(zone, '2026-03-29', '02:30')).toISOString()).toBe(
      '2026-03-29T01:30:00.000Z',
    );
    expect(new Date(instantOfLocal(zone, '2026-10-25', '02:30')).toISOString()).toBe(
      '2026-10-25T00:30:00.000Z',
    );
  });

  test('sleep runs over midnight', () => {
    const sleep = { sleepFrom: '22:30', sleepTo: '05:30' };
    const at = (time: string): number => instantOfLocal('UTC', '2026-05-05', time);
    expect(
      [at('23:00'), at('03:00'), at('05:30'), at('12:00')].map((ms) => isAsleep('UTC', ms, sleep)),
    ).toEqual([true, true, false, false]);
    const spells = sleepSpells('UTC', sleep, at('12:00'), at('12:00') + 86_400_000);
    expect(spells).toHaveLength(1);
    expect(spells[0]!.toMs - spells[0]!.fromMs).toBe(7 * 3_600_000);
  });
});

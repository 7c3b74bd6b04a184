import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { kitchenSettings } from '../contract/index.ts';
import {
  clockTime,
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

  test('as the zone has them, also where clocks were changed at odd instants', () => {
    const zones = [zone, 'Asia/Kathmandu', 'Australia/Lord_Howe', 'Africa/Monrovia', 'America/St_Johns'];
    const shown = (name: string, ms: number): string =>
      new Intl.DateTimeFormat('sv-SE', { timeZone: name, dateStyle: 'short', timeStyle: 'short' }).format(ms);
    const aroundChange = fc
      .tuple(fc.constantFrom('1972-01-07T00:44:30Z', '2026-03-29T01:00:00Z', '2026-04-04T15:00:00Z'))
      .chain(([at]) => fc.integer({ min: Date.parse(at) - 7_200_000, max: Date.parse(at) + 7_200_000 }));
    const anyInstant = fc.integer({ min: Date.parse('1900-01-01'), max: Date.parse('2100-01-01') });
    fc.assert(
      fc.property(fc.constantFrom(...zones), fc.oneof(aroundChange, anyInstant), (name, ms) => {
        expect(`${localDate(name, ms)} ${clockTime(name, ms)}`).toBe(shown(name, ms));
      }),
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

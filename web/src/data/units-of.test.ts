import { describe, expect, test } from '@jest/globals';
import { clockTime, defaultKitchen } from '@morning-crock/core';
import { instantOfFields } from './instant-of-fields.ts';
import { unitsOf } from './units-of.ts';

const kitchen = (measures: 'metric' | 'us' | 'imperial', zone = 'UTC', money?: string) => {
  const { units, site } = defaultKitchen(zone);
  return unitsOf({
    units: {
      ...units,
      measures,
      temperature: measures === 'metric' ? 'C' : 'F',
      ...(money ? { money } : {}),
    },
    site,
  });
};
const metric = kitchen('metric');
const at = (iso: string): number => Date.parse(`${iso}:00.000Z`);
const NOW = at('2026-03-02T10:00');

describe('quantities in words', () => {
  test('every one has its unit, in every system', () => {
    for (const measures of ['metric', 'us', 'imperial'] as const) {
      const units = kitchen(measures);
      const unit = /(g|kg|oz|lb|mL|L|qt|cups|pints|fl oz)( \((US|imp\.)\))?$/;
      for (const words of [
        units.mass(0.043),
        units.mass(2.5),
        units.volume(0.2),
        units.volume(12),
        units.aboutVolume(9.87),
        units.massRange(0.34, 0.51),
        units.volumeRange(10.23, 14.08),
      ])
        expect(words).toMatch(unit);
      expect(units.temperature(43)).toMatch(measures === 'metric' ? /^43\.0 °C$/ : /^109 °F$/);
    }
  });

  test('a range is rounded outward and says its unit once when both ends share it', () => {
    expect(metric.massRange(0.344, 0.501)).toBe('340–510 g');
    expect(metric.massRange(0.9, 1.204)).toBe('900 g–1.21 kg');
    expect(metric.volumeRange(10.23, 14.01)).toBe('10.2–14.1 L');
    expect(metric.volumeRange(0.5, 2.1)).toBe('500 mL–2.1 L');
  });

  test('an estimate is no finer than it is known', () => {
    expect(metric.aboutVolume(149.6)).toBe('150 L');
    expect(metric.aboutVolume(9.87)).toBe('9.9 L');
  });

  test('money has the name it has here, or none', () => {
    expect(kitchen('metric', 'UTC', 'crowns').cost(0.618)).toBe('0.62 crowns');
    expect(metric.cost(2)).toBe('2.00');
    expect(metric.money).toBe('');
  });
});

describe('times in words', () => {
  test('the weekday only when it is not today', () => {
    expect(metric.time(at('2026-03-02T18:10'), NOW)).toBe('18:10');
    expect(metric.time(at('2026-03-03T05:00'), NOW)).toBe('Tue 05:00');
    expect(metric.clock(at('2026-03-03T05:00'))).toBe('05:00');
    expect(metric.day(NOW)).toBe('Mon 2 Mar');
  });

  test('a band is rounded outward to five minutes; an open one says so', () => {
    expect(metric.span(at('2026-03-02T18:12'), at('2026-03-02T18:48'), NOW)).toBe('18:10–18:50');
    expect(metric.span(at('2026-03-02T23:31'), at('2026-03-03T00:12'), NOW)).toBe('23:30–Tue 00:15');
    expect(metric.span(at('2026-03-20T11:40'), at('2026-03-20T18:20'), NOW)).toBe('Fri 20 Mar');
    expect(metric.span(at('2026-03-02T18:12'), null, NOW)).toBe('after 18:10');
    expect(metric.span(null, null, NOW)).toBe('not within the forecast');
  });

  test('the day is the kitchen’s, not the browser’s', () => {
    const east = kitchen('metric', 'Asia/Tokyo');
    expect(east.time(at('2026-03-02T15:30'), at('2026-03-02T14:00'))).toBe('Tue 00:30');
    expect(east.day(at('2026-03-02T15:30'))).toBe('Tue 3 Mar');
  });
});

describe('a day and a time as they are typed', () => {
  test('there and back, in any zone, over a change of the clocks too', () => {
    for (const zone of ['UTC', 'Europe/Paris', 'America/New_York', 'Asia/Kolkata']) {
      for (let day = 0; day < 370; day += 7) {
        const ms = at('2026-01-01T11:30') + day * 86_400_000;
        const date = new Intl.DateTimeFormat('sv-SE', { timeZone: zone }).format(ms);
        expect(instantOfFields(zone, date, clockTime(zone, ms))).toBe(ms);
      }
    }
  });

  test.each(['', '2026', '2026-03', '26-03-02', '0026-03-02', '20260302'])('“%s” is no day yet', (date) => {
    expect(instantOfFields('UTC', date, '06:30')).toBeNaN();
  });

  test.each(['', '6', '06:', '6:3'])('“%s” is no time yet', (time) => {
    expect(instantOfFields('UTC', '2026-03-02', time)).toBeNaN();
  });

  test('seconds that a browser adds are left out', () => {
    expect(instantOfFields('UTC', '2026-03-02', '06:30:59')).toBe(at('2026-03-02T06:30'));
  });
});

test('a kitchen that reads its clock by twelve hours and puts the month first is told so everywhere', () => {
  const kitchen = defaultKitchen('UTC');
  const [usual, own] = [
    unitsOf(kitchen),
    unitsOf({ ...kitchen, units: { ...kitchen.units, clock: '12h', dayOrder: 'month-day' } }),
  ];
  const ms = Date.parse('2026-03-24T18:05:00.000Z');
  expect([usual.clock(ms), usual.day(ms), usual.dayHabit]).toEqual(['18:05', 'Tue 24 Mar', 'DD.MM.YYYY']);
  expect([own.clock(ms), own.day(ms), own.dayHabit]).toEqual(['6:05 pm', 'Tue Mar 24', 'MM/DD/YYYY']);
  expect(own.span(ms, ms + 60 * 60_000, ms)).toBe('6:05 pm–7:05 pm');
  expect(own.clock(Date.parse('2026-03-24T00:30:00.000Z'))).toBe('12:30 am');
});

test('a day of another year has its year, by the kitchen’s clock', () => {
  const ms = at('2025-12-31T23:30');
  expect(metric.dayAndYear(ms, at('2025-12-01T10:00'))).toBe('Wed 31 Dec');
  expect(metric.dayAndYear(ms, NOW)).toBe('Wed 31 Dec 2025');
  // An hour further east it is New Year's Day already.
  expect(kitchen('metric', 'Etc/GMT-1').dayAndYear(ms, NOW)).toBe('Thu 1 Jan');
});

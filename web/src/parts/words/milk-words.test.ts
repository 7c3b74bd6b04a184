import { describe, expect, test } from '@jest/globals';
import { defaultKitchen, foldMilkRoom, HOUR_MS } from '@morning-crock/core';
import type { Lot, LotFacts } from '@morning-crock/core/contract';
import { createLedger, lotId, ZERO_MS as NOON } from '@morning-crock/core/fixtures';
import { unitsOf } from '../../data/units-of.ts';
import { costWords, keepWords, lotAmount, massRange, percent, someOf, takenKg } from './milk-words.ts';

const measuredIn = (measures: 'metric' | 'us' | 'imperial') => {
  const kitchen = defaultKitchen('UTC');
  return unitsOf({ ...kitchen, units: { ...kitchen.units, measures } });
};
const metric = measuredIn('metric');
function lotOf(facts: Partial<LotFacts> = {}, litres = 4): Lot {
  const ledger = createLedger();
  ledger.intake(lotId('JAR'), 0, litres, facts);
  return foldMilkRoom(ledger.events).lots.get(lotId('JAR'))!;
}

// 4 L are 7.04 imperial pints and 4.23 US quarts; cream of 30 % weighs 0.995 kg a litre.
test.each([
  ['metric', {}, '4 L'],
  ['us', {}, '4.23 qt (US)'],
  ['imperial', {}, '7 pints (imp.)'],
  ['metric', { what: 'cream' as const, fatFraction: 0.3 }, '3.98 kg'],
  ['us', { what: 'cream' as const, fatFraction: 0.3 }, '8.78 lb'],
] as const)('%s %j: milk by volume, cream by weight, %s', (system, facts, words) => {
  expect(lotAmount(lotOf(facts), measuredIn(system))).toBe(words);
});

test('of an overdrawn jar there is nothing, not less', () => {
  expect(someOf(lotOf(), -0.4, metric)).toBe(metric.volume(0));
});

test.each([
  ['as the jug shows it', 4.12, true],
  ['clearly less', 3.9, false],
  ['clearly more', 4.5, false],
])('%s: is it all of it?', (_, saidKg, all) => {
  const lot = lotOf();
  expect(takenKg(lot, saidKg)).toBe(all ? lot.has.massKg : saidKg);
});

test('a cost is told by the kitchen’s own measure, or not at all', () => {
  expect(costWords(lotOf({ costPerLitre: 0.8 }), metric)).toMatch(/^0\.80.*\/L$/);
  expect(costWords(lotOf({ costPerLitre: 0.8 }), measuredIn('us'))).toMatch(/^0\.76\/quart/);
  expect(costWords(lotOf({ costPerLitre: null }), metric)).toBeNull();
});

describe('how long it keeps', () => {
  const words = (facts: Partial<LotFacts>, hours: number) =>
    keepWords(lotOf(facts), NOON + hours * HOUR_MS, metric);

  test('by days while there are days', () => {
    expect(words({}, 1)).toEqual({ text: 'use by Wed 4 Mar to Fri 6 Mar', late: false });
  });
  test('by the clock when it is a matter of hours', () => {
    const warm = words({ place: 'counter', placeC: 25 }, 0.5);
    expect(warm.late).toBe(false);
    expect(warm.text).toMatch(/^use by \d\d:[03]0|^use by .*\d\d:[03]0/);
    expect(words({ place: 'counter', placeC: 25 }, 2).text).toMatch(/by \d\d:[03]0 at the latest$/);
  });
  test('now, and at the latest then', () => {
    expect(words({}, 50)).toEqual({ text: 'use soon, by Fri 6 Mar at the latest', late: false });
    expect(words({}, 70)).toEqual({
      text: expect.stringMatching(/^use now, by .* at the latest$/),
      late: true,
    });
  });
  test('past its time, with the reason', () => {
    expect(words({}, 120)).toEqual({ text: 'past its use-by date (raw)', late: true });
  });
});

test('a share with its range, and percents', () => {
  expect(massRange(0.42, 0.2, metric)).toMatch(/^3\d\d–5\d\d g$/);
  expect([percent(0.0372), percent(0.236, 0)]).toEqual(['3.7 %', '24 %']);
});

test('raw cream too old to drink is not late: it may be churned or ripened, and sours meanwhile', () => {
  const cream = lotOf({ what: 'cream', fatFraction: 0.34, treatment: 'raw' }, 1);
  const days = (n: number) => NOON + n * 24 * HOUR_MS;
  expect(keepWords(cream, days(1), metric)).toMatchObject({ late: false });
  const older = keepWords(cream, days(5), metric);
  expect(older).toMatchObject({ late: false });
  expect(older.text).toMatch(/^Souring, too old to drink\. Churn or ripen by \w{3} \d+ \w+\.$/);
  expect(keepWords(cream, days(12), metric).late).toBe(true);
  const milk = lotOf({ treatment: 'raw' }, 1);
  expect(keepWords(milk, days(5), metric).late).toBe(true);
});

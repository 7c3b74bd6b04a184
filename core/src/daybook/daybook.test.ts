import { describe, expect, test } from '@jest/globals';
import type { Churned, LarderLine, MakeSummary } from '../contract/index.ts';
import { lotId } from '../fixtures/ledger-kit.ts';
import { lineLike } from '../fixtures/lines.ts';
import { createRandom } from '../science/numerics/index.ts';
import { daybookChoices, EVERYTHING, filtered } from './line-filter.ts';
import { tally, tallyByMonth, tallyByProduct } from './months.ts';
import {
  fatLostBy,
  handsByProduct,
  honestAnswer,
  thrownAway,
  turnsAnswer,
  yieldBySeason,
} from './questions.ts';
import { trendOf } from './trend.ts';

const many = (n: number, over: (i: number) => Partial<MakeSummary>): MakeSummary[] =>
  Array.from({ length: n }, (_, i) => lineLike(i, over(i)));

describe('a trend', () => {
  test('is told by its slope when it is more than chance, and not before there is enough to say', () => {
    const line = Array.from({ length: 9 }, (_, i): [number, number] => [i, 4 + 0.25 * i]);
    expect(trendOf(line)).toMatchObject({ outcome: 'up', slope: 0.25, middle: 5, points: 9 });
    expect(trendOf(line.map(([x, y]) => [x, -y])).outcome).toBe('down');
    expect(trendOf(line.slice(0, 5)).outcome).toBe('too-few');
    // One wild value does not make or break it.
    expect(trendOf([...line, [9, -40]])).toMatchObject({ outcome: 'up' });
    // All at one turn: nothing to go up with.
    expect(trendOf(line.map(([, y]) => [3, y])).outcome).toBe('too-few');
  });

  test('chance alone is called a trend about once in twenty times', () => {
    const random = createRandom(20);
    let called = 0;
    for (let run = 0; run < 400; run++) {
      const points = Array.from({ length: 14 }, (_, i): [number, number] => [i % 7, random.normal()]);
      const { outcome } = trendOf(points);
      if (outcome === 'up' || outcome === 'down') called++;
    }
    expect(called).toBeGreaterThan(4);
    expect(called).toBeLessThan(36);
  });

  test('of ten thousand points is found in a blink and is the same', () => {
    const points = Array.from({ length: 10_000 }, (_, i): [number, number] => [i, 3 + 0.001 * i]);
    expect(trendOf(points)).toMatchObject({ outcome: 'up', points: 10_000 });
    expect(trendOf(points).slope).toBeCloseTo(0.001, 9);
  });
});

describe('questions', () => {
  test('slower by the turn, and sourer', () => {
    const answer = turnsAnswer(
      many(12, (i) => ({ seenSetH: 4 + 0.1 * i, sourness: i < 6 ? 'mild' : 'tart' })),
    );
    expect(answer.pace).toMatchObject({ outcome: 'up' });
    expect(answer.pace.slope).toBeCloseTo(0.1, 9);
    expect(answer.sourness.outcome).toBe('up');
    // What stands in no register has no turn.
    expect(turnsAnswer(many(12, () => ({ turn: null }))).hours).toEqual([]);
  });

  test('an honest forecast has four of five within its span', () => {
    const answer = honestAnswer([
      ...many(8, () => ({ seenSetH: 5.2 })),
      ...many(2, () => ({ seenSetH: 7 })),
      ...many(3, () => ({ seenSetH: null })),
      // Open above: nothing is too late for it.
      lineLike(20, { forecastSetH: [4, 5, null], seenSetH: 19 }),
    ]);
    expect(answer).toMatchObject({ judged: 11, within: 9 });
    expect(answer.laterH).toBeCloseTo(0.2, 9);
    expect(honestAnswer([]).laterH).toBeNull();
  });

  test('what comes out by the month of the year, whichever year', () => {
    const at = (startedAt: string, yieldKg: number | null) => ({ startedAt, yieldKg, intoKg: 2 });
    expect(
      yieldBySeason([
        lineLike(1, at('2025-11-03T08:00:00.000Z', 1)),
        lineLike(2, at('2026-11-03T08:00:00.000Z', 2)),
        lineLike(3, at('2026-02-03T08:00:00.000Z', 1.8)),
        lineLike(4, at('2026-03-03T08:00:00.000Z', null)),
      ]),
    ).toEqual([
      { group: 1, middle: 0.9, makes: 1 },
      { group: 10, middle: 0.75, makes: 2 },
    ]);
  });

  test('fat lost by feed and by churn', () => {
    const churned = (lostFraction: number | null, churn: string): Churned => ({
      churn,
      startC: 12,
      minutes: 20,
      forecastMin: null,
      loads: 1,
      creamKg: 1,
      fatFraction: 0.35,
      ripened: false,
      possibleKg: 0.42,
      butterKg: 0.4,
      buttermilkKg: 0.5,
      lostFraction,
      softness: 'firm',
    });
    const makes = [
      lineLike(1, { feed: 'grass', churned: churned(0.04, 'barrel') }),
      lineLike(2, { feed: 'grass', churned: churned(0.06, 'jar') }),
      lineLike(3, { feed: 'hay', churned: churned(0.02, 'barrel') }),
      lineLike(4, { feed: 'hay', churned: churned(null, 'barrel') }),
      lineLike(5),
    ];
    expect(fatLostBy(makes, 'feed')).toEqual([
      { group: 'grass', middle: 0.05, makes: 2 },
      { group: 'hay', middle: 0.02, makes: 1 },
    ]);
    expect(fatLostBy(makes, 'churn').map(({ group }) => group)).toEqual(['barrel', 'jar']);
    expect(fatLostBy(makes, 'season').reduce((sum, { makes: n }) => sum + n, 0)).toBe(3);
  });

  test('what was thrown away: makes and goods of them under one reason, however it was written', () => {
    const makes = [
      lineLike(1, { status: 'discarded', reason: 'Ran  over', intoKg: 3 }),
      lineLike(2, { status: 'discarded', reason: 'ran over ', intoKg: 1 }),
      lineLike(3),
    ];
    const line = (goodId: string, note: string): LarderLine => ({
      eventId: lotId(note),
      goodId,
      atMs: 0,
      kind: 'spoiled',
      place: 'cold',
      to: null,
      size: 0,
      massKg: 0.4,
      count: 1,
      price: null,
      into: null,
      note,
    });
    const goods = [
      { id: lotId('OURS'), makeId: makes[2]!.id },
      { id: lotId('OTHER'), makeId: null },
    ];
    const thrown = thrownAway(
      makes,
      [line(lotId('OURS'), 'forgotten'), line(lotId('OTHER'), 'of no make looked at')],
      goods,
    );
    expect(thrown).toEqual([
      { why: 'ran over', massKg: 4, times: 2 },
      { why: 'forgotten', massKg: 0.4, times: 1 },
    ]);
  });

  test('hands a kilogram count what was weighed alone', () => {
    const [yogurt] = handsByProduct([
      lineLike(1, { handsMin: 20, yieldKg: 4 }),
      lineLike(2, { handsMin: 30, yieldKg: null }),
    ]);
    expect(yogurt).toMatchObject({ product: 'yogurt', makes: 2, handsMin: 50, minPerKg: 5 });
  });
});

describe('months and products', () => {
  test('months add up to the whole, and so do products', () => {
    const makes = many(70, (i) => ({
      product: i % 3 === 0 ? 'butter' : 'yogurt',
      status: i % 10 === 9 ? 'discarded' : 'kept',
      cost: i % 2 === 0 ? 8 : null,
      costPerKg: i % 2 === 0 ? 2 : null,
      savedPerKg: i % 4 === 0 ? 1 : null,
    }));
    const whole = tally(makes);
    for (const parts of [tallyByMonth(makes, 'UTC'), tallyByProduct(makes)])
      for (const key of ['makes', 'lost', 'litres', 'kgOut', 'handsMin', 'cost', 'costed'] as const)
        expect(parts.reduce((sum, part) => sum + part[key], 0)).toBeCloseTo(whole[key], 9);
    expect(whole.lost).toBe(7);
    expect(whole.kgOut).toBe(4 * 63);
    expect(whole.costPerKg).toBeCloseTo(2, 9);
    expect(whole.saved).toBeCloseTo(18 * 4, 9);
    expect(tally([]).saved).toBeNull();
  });

  test('a month begins by the kitchen’s clock', () => {
    const late = lineLike(1, { startedAt: '2026-03-31T23:30:00.000Z' });
    expect(tallyByMonth([late], 'UTC')[0]!.month).toBe('2026-03');
    expect(tallyByMonth([late], 'Etc/GMT-3')[0]!.month).toBe('2026-04');
  });
});

test('filters let through what has all that is asked, and offer what there is', () => {
  const makes = [
    lineLike(1, { pot: 'the tall can', note: 'Stood like custard' }),
    lineLike(2, { pot: 'the little pan', product: 'butter', kind: 'ewe' }),
    lineLike(3, { pot: 'the tall can', startedAt: '2020-05-01T06:00:00.000Z' }),
  ];
  const ids = (filter: Partial<typeof EVERYTHING>) =>
    filtered(makes, { ...EVERYTHING, ...filter }, 'UTC').map(({ id }) => id);
  expect(ids({})).toHaveLength(3);
  expect(ids({ pot: 'the tall can' })).toEqual([makes[0]!.id, makes[2]!.id]);
  expect(ids({ pot: 'the tall can', year: '2020' })).toEqual([makes[2]!.id]);
  expect(ids({ words: ' CUSTARD ' })).toEqual([makes[0]!.id]);
  expect(ids({ animal: 'ewe', product: 'yogurt' })).toEqual([]);
  const choices = daybookChoices(makes, 'UTC');
  expect(choices.pots).toEqual(['the tall can', 'the little pan']);
  expect(choices.years.at(-1)).toBe('2020');
  expect(choices.cooks).toEqual([]);
  // New Year's Eve here is New Year's Day further east.
  const eve = lineLike(4, { startedAt: '2025-12-31T23:30:00.000Z' });
  const of = (year: string, zone: string) => filtered([eve], { ...EVERYTHING, year }, zone).length;
  expect([of('2025', 'UTC'), of('2026', 'UTC')]).toEqual([1, 0]);
  expect([of('2025', 'Etc/GMT-3'), of('2026', 'Etc/GMT-3')]).toEqual([0, 1]);
  expect(daybookChoices([eve], 'Etc/GMT-3').years).toEqual(['2026']);
});

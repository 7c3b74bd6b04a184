import { expect, test } from '@jest/globals';
import { defaultKitchen, tally, type Trend } from '@morning-crock/core';
import { lineLike } from '@morning-crock/core/fixtures';
import { unitsOf } from '../../data/units-of.ts';
import {
  fatWords,
  handsWords,
  honestWords,
  inOutWords,
  monthWords,
  paceWords,
  savedWords,
  seasonWords,
  thrownWords,
} from './answer-words.ts';

const kitchen = defaultKitchen('UTC');
const units = unitsOf({ ...kitchen, units: { ...kitchen.units, money: 'crowns' } });
const trend = (over: Partial<Trend>): Trend => ({
  outcome: 'steady',
  slope: 0,
  middle: 5,
  points: 9,
  ...over,
});

test('a trend is told by the turn, and only when it is one', () => {
  expect(paceWords(trend({ outcome: 'up', slope: 0.3 }))).toBe(
    'Yes. Each generation sets about 18 min slower. Typical time over 9 batches: 5.0 h.',
  );
  expect(paceWords(trend({ outcome: 'down', slope: -0.1 }))).toContain(
    'Each generation sets about 6 min faster',
  );
  expect(paceWords(trend({}))).toContain('as fast as before');
  expect(paceWords(trend({ outcome: 'too-few', points: 1, middle: 4 }))).toContain(
    'Too few to tell yet. 1 batch so far',
  );
});

test('an honest forecast is called so, a sure one and a careful one too', () => {
  const of = (within: number, judged: number) => honestWords({ dots: [], within, judged, laterH: 0.2 });
  expect(of(16, 20)).toBe(
    '16 of 20 batches set within the forecast range; about 16 should. The forecast range is about right. Typically they set 12 min later than forecast.',
  );
  expect(of(40, 100)).toContain('too narrow');
  expect(of(99, 100)).toContain('wider than it need be');
  expect(honestWords({ dots: [], within: 0, judged: 0, laterH: null })).toBe(
    'No batch has both a forecast and a recorded set yet.',
  );
});

test('months, churns and reasons by their names and how many there are', () => {
  expect(monthWords('2026-03')).toBe('March 2026');
  const month = (group: number, middle: number) => ({ group, middle, makes: 2 });
  expect(seasonWords([month(0, 0.9), month(6, 0.95)], 'Yogurt')).toBe(
    'Yogurt (4 batches weighed): best yield in July (95 % of what went in), lowest in January (90 %).',
  );
  expect(seasonWords([month(0, 0.901), month(6, 0.902)], 'Yogurt')).toContain(
    'yield 90 % of what went in, the same every month.',
  );
  expect(seasonWords([], 'Yogurt')).toBe('No yogurt has been weighed yet.');
  expect(
    fatWords([
      { group: 'grass', middle: 0.04, makes: 3 },
      { group: 'hay', middle: 0.021, makes: 1 },
    ]),
  ).toBe(
    '4 churnings: least fat was lost with hay (2.1 %, 1 churning), most with grass (4.0 %, 3 churnings).',
  );
  expect(
    thrownWords(
      [
        { why: 'ran over.', massKg: 2, times: 1 },
        { why: '', massKg: 0.5, times: 2 },
      ],
      10,
      units,
    ),
  ).toBe('2.50 kg, 3 times. Main reason: “ran over” (2.00 kg).');
});

test('what was saved is told in the kitchen’s money, or that it cost more', () => {
  const of = (savedPerKg: number | null, cost: number | null = 8) =>
    savedWords(tally([lineLike(1, { savedPerKg, cost, costPerKg: cost === null ? null : 2 })]), units);
  expect(of(1.5)).toBe('8.00 crowns for 1 batch with a milk price. 6.00 crowns less than at shop prices.');
  expect(of(-0.5)).toContain('2.00 crowns more than at shop prices');
  expect(of(null)).toBe('8.00 crowns for 1 batch with a milk price.');
  expect(of(null, null)).toBe('The milk cost is not known for any batch yet.');
  expect(inOutWords(tally([lineLike(1)]), 1, units)).toBe('4 L in, 4.00 kg out: 1 batch in 1 month.');
});

test('hands are told a kilogram of what is made most, and in all when nothing was weighed', () => {
  const hands = [{ product: 'yogurt' as const, makes: 2, handsMin: 50, minPerKg: 6 }];
  const whole = tally([lineLike(1, { handsMin: 50 })]);
  expect(handsWords(hands, whole, units)).toBe(
    'About 50 min hands-on in total, estimated from the steps; yogurt 6 min a kg.',
  );
  expect(handsWords([{ ...hands[0]!, minPerKg: null }], whole, units)).toBe(
    'About 50 min hands-on in total, estimated from the steps.',
  );
});

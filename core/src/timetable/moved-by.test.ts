import { expect, test } from '@jest/globals';
import type { DayHands } from './hands.ts';
import { movedBy, movedSince } from './moved-by.ts';

const slot = (make: string, task: string, from: number) => ({ make, task, cook: 'c', from, to: from + 5 });
const hands = (make: string, step: string, from: number): DayHands => ({
  make,
  step,
  title: step,
  act: step,
  cook: 'Wren',
  cookId: 'c',
  from,
  to: from + 5,
  holds: [],
  heldFrom: from,
  why: { notEarlier: 'others', after: null, thing: null, latest: null },
});
const before = [slot('kefir', 'pour', 10), slot('yogurt', 'heat', 40), slot('butter', 'churn', 90)];
const moved = [
  { make: 'kefir', task: 'pour', was: 10, now: 60 },
  { make: 'yogurt', task: 'heat', was: 40, now: 85 },
];
const left = [hands('kefir', 'pour', 60), hands('yogurt', 'heat', 85), hands('butter', 'churn', 90)];
const why = (told: readonly string[], nowMin: number, over = moved) =>
  movedBy({ moved: over, hands: left, before, told: new Set(told), nowMin });

test('what somebody told of a batch moved the rest, though others are due too', () => {
  expect(why(['yogurt'], 45)).toEqual({ by: 'batch', make: 'yogurt', step: 'heat', minutes: 45 });
});

test('where nothing was told, what was due first and is not done', () => {
  expect(why([], 45)).toEqual({ by: 'overdue', make: 'kefir', step: 'pour', was: 10 });
  // Told of a batch that stays where it was: the other one is late.
  expect(why(['butter'], 45)).toMatchObject({ by: 'overdue', make: 'kefir' });
});

test('else the first that moved; nothing where nothing did', () => {
  expect(why([], 5)).toEqual({ by: 'batch', make: 'kefir', step: 'pour', minutes: 50 });
  expect(why(['yogurt'], 45, [])).toBeNull();
});

test('what hands are at already, and only ends at another time, is no reason', () => {
  const ends = { make: 'yogurt', task: 'heat', was: 40, now: 40 };
  expect(why(['yogurt'], 5, [ends, moved[0]!])).toMatchObject({ by: 'batch', make: 'kefir', minutes: 50 });
});

test('two layings in a moment are read as one, from before the first to after the second', () => {
  const again = [
    { make: 'kefir', task: 'pour', was: 60, now: 10 },
    { make: 'yogurt', task: 'heat', was: 85, now: 95 },
    { make: 'butter', task: 'churn', was: 90, now: 120 },
  ];
  expect(movedSince(moved, again, left)).toEqual([
    { make: 'yogurt', task: 'heat', was: 40, now: 95 },
    { make: 'butter', task: 'churn', was: 90, now: 120 },
  ]);
  // A second one that moves nothing takes nothing away, but for what is done by then.
  expect(movedSince(moved, [], left)).toEqual(moved);
  expect(movedSince(moved, [], left.slice(1))).toEqual([moved[1]]);
});

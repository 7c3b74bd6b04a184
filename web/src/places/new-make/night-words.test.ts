import { expect, test } from '@jest/globals';
import { beginPlan, defaultKitchen, HOUR_MS, type SleepClash } from '@morning-crock/core';
import { unitsOf } from '../../data/units-of.ts';
import { nightWords } from './night-words.ts';

const kitchen = defaultKitchen('UTC');
const START = '2026-03-02T10:00:00.000Z';
const plan = beginPlan('kefir', kitchen, START);
const at = (hours: number): number => Date.parse(START) + hours * HOUR_MS;
const words = (...clashes: SleepClash[]): string[] => nightWords({ plan, clashes }, unitsOf(kitchen));
const clash = (
  kind: SleepClash['kind'],
  hours: number,
  sournessAtWake: SleepClash['sournessAtWake'] = null,
) => ({
  step: kind,
  kind,
  atMs: at(hours),
  wakeMs: at(19),
  sournessAtWake,
});

test('nothing at night, nothing said', () => {
  expect(words()).toEqual([]);
});

test('hands before the souring are told by their times', () => {
  expect(words(clash('cool', 13), clash('inoculate', 13.5))).toEqual([
    'Needs you about 23:00 and 23:30, while you are asleep or away.',
  ]);
});

test('what follows a souring that is left until morning is left with it', () => {
  expect(words(clash('incubate', 16, 'classic'), clash('grains-out', 16.1))).toEqual([
    expect.stringMatching(
      /^Ready about Tue 02:00, .* If you leave it until Tue 05:00 it will taste classic\.$/,
    ),
  ]);
});

import { expect, test } from '@jest/globals';
import type { KeptDay } from '../contract/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { beginPlan } from '../products/index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';
import { comingSlots, goingOf } from './going-day.ts';

const ZERO_MS = Date.parse('2026-03-02T08:00:00.000Z');
const plan = beginPlan('ghee', defaultKitchen('UTC'), new Date(ZERO_MS).toISOString());
const slot = (make: string, from: number) => ({
  make,
  task: 'clarify',
  title: 'Clarify',
  cook: 'c',
  from,
  to: from + 20,
});
const day = (over: Partial<KeptDay['day']> = {}): KeptDay => ({
  id: 'day',
  at: new Date(ZERO_MS).toISOString(),
  day: {
    name: 'Day',
    version: 1,
    zeroAt: new Date(ZERO_MS).toISOString(),
    days: 1,
    makes: [
      {
        id: 'b',
        name: 'Butter',
        methodId: 'butter',
        litres: 2,
        by: null,
        fixed: {},
        who: {},
        makeId: 'butter',
      },
      {
        id: 'g',
        name: 'Ghee',
        methodId: 'ghee',
        litres: 0.7,
        by: null,
        fixed: {},
        who: {},
        fedBy: 'b',
        plan,
        makeId: null,
      },
    ],
    keptFree: [],
    skims: [],
    every: null,
    begunAt: new Date(ZERO_MS).toISOString(),
    slots: [slot('b', 0), slot('g', 120)],
    moved: [],
    because: '',
    broken: 0,
    ...over,
  },
});
const NONE: ReadonlySet<string> = new Set();

test('a day goes on while a batch of it is under way, or waits for what another one gave; not longer than its days and one', () => {
  const noonMs = ZERO_MS + 4 * HOUR_MS;
  expect(goingOf([day()], new Set(['butter']), noonMs)?.id).toBe('day');
  // The butter is in the larder; the ghee is still to be made of it.
  expect(goingOf([day()], NONE, noonMs)?.id).toBe('day');
  expect(goingOf([day({ slots: [slot('b', 0)] })], NONE, noonMs)).toBeNull();
  expect(goingOf([day({ begunAt: null })], new Set(['butter']), noonMs)).toBeNull();
  expect(goingOf([day()], new Set(['butter']), ZERO_MS + 49 * HOUR_MS)).toBeNull();
});

test('what is still to come of it is told by the batch that is to be', () => {
  expect(comingSlots(day(), ZERO_MS + 60 * MINUTE_MS)).toEqual([
    {
      makeId: null,
      name: 'Ghee',
      task: 'clarify',
      title: 'Clarify',
      atMs: ZERO_MS + 120 * MINUTE_MS,
      minutes: 20,
    },
  ]);
});

import { expect, test } from '@jest/globals';
import {
  bandForecast,
  defaultKitchen,
  defaultPlan,
  HOUR_MS,
  MINUTE_MS,
  stateOfPlan,
  stateWith,
} from '@morning-crock/core';
import { makePicture } from './make-picture.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
const plan = { ...defaultPlan(defaultKitchen('UTC'), new Date(START).toISOString()), name: 'Sunday yogurt' };
const MEMBERS = 60;

test('before its times are known it stands there as its log has it, and nothing rings', () => {
  const picture = makePicture(stateOfPlan(plan), null, START);
  expect(picture).toMatchObject({
    name: 'Sunday yogurt',
    timed: false,
    over: false,
    alarms: [],
    next: null,
    knots: [],
    step: { title: 'Pour the milk' },
    now: { doneWords: 'Milk is in the pot' },
    done: [{ type: 'step-done', data: { step: 'pour' } }],
  });
});

test('it is plain data: what a worker sends is what the page gets', () => {
  const state = stateOfPlan(plan);
  const picture = makePicture(state, bandForecast(state, START, 1, MEMBERS), START);
  expect(structuredClone(picture)).toEqual(JSON.parse(JSON.stringify(picture)));
  expect(picture.timed).toBe(true);
  expect(picture.knots.map(({ atMs }) => atMs)).toEqual(
    [...picture.knots.map(({ atMs }) => atMs)].sort((a, b) => a - b),
  );
});

test('long past its clock it says so, and is not to be tasted', () => {
  const soured = stateWith(stateOfPlan(plan), 'starter-added', plan.starter, START + HOUR_MS);
  const late = START + 60 * HOUR_MS;
  const picture = makePicture(soured, bandForecast(soured, late, 1, MEMBERS), late);
  expect(picture.over).toBe(true);
  expect(picture.look.surface).toBe('bad');
  expect(picture.alarms[0]).toMatchObject({ title: 'Do not taste', rank: 0 });
  // Nothing else is asked of it any more, and one tap is enough to be done with it.
  expect(picture.alarms).toHaveLength(1);
  expect(picture).toMatchObject({
    ready: null,
    knots: [],
    next: { act: 'Discard this batch', mustAct: true },
    now: { doneWords: 'Discard batch' },
    done: [{ type: 'finished', data: { verdict: 'discarded' } }],
  });
  expect(picture.next!.atMs).toBeGreaterThan(START + 12 * HOUR_MS);
  expect(picture.next!.atMs).toBeLessThan(late);
});

test('what is to be done now is another thing once it is due', () => {
  const state = stateWith(stateOfPlan(plan), 'step-done', { step: 'pour' }, START + MINUTE_MS);
  const { now } = makePicture(state, null, START + 2 * MINUTE_MS);
  expect(now!.whenDue).not.toBe(now!.doing);
});

import { expect, test } from '@jest/globals';
import {
  defaultKitchen,
  defaultPlan,
  foldMake,
  pointForecast,
  type LoggedEvent,
  HOUR_MS,
} from '@morning-crock/core';
import { crockLook } from './crock-look.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
const plan = defaultPlan(defaultKitchen('UTC'), new Date(START).toISOString());
const event = (n: number, hours: number, type: string, data: unknown): LoggedEvent =>
  ({
    id: `e${n}`,
    streamId: 'm',
    at: new Date(START + hours * HOUR_MS).toISOString(),
    cookId: null,
    deviceId: 'd',
    version: 1,
    type,
    data,
    seq: n,
  }) as LoggedEvent;
const begun = [event(1, 0, 'make-started', { plan })];
const warm = [
  ...begun,
  ...['pour', 'heat', 'hold', 'cool'].map((step, i) => event(2 + i, 0.4 * (i + 1), 'step-done', { step })),
  event(6, 2, 'starter-added', { massKg: 0.05, statedRatio: null, typed: null }),
];
const lookAt = (events: readonly LoggedEvent[], hours: number) => {
  const state = foldMake('m', events)!;
  const nowMs = START + hours * HOUR_MS;
  return crockLook(state, pointForecast(state, nowMs), null, nowMs).surface;
};

test('the crock follows its make from still milk to the cold', () => {
  expect(lookAt(begun, 0)).toBe('still');
  expect(lookAt(warm.slice(0, 2), 0.5)).toBe('hot');
  expect(lookAt(warm, 2.2)).toBe('liquid');
  expect(lookAt(warm, 11)).toBe('set');
  expect(lookAt([...warm, event(7, 6, 'cue-seen', { cue: 'whey-shows', cleanSmell: true })], 6.1)).toBe(
    'whey',
  );
  expect(lookAt([...warm, event(7, 6, 'step-done', { step: 'incubate' })], 6.1)).toBe('cold');
});

test('what must not be tasted looks so, whatever its step', () => {
  const state = foldMake('m', warm)!;
  const over = {
    verdict: 'over',
    warmH: 13,
    limit: { limitH: 12, reason: '' },
    limitAtMs: null,
    text: '',
  } as const;
  expect(crockLook(state, null, over, START).surface).toBe('bad');
});

import { expect, test } from '@jest/globals';
import { defaultKitchen, defaultPlan, HOUR_MS } from '@morning-crock/core';
import type { StoredEvent } from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { draft } from '../testing/index.ts';
import { TASKS } from './tasks.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');

test('the calendar asks for the hands of a batch until it is to be discarded', () => {
  const makeId = ulid();
  const plan = defaultPlan(defaultKitchen('UTC'), new Date(START).toISOString());
  const events = [
    draft(makeId, START, 'make-started', { plan }),
    draft(makeId, START + HOUR_MS / 6, 'step-done', { step: 'pour' }),
    draft(makeId, START + HOUR_MS, 'step-done', { step: 'heat' }),
  ].map((event, i): StoredEvent => ({ ...event, seq: i + 1, receivedAt: event.at }));
  const at = (hours: number) =>
    TASKS.moments({ makeId, events, nowMs: START + hours * HOUR_MS, seed: 1 })!.moments;
  expect(at(1).map(({ step }) => step)).toContain('incubate');
  expect(at(60)).toEqual([]);
});

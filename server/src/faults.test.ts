import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { HOUR_MS } from '@morning-crock/core';
import type { MakeSummary } from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { createTestKitchen, draft, startDraft, type TestKitchen } from './testing/index.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let kitchen: TestKitchen;
let id: string;
beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START });
  id = ulid();
  kitchen.clock.nowMs = START + 9 * HOUR_MS;
  expect((await send(startDraft(id, START))).statusCode).toBe(200);
});
afterAll(() => kitchen.close());

const send = (...events: unknown[]) =>
  kitchen.app.inject({ method: 'POST', url: '/api/events', payload: { events } });
const told = (data: object) =>
  draft(id, kitchen.clock.nowMs, 'fault-told', {
    complaint: 'not-set',
    answers: {},
    settled: null,
    ...data,
  });
const line = async (): Promise<MakeSummary> =>
  (await kitchen.app.inject('/api/makes'))
    .json<{ makes: MakeSummary[] }>()
    .makes.find((make) => make.id === id)!;

test('a complaint with its answers is stored, and what it turned out to be stands in the line of the batch', async () => {
  expect((await send(told({ answers: { 'starter-age': 2 } }))).statusCode).toBe(200);
  expect((await line()).faults).toBeUndefined();
  expect((await send(told({ answers: { 'starter-age': 2 }, settled: 'starter-weak' }))).statusCode).toBe(200);
  expect((await line()).faults).toEqual([{ complaint: 'not-set', settled: 'starter-weak' }]);
  // Said otherwise later, the latest counts; also when the batch is over.
  await send(draft(id, kitchen.clock.nowMs, 'finished', { verdict: 'discarded', reason: 'never set' }));
  expect((await send(told({ settled: 'none' }))).statusCode).toBe(200);
  expect((await line()).faults).toEqual([{ complaint: 'not-set', settled: 'none' }]);
  expect(await kitchen.count('event', 'type = ?', ['fault-told'])).toBe(3);
});

test('an answer that the question does not have, and a cause that is none, are refused with their field', async () => {
  const before = await kitchen.count('event', 'type = ?', ['fault-told']);
  for (const [data, field] of [
    [{ answers: { heated: 3 } }, 'heated'],
    [{ answers: { 'how-sad': 0 } }, 'answers'],
    [{ settled: 'bad luck' }, 'settled'],
    [{ complaint: 'sad' }, 'complaint'],
  ] as const) {
    const answer = await send(told(data));
    expect(answer.statusCode).toBe(400);
    expect(answer.body).toContain(field);
  }
  expect(await kitchen.count('event', 'type = ?', ['fault-told'])).toBe(before);
});

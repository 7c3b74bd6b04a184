import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { defaultKitchen, defaultPlan, HOUR_MS } from '@morning-crock/core';
import { eventsResponse } from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { readEvents } from './features/events/event-log.ts';
import { createTestKitchen, draft, type TestKitchen } from './testing/index.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
const READINGS = 1_200;
let kitchen: TestKitchen;
beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START });
});
afterAll(() => kitchen.close());

const ask = (id: string) => kitchen.app.inject({ method: 'GET', url: `/api/makes/${id}` });
async function send(...events: { id: string }[]): Promise<void> {
  const { statusCode } = await kitchen.app.inject({
    method: 'POST',
    url: '/api/events',
    payload: { events },
  });
  expect(statusCode).toBe(200);
}
const reading = (id: string, n: number) =>
  draft(id, START + n * 1000, 'temperature-read', {
    celsius: 20 + (n % 10),
    instrument: 'probe',
    typed: { value: 20 + (n % 10), unit: 'C' },
  });

test('a long log goes out whole however often it is asked for and whatever is added between', async () => {
  const id = ulid();
  const plan = defaultPlan(defaultKitchen('UTC'), new Date(START).toISOString());
  await send(draft(id, START, 'make-started', { plan: { ...plan, name: 'Crème “long”, 长' } }));
  kitchen.clock.nowMs = START + HOUR_MS;
  for (let n = 0; n < READINGS; n += 100)
    await send(...Array.from({ length: 100 }, (_, k) => reading(id, n + k)));
  /** What is answered is the log as it is stored, and answers the contract. */
  const same = async (): Promise<number> => {
    const answer = await ask(id);
    expect(answer.headers['content-type']).toContain('application/json');
    const { events } = eventsResponse.parse(answer.json());
    const stored = await readEvents(kitchen.db, { kitchenId: kitchen.kitchenId, streamId: id });
    expect(events).toEqual(stored);
    return events.length;
  };
  expect(await same()).toBe(READINGS + 1);
  expect(await same()).toBe(READINGS + 1);
  const late = reading(id, READINGS);
  await send(late, draft(id, START + HOUR_MS, 'noted', { text: 'Über “all” 水\n' }));
  expect(await same()).toBe(READINGS + 3);
  await send(draft(id, START + HOUR_MS, 'voided', { target: late.id }));
  expect(await same()).toBe(READINGS + 4);
  // Others are theirs, and one that is not there is still not there.
  expect((await ask(ulid())).statusCode).toBe(404);
  const all = await Promise.all([ask(id), ask(id), ask(id)]);
  expect(new Set(all.map((answer) => answer.json<{ events: unknown[] }>().events.length))).toEqual(
    new Set([READINGS + 4]),
  );
});

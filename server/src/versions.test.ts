import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { beginPlan, defaultKitchen, methodSteps, MINUTE_MS } from '@morning-crock/core';
import { ENTRY_VERSION_HEADER, EVENT_VERSION, type StoredEvent } from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { readMake } from './features/makes/make-service.ts';
import { createTestKitchen, draft, type TestKitchen } from './testing/index.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let kitchen: TestKitchen;
beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START });
});
afterAll(() => kitchen.close());

const send = (...events: unknown[]) =>
  kitchen.app.inject({ method: 'POST', url: '/api/events', payload: { events } });
const planOf = (product: 'yogurt' | 'butter') =>
  beginPlan(product, defaultKitchen('UTC'), new Date(START).toISOString());

test('a page of the first version goes on: its entries are stored as they came, once, and understood', async () => {
  const id = ulid();
  const { method: _method, ...plan } = planOf('yogurt');
  const begun = {
    ...draft(id, START, 'make-started', { plan: planOf('yogurt') }),
    version: 1,
    data: { plan },
  };
  const done = { ...draft(id, START, 'step-done', { step: 'pour' }), version: 1 };
  const first = await send(begun, done);
  expect(first.statusCode).toBe(200);
  expect(Number(first.headers[ENTRY_VERSION_HEADER])).toBe(EVENT_VERSION);
  // Sent again, as a tablet does that heard no answer, it is the same entry.
  expect((await send(begun)).statusCode).toBe(200);
  const { events } = (await kitchen.app.inject(`/api/makes/${id}`)).json<{ events: StoredEvent[] }>();
  expect(events).toHaveLength(2);
  expect(events[0]).toMatchObject(begun);
  const { state } = (await readMake(kitchen.db, kitchen.kitchenId, id))!;
  expect(state.steps.map((s) => s.step.id)).toEqual(methodSteps(planOf('yogurt')).map((s) => s.id));
  expect(state.current?.step.id).toBe('heat');
});

test('what no version knows is refused, with its place, and nothing is stored', async () => {
  const plan = planOf('butter');
  const before = await kitchen.count('event');
  const begun = (part: object, version = EVENT_VERSION) => ({
    ...draft(ulid(), START, 'make-started', { plan }),
    version,
    data: { plan: { ...plan, ...part } },
  });
  const refusals = [
    begun({ method: { ...plan.method, steps: [{ id: 'press', kind: 'press' }] } }),
    begun({ milk: { ...plan.milk, fatFraction: 0.08 } }),
    begun({ product: 'cheddar' }),
    begun({}, 1),
    begun({}, EVENT_VERSION + 1),
  ];
  for (const event of refusals) expect((await send(event)).statusCode).toBe(400);
  const words = (await send(refusals[1])).body;
  expect(words).toContain('data.plan.milk.fatFraction');
  expect(words).toContain('is milk, not cream');
  expect(await kitchen.count('event')).toBe(before);
});

test('what came of a make and was used cannot be taken back with its weighing', async () => {
  const id = ulid();
  const plan = planOf('butter');
  const weighed = draft(id, START + 90 * MINUTE_MS, 'weighed', {
    massKg: 0.6,
    typed: { value: 600, unit: 'g' },
    of: 'buttermilk',
  });
  kitchen.clock.nowMs = START + 200 * MINUTE_MS;
  expect((await send(draft(id, START, 'make-started', { plan }), weighed)).statusCode).toBe(200);
  const used = draft(weighed.id, START + 100 * MINUTE_MS, 'milk-moved', {
    kind: 'give',
    to: 'used',
    massKg: 0.2,
    typed: { value: 200, unit: 'g' },
    note: 'scones',
  });
  expect((await send(used)).statusCode).toBe(200);
  const undo = draft(id, START + 110 * MINUTE_MS, 'voided', { target: weighed.id });
  const refused = await send(undo);
  expect(refused.json()).toMatchObject({ code: 'in-use' });
  expect(
    (await send(draft(weighed.id, START + 111 * MINUTE_MS, 'voided', { target: used.id }))).statusCode,
  ).toBe(200);
  expect((await send({ ...undo, id: ulid() })).statusCode).toBe(200);
  const { lots } = (await kitchen.app.inject('/api/milk')).json<{ lots: { id: string }[] }>();
  expect(lots.map((l) => l.id)).not.toContain(weighed.id);
});

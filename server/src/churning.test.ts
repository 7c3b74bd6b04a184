import { afterAll, beforeAll, expect, test } from '@jest/globals';
import {
  beginPlan,
  defaultKitchen,
  withLoads,
  MINUTE_MS,
  CHURN_TOLD,
  told,
  WORK_TOLD,
} from '@morning-crock/core';
import type { DraftEvent, EventOf, EventType, MakeSummary } from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { readMake } from './features/makes/make-service.ts';
import { createTestKitchen, draft, type TestKitchen } from './testing/index.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let kitchen: TestKitchen;
beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START + 600 * MINUTE_MS });
});
afterAll(() => kitchen.close());

const plan = withLoads(beginPlan('butter', defaultKitchen('UTC'), new Date(START).toISOString(), 3));
const send = (...events: readonly DraftEvent[]) =>
  kitchen.app.inject({ method: 'POST', url: '/api/events', payload: { events } });

/** A churning that has begun: entries some minutes after its start. */
async function churning() {
  const id = ulid();
  const say = <T extends EventType>(minute: number, type: T, data: EventOf<T>['data']) =>
    send(draft(id, START + minute * MINUTE_MS, type, data));
  await send(
    draft(id, START, 'make-started', { plan }),
    draft(id, START + 2 * MINUTE_MS, 'step-done', { step: 'take-out' }),
    draft(id, START + 59 * MINUTE_MS, 'temperature-read', {
      celsius: 12,
      instrument: 'hand',
      typed: { value: 12, unit: 'C' },
    }),
    draft(id, START + 60 * MINUTE_MS, 'step-done', { step: 'temper' }),
  );
  return { id, say };
}

test('a stage after the break is refused with its field and changes nothing; the next load may have it', async () => {
  const { id, say } = await churning();
  expect((await say(85, 'stage-seen', { stage: 'broken' })).statusCode).toBe(200);
  const late = await say(86, 'stage-seen', { stage: 'stiff' });
  expect(late.statusCode).toBe(400);
  const { code, details } = late.json<{ code: string; details: { path: string }[] }>();
  expect([code, details[0]!.path]).toEqual(['bad-input', 'data.stage']);
  expect(late.body).toContain('comes after this load has broken');
  // What was seen before it, sent late by another tablet, is taken; and a lump is what comes of going on.
  expect((await say(84, 'stage-seen', { stage: 'yellow' })).statusCode).toBe(200);
  expect((await say(86, 'stage-seen', { stage: 'lump' })).statusCode).toBe(200);
  expect((await say(89, 'load-begun', { load: 2 })).statusCode).toBe(200);
  expect((await say(95, 'stage-seen', { stage: 'stiff' })).statusCode).toBe(200);
  const { state } = (await readMake(kitchen.db, kitchen.kitchenId, id))!;
  expect(told(state, CHURN_TOLD).stages.map((s) => s.stage)).toEqual(['yellow', 'broken', 'lump', 'stiff']);
  expect(told(state, CHURN_TOLD).loadsAtMs).toEqual([START + 89 * MINUTE_MS]);
});

test('what is poured in, rested, iced, flavoured and cut is stored; what cannot be says why', async () => {
  const { id, say } = await churning();
  const water = (massKg: number, celsius: number) =>
    say(70, 'water-poured', { massKg, celsius, typed: { value: massKg, unit: 'L' } });
  expect((await water(0.4, 4)).statusCode).toBe(200);
  const hot = await water(0.4, 60);
  expect(hot.statusCode).toBe(400);
  expect(hot.body).toContain('is too hot: the water would melt the butter');
  await say(71, 'churn-rested', { resting: true });
  await say(76, 'churn-rested', { resting: false });
  await say(90, 'step-done', { step: 'churn' });
  await say(91, 'weighed', { massKg: 2.1, typed: { value: 2100, unit: 'g' }, of: 'buttermilk' });
  await say(95, 'iced', { minutes: 15 });
  await say(96, 'flavoured', { with: 'garlic', text: '' });
  await say(110, 'weighed', { massKg: 1.1, typed: { value: 1100, unit: 'g' } });
  const cut = await say(111, 'shaped', { pieces: [], typed: { value: 250, unit: 'g' } });
  expect(cut.body).toContain('needs at least one piece');
  await say(111, 'shaped', {
    pieces: [{ count: 4, massKg: 0.25 }],
    typed: { value: 250, unit: 'g' },
  });
  const { state } = (await readMake(kitchen.db, kitchen.kitchenId, id))!;
  expect(told(state, CHURN_TOLD)).toMatchObject({
    poured: [{ massKg: 0.4, celsius: 4 }],
    rests: [{ fromMs: START + 71 * MINUTE_MS, toMs: START + 76 * MINUTE_MS }],
    iced: { toMs: START + 110 * MINUTE_MS },
  });
  expect(told(state, WORK_TOLD)).toMatchObject({
    flavours: [{ with: 'garlic' }],
    pieces: [{ count: 4, massKg: 0.25 }],
  });
});

test('the list of makes tells a churning so that it can be compared', async () => {
  const { id, say } = await churning();
  await say(84, 'stage-seen', { stage: 'broken' });
  await say(88, 'load-begun', { load: 2 });
  await say(108, 'stage-seen', { stage: 'broken' });
  await say(112, 'load-begun', { load: 3 });
  await say(142, 'stage-seen', { stage: 'broken' });
  await say(142, 'step-done', { step: 'churn' });
  await say(150, 'weighed', { massKg: 1, typed: { value: 1, unit: 'kg' } });
  const { makes } = (await kitchen.app.inject('/api/makes')).json<{ makes: MakeSummary[] }>();
  const made = makes.find((make) => make.id === id)!;
  expect(made.churned).toMatchObject({ startC: 12, loads: 3, butterKg: 1, ripened: false });
  expect(made.churned!.minutes).toBeCloseTo((24 + 20 + 30) / 3, 6);
  expect(made.churned!.lostFraction).toBeGreaterThan(0);
});

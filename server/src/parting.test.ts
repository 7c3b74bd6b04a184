import { afterAll, beforeAll, expect, test } from '@jest/globals';
import {
  asPoured,
  bandForecast,
  batchOf,
  beginPlan,
  defaultKitchen,
  foldMake,
  milkFromLots,
  splitMake,
  type MakeState,
  MINUTE_MS,
} from '@morning-crock/core';
import type {
  CulturesResponse,
  DraftEvent,
  Lot,
  MilkRoomResponse,
  StoredEvent,
} from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { createTestKitchen, cultureDraft, draft, intakeDraft, type TestKitchen } from './testing/index.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let kitchen: TestKitchen;
beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START });
});
afterAll(() => kitchen.close());

const send = (events: readonly DraftEvent[]) =>
  kitchen.app.inject({ method: 'POST', url: '/api/events', payload: { events } });
const stateOf = async (id: string): Promise<MakeState> =>
  foldMake(id, (await kitchen.app.inject(`/api/makes/${id}`)).json<{ events: StoredEvent[] }>().events)!;
const lotOf = async (id: string): Promise<Lot> =>
  (await kitchen.app.inject('/api/milk')).json<MilkRoomResponse>().lots.find((lot) => lot.id === id)!;

/** A yogurt of a lot and a culture of the register, souring since an hour and a half. */
async function souring(lotId: string, cultureId: string, massKg: number): Promise<string> {
  const id = ulid();
  const begun = beginPlan('yogurt', defaultKitchen('UTC'), new Date(START).toISOString());
  const milk = milkFromLots(begun.milk, [await lotOf(lotId)], [{ lotId, massKg }])!;
  const plan = { ...begun, milk, starter: { ...begun.starter, massKg: 0.05, cultureId } };
  const sent = await send([
    draft(id, START, 'make-started', { plan }),
    draft(id, START + 5 * MINUTE_MS, 'milk-poured', {
      from: [{ lotId, massKg, typed: { value: massKg, unit: 'kg' } }],
    }),
    ...['heat', 'hold', 'cool'].map((step, i) =>
      draft(id, START + (i + 1) * 20 * MINUTE_MS, 'step-done', { step }),
    ),
    draft(id, START + 80 * MINUTE_MS, 'starter-added', {
      massKg: 0.05,
      statedRatio: null,
      typed: { value: 50, unit: 'g' },
    }),
  ]);
  expect(sent.statusCode).toBe(200);
  return id;
}

test('what is parted off was poured and stirred in once; poured together again nothing is lost', async () => {
  const [lot, culture] = [ulid(), ulid()];
  expect(
    (
      await send([
        intakeDraft(lot, 6, START - 60 * MINUTE_MS),
        cultureDraft(culture, START - 60 * MINUTE_MS, { massKg: 0.4 }),
      ])
    ).statusCode,
  ).toBe(200);
  kitchen.clock.nowMs = START + 170 * MINUTE_MS;
  const before = (await lotOf(lot)).has.massKg;
  const id = await souring(lot, culture, 4);
  const left = (await lotOf(lot)).has.massKg;
  expect(before - left).toBeCloseTo(4, 6);
  const cultures = async () => (await kitchen.app.inject('/api/cultures')).json<CulturesResponse>();
  const known = (await cultures()).cultures.find((c) => c.id === culture)!;

  const whole = await stateOf(id);
  const child = ulid();
  const entries = splitMake(
    whole,
    { id: child, name: 'A part', share: 0.25, jars: [], method: null },
    kitchen.clock.nowMs,
  );
  const answer = await send(entries.map((e) => draft(e.streamId, e.atMs, e.type, e.data as never)));
  expect(answer.json<{ code?: string; details?: unknown }>()).not.toHaveProperty('code');
  expect(answer.statusCode).toBe(200);
  expect((await lotOf(lot)).has.massKg).toBeCloseTo(left, 9);
  expect((await cultures()).cultures.find((c) => c.id === culture)).toMatchObject({ massKg: known.massKg });

  const [part, rest] = [await stateOf(child), await stateOf(id)];
  const kg = ({ plan }: MakeState): number => batchOf(plan).massKg;
  expect(kg(part) + kg(rest)).toBeCloseTo(kg(whole), 9);
  expect(part.inoculatedAtMs).toBe(whole.inoculatedAtMs);

  const nowMs = kitchen.clock.nowMs;
  const joined = asPoured(part, bandForecast(part, nowMs, 1, 100), nowMs);
  const again = await send([
    draft(id, nowMs, 'joined', joined),
    draft(child, nowMs, 'finished', { verdict: 'kept', reason: 'poured back', into: id }),
  ]);
  expect(again.statusCode).toBe(200);
  const back = await stateOf(id);
  expect(kg(back) + (back.dose.massKg ?? 0)).toBeCloseTo(kg(whole) + 0.05, 6);
  expect((await stateOf(child)).finished).toMatchObject({ verdict: 'kept' });
});

test('a part of nothing, a step that is none, and what is no milk are refused, and change nothing', async () => {
  const lot = ulid();
  await send([intakeDraft(lot, 6, START - 60 * MINUTE_MS), cultureDraft(ulid(), START)]);
  kitchen.clock.nowMs = START + 170 * MINUTE_MS;
  const culture = ulid();
  await send([cultureDraft(culture, START - 60 * MINUTE_MS, { massKg: 0.4 })]);
  const id = await souring(lot, culture, 2);
  const count = await kitchen.count('event', 'streamId = ?', [id]);
  const typed = { value: 1, unit: 'kg' } as const;
  const bad = [
    draft(id, START + 160 * MINUTE_MS, 'split-off', { makeId: ulid(), share: 1, jars: [] }),
    draft(id, START + 160 * MINUTE_MS, 'drain-weighed', { step: 'nowhere', massKg: 1, of: 'whey', typed }),
    draft(id, START + 160 * MINUTE_MS, 'whey-returned', { step: 'nowhere', massKg: 1, typed }),
    draft(ulid(), START + 160 * MINUTE_MS, 'split-off', { makeId: id, share: 0.5, jars: [] }),
  ];
  for (const event of bad) expect((await send([event])).statusCode).toBeGreaterThanOrEqual(400);
  expect(await kitchen.count('event', 'streamId = ?', [id])).toBe(count);
});

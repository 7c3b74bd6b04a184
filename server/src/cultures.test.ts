import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { defaultKitchen, defaultPlan, HOUR_MS } from '@morning-crock/core';
import {
  EVENT_VERSION,
  makePlanOfWaking,
  type CultureChange,
  type CultureFacts,
  type CulturesResponse,
  type MakePlan,
  type WakingPlan,
} from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { cultureLike } from '@morning-crock/core/fixtures';
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
const change = (id: string, atMs: number, data: CultureChange) => draft(id, atMs, 'culture-changed', data);
const taken = (over: Partial<CultureFacts> = {}): CultureChange => ({
  kind: 'taken-in',
  culture: cultureLike({ massKg: 0.3, ...over }),
});
const cultureOf = async (id: string) =>
  (await kitchen.app.inject('/api/cultures')).json<CulturesResponse>().cultures.find((c) => c.id === id);
function plan(cultureId: string): MakePlan {
  const usual = defaultPlan(defaultKitchen('UTC'), new Date(START).toISOString());
  return { ...usual, starter: { ...usual.starter, cultureId, lineId: cultureId, turn: 0 } };
}

describe('cultures', () => {
  test('a make takes of its culture and keeps the next turn; undo takes the turn back until it is used', async () => {
    const [old, make, next] = [ulid(), ulid(), ulid()];
    expect((await send(change(old, START - 48 * HOUR_MS, taken()))).statusCode).toBe(200);
    await send(
      draft(make, START - 20 * HOUR_MS, 'make-started', { plan: plan(old) }),
      draft(make, START - 19 * HOUR_MS, 'starter-added', { massKg: 0.1, statedRatio: null, typed: null }),
    );
    const kept = draft(make, START - 2 * HOUR_MS, 'reserved', {
      massKg: 0.06,
      typed: { value: 60, unit: 'g' },
      name: 'Old line, next',
    });
    await send(kept);
    expect((await cultureOf(old))?.massKg).toBeCloseTo(0.2, 9);
    expect(await cultureOf(kept.id)).toMatchObject({
      turn: 1,
      parents: [old],
      lineId: old,
      name: 'Old line, next',
    });
    await send(draft(next, START, 'make-started', { plan: plan(kept.id) }));
    await send(draft(next, START, 'starter-added', { massKg: 0.05, statedRatio: null, typed: null }));
    const undo = await send(draft(make, START, 'voided', { target: kept.id }));
    expect(undo.json()).toMatchObject({
      code: 'in-use',
      details: [
        {
          path: 'data.target',
          message: expect.stringMatching(
            /would contradict a later entry: .*, started, 2026-03-02 06:00/,
          ) as unknown,
        },
      ],
    });
    // A feeding is corrected; a taking-in that others came of stays where it is.
    const first = await kitchen.app.inject(`/api/events?stream=${old}`);
    const [began] = first.json<{ events: { id: string; data: object }[] }>().events;
    const late = await send(
      draft(old, START, 'corrected', {
        target: began!.id,
        at: new Date(START - 19.5 * HOUR_MS).toISOString(),
        data: { ...began!.data },
      }),
    );
    expect(late.json()).toMatchObject({ code: 'in-use' });
  });

  test('a make cannot begin with a culture that is gone, unknown, or shows a sign', async () => {
    const [gone, pink] = [ulid(), ulid()];
    await send(
      change(gone, START, taken()),
      change(gone, START, { kind: 'discard', reason: 'eaten', note: '' }),
      change(pink, START, taken()),
      change(pink, START, { kind: 'sign', sign: 'pink', note: 'a streak' }),
    );
    for (const [id, words] of [
      [gone, /was discarded/],
      [pink, /sign of contamination/],
      [ulid(), /no such culture/],
    ] as const) {
      const refused = await send(draft(ulid(), START, 'make-started', { plan: plan(id) }));
      expect(refused.statusCode).toBe(400);
      expect(refused.json<{ details: { path: string; message: string }[] }>().details[0]).toMatchObject({
        path: 'data.plan.starter.cultureId',
        message: expect.stringMatching(words) as unknown,
      });
    }
    const twice = await send(change(gone, START, { kind: 'freeze' }));
    expect(twice.json()).toMatchObject({ code: 'bad-input' });
    const unknownUnit = await send({
      ...change(pink, START, { kind: 'weigh', massKg: 0.1, typed: { value: 100, unit: 'g' } }),
      data: { kind: 'weigh', massKg: 0.1, typed: { value: 1, unit: 'thimble' } },
    });
    expect(unknownUnit.statusCode).toBe(400);
  });

  test.each([
    ['as a make', EVENT_VERSION],
    ['in entries of its own, as a page kept open since before tells it', 2],
  ])('a waking is a make: listed, followed, finished; told %s', async (_, version) => {
    const [packet, waking] = [ulid(), ulid()];
    await send(
      change(
        packet,
        START,
        taken({
          name: 'Grey packet',
          kind: 'dried-mesophilic',
          massKg: null,
          packet: { lot: '7', useBy: null, statedLitres: 1, packets: 2, openedLeft: 0 },
        }),
      ),
    );
    const wake: WakingPlan = {
      name: 'Waking the grey line',
      cultureId: packet,
      kind: 'dried-mesophilic',
      treatment: 'pasteurised',
      cartonLitres: 1,
      firstFeedKg: 0.06,
      growth: 3,
      feeds: 3,
      celsius: 22,
      restBetween: 'cold',
      startAt: new Date(START).toISOString(),
    };
    const old = version !== EVENT_VERSION;
    const given = { massKg: 0.06, typed: { value: 60, unit: 'g' } } as const;
    const begun = old
      ? { ...draft(waking, START, 'waking-started', { plan: wake }), version }
      : draft(waking, START, 'make-started', { plan: makePlanOfWaking(wake) });
    expect((await send(begun)).statusCode).toBe(200);
    expect((await cultureOf(packet))?.packet?.packetsLeft).toBe(1);
    const fed = old
      ? { ...draft(waking, START, 'waking-done', { feed: 1, did: 'fed', ...given }), version }
      : draft(waking, START, 'fed', { step: 'feed', ...given });
    expect((await send(fed)).statusCode).toBe(200);
    // A wrong amount is corrected in today's words, whatever words it was told in.
    const corrected = draft(waking, START, 'corrected', {
      target: fed.id,
      at: null,
      data: { step: 'feed', massKg: 0.08, typed: { value: 80, unit: 'g' } },
    });
    expect((await send(corrected)).statusCode).toBe(200);
    const { makes } = (await kitchen.app.inject('/api/makes?status=under-way')).json<{
      makes: { id: string; name: string }[];
    }>();
    expect(makes.find((m) => m.id === waking)?.name).toBe('Waking the grey line');
    expect((await kitchen.app.inject(`/api/makes/${waking}`)).json()).toMatchObject({
      events: [{ type: begun.type }, { type: fed.type }, { type: 'corrected' }],
    });
    const { state } = (await readMake(kitchen.db, kitchen.kitchenId, waking))!;
    expect([...state.fed]).toEqual([['feed', 0.08]]);
    expect(state.current?.step.id).toBe('stand');
    const wrong = await send(draft(waking, START, 'step-done', { step: 'pour' }));
    expect(wrong.json()).toMatchObject({ code: 'bad-input' });
    expect(wrong.body).toContain('is not a step of this batch');
    const kept = draft(waking, START, 'reserved', { massKg: 0.2, typed: { value: 200, unit: 'g' } });
    await send(kept, draft(waking, START, 'finished', { verdict: 'kept', reason: '' }));
    expect(await cultureOf(kept.id)).toMatchObject({
      kind: 'cultured-buttermilk',
      heirloom: true,
      parents: [packet],
    });
  });
});

import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { defaultKitchen, defaultPlan, HOUR_MS } from '@morning-crock/core';
import type { ErrorBody, GoodFacts, LarderMovement, LarderResponse } from '@morning-crock/core/contract';
import { putUpLike } from '@morning-crock/core/fixtures';
import { ulid } from 'ulid';
import { createTestKitchen, draft, type TestKitchen } from './testing/index.ts';

const START = Date.parse('2026-03-05T06:00:00.000Z');
let kitchen: TestKitchen;
beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START });
});
afterAll(() => kitchen.close());

const send = (...events: unknown[]) =>
  kitchen.app.inject({ method: 'POST', url: '/api/events', payload: { events } });
const move = (id: string, hour: number, data: LarderMovement) =>
  draft(id, START + hour * HOUR_MS, 'larder-moved', data);
const larder = async () => (await kitchen.app.inject('/api/larder')).json<LarderResponse>();
const goodOf = async (id: string) => (await larder()).goods.find((good) => good.id === id);
const putUp = (over: Partial<GoodFacts>, count = 4): LarderMovement =>
  putUpLike({ madeAt: new Date(START - 10 * HOUR_MS).toISOString(), ...over }, count);
const taken = (massKg: number): LarderMovement => ({
  kind: 'take',
  from: { place: 'cold', size: 0 },
  for: 'sold',
  massKg,
  count: null,
  typed: null,
  price: 4.2,
  into: null,
  note: 'the stall',
});

describe('the larder', () => {
  test('what is put up and sold is its balance; an undo brings it back', async () => {
    const id = ulid();
    expect((await send(move(id, -8, putUp({ code: 'AAAAA1' })))).statusCode).toBe(200);
    const sale = move(id, -4, taken(0.5));
    expect((await send(sale)).statusCode).toBe(200);
    expect((await goodOf(id))!.stocks[0]!.massKg).toBeCloseTo(0.5, 9);
    expect((await larder()).lines.filter(({ goodId }) => goodId === id)).toMatchObject([
      { kind: 'put-up', massKg: 1, count: 4 },
      { kind: 'sold', massKg: 0.5, price: 4.2, note: 'the stall' },
    ]);
    expect((await send(draft(id, START, 'voided', { target: sale.id }))).statusCode).toBe(200);
    expect((await goodOf(id))!.stocks[0]!.massKg).toBeCloseTo(1, 9);
  });

  test('more than there is, a code that is taken, an undo others were built on: refused, and nothing is stored', async () => {
    const id = ulid();
    const begun = move(id, -8, putUp({ code: 'AAAAA2' }));
    await send(begun);
    const more = await send(move(id, -3, taken(1.5)));
    expect(more.statusCode).toBe(400);
    expect(more.json<ErrorBody>().details).toMatchObject([
      {
        path: expect.stringMatching(/data\.massKg$/) as unknown,
        message: expect.stringMatching(/more than there is/) as unknown,
      },
    ]);
    const again = await send(move(ulid(), -3, putUp({ code: 'AAAAA2' })));
    expect(again.json<ErrorBody>().details[0]!.message).toMatch(/is already on Butter of the week/);
    await send(move(id, -2, taken(0.25)));
    const undone = await send(draft(id, START, 'voided', { target: begun.id }));
    expect(undone.json()).toMatchObject({ code: 'in-use' });
    // A correction keeps what it is about.
    const { kind, ...rest } = putUp({ code: 'AAAAA9' }) as Extract<LarderMovement, { kind: 'put-up' }>;
    const other = await send(
      draft(id, START, 'corrected', { target: begun.id, at: null, data: { kind, ...rest } }),
    );
    expect(other.json<ErrorBody>().details[0]!.message).toMatch(/the same lots, cultures or goods/);
    expect((await goodOf(id))!.stocks[0]!.massKg).toBeCloseTo(0.75, 9);
  });

  test('more than a make gave cannot be put up, nor can its weighing be changed below it', async () => {
    const makeId = ulid();
    const plan = defaultPlan(defaultKitchen('UTC'), new Date(START - 20 * HOUR_MS).toISOString());
    const weighing = draft(makeId, START - 9 * HOUR_MS, 'weighed', {
      massKg: 1.9,
      typed: { value: 1.9, unit: 'kg' },
    });
    await send(draft(makeId, START - 20 * HOUR_MS, 'make-started', { plan }), weighing);
    const id = ulid();
    const of = { makeId, what: 'yogurt' } as const;
    const over = await send(move(id, -8, putUp({ ...of, code: 'AAAAA3' }, 9)));
    expect(over.json<ErrorBody>().details[0]!.message).toMatch(/2.25 kg is more than the batch gave/);
    expect((await send(move(id, -8, putUp({ ...of, code: 'AAAAA3' }, 7)))).statusCode).toBe(200);
    const less = await send(
      draft(makeId, START, 'corrected', {
        target: weighing.id,
        at: null,
        data: { massKg: 1, typed: { value: 1, unit: 'kg' } },
      }),
    );
    expect(less.json()).toMatchObject({ code: 'in-use' });
  });
});

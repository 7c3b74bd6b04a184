import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { DayDoc, KeptDay } from '@morning-crock/core/contract';
import { dayLike } from '@morning-crock/core/fixtures';
import { ulid } from 'ulid';
import { createTestKitchen, draft, type TestKitchen } from './testing/index.ts';
import { MINUTE_MS } from '@morning-crock/core';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let kitchen: TestKitchen;
beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START + 600 * MINUTE_MS });
});
afterAll(() => kitchen.close());

const day = (over: Partial<DayDoc> = {}): DayDoc =>
  dayLike({
    name: 'For the stall',
    zeroAt: new Date(START).toISOString(),
    makes: [
      {
        id: ulid(),
        name: 'Yogurt',
        methodId: 'yogurt',
        litres: 3.4,
        by: 600,
        fixed: { heat: 40 },
        who: {},
        makeId: null,
      },
    ],
    every: 4,
    ...over,
  });
const lay = (id: string, data: unknown, minute = 0) =>
  kitchen.app.inject({
    method: 'POST',
    url: '/api/events',
    payload: { events: [draft(id, START + minute * MINUTE_MS, 'day-changed', data as never)] },
  });
const days = async (): Promise<KeptDay[]> =>
  (await kitchen.app.inject('/api/days')).json<{ days: KeptDay[] }>().days;

test('a day is kept, laid out anew, and dropped; what is no day is refused beside its field', async () => {
  const id = ulid();
  expect((await lay(id, { kind: 'laid', day: day() })).statusCode).toBe(200);
  expect((await lay(id, { kind: 'laid', day: day({ version: 2, name: 'Anew' }) }, 1)).statusCode).toBe(200);
  expect((await days()).map((kept) => [kept.id, kept.day.name, kept.day.version])).toEqual([[id, 'Anew', 2]]);
  for (const [bad, path] of [
    [day({ version: 3, makes: [] }), 'makes'],
    [day({ version: 3, days: 9 }), 'days'],
    [
      day({ version: 3, keptFree: [{ id: ulid(), title: 'Bed', from: 90, to: 30, cook: null }] }),
      'keptFree.0.to',
    ],
    [day({ version: 3, makes: [{ ...day().makes[0]!, litres: 700 }] }), 'makes.0.litres'],
  ] as const) {
    const answer = await lay(id, { kind: 'laid', day: bad }, 2);
    expect(answer.statusCode).toBe(400);
    expect(answer.body).toContain(`day.${path}`);
  }
  expect((await days())[0]!.day.version).toBe(2);
  expect((await lay(id, { kind: 'dropped' }, 3)).statusCode).toBe(200);
  expect(await days()).toEqual([]);
});

test('of two tablets that lay it out anew at once the second is refused, and the first stands', async () => {
  const id = ulid();
  await lay(id, { kind: 'laid', day: day() });
  const [one, other] = [
    await lay(id, { kind: 'laid', day: day({ version: 2, because: 'Butter: churn' }) }, 5),
    await lay(id, { kind: 'laid', day: day({ version: 2, because: 'Yogurt: heat' }) }, 5),
  ];
  expect(one.statusCode).toBe(200);
  expect(other.statusCode).toBe(409);
  expect(other.json<{ code: string }>().code).toBe('laid-meanwhile');
  expect((await days()).find((kept) => kept.id === id)!.day.because).toBe('Butter: churn');
  // A day is no make, and takes none of a make's entries.
  const wrong = await kitchen.app.inject({
    method: 'POST',
    url: '/api/events',
    payload: { events: [draft(id, START + 6 * MINUTE_MS, 'noted', { text: 'no' })] },
  });
  expect(wrong.statusCode).toBe(422);
});

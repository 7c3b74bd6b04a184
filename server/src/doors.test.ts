import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { defaultKitchen, defaultPlan } from '@morning-crock/core';
import type { DraftEvent } from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { createTestKitchen, draft, READ_ROUTES, startDraft, type TestKitchen } from './testing/index.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let kitchen: TestKitchen;
beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START });
});
afterAll(() => kitchen.close());

const post = (url: string, payload: object | string, headers: Record<string, string> = {}) =>
  kitchen.app.inject({
    method: 'POST',
    url,
    payload,
    headers: { 'content-type': 'application/json', ...headers },
  });
const enter = (...events: DraftEvent[]) => post('/api/events', { events });
async function started(): Promise<string> {
  const id = ulid();
  expect((await enter(startDraft(id, START))).statusCode).toBe(200);
  return id;
}

/** Whatever was tried, everything can still be read. */
async function allReadable(): Promise<void> {
  for (const url of READ_ROUTES) {
    expect([url, (await kitchen.app.inject({ url })).statusCode]).toEqual([url, 200]);
  }
}

describe('what could not be read again is refused with its field', () => {
  test.each(['bob', 'X'.repeat(60)])('a cook who is no cook: %s', async (cook) => {
    const id = await started();
    const answer = await post(
      `/api/makes/${id}/readings`,
      { device: 'Probe', celsius: 40 },
      { 'x-cook-id': cook },
    );
    expect(answer.statusCode).toBe(400);
    expect(answer.body).toContain('x-cook-id');
    await allReadable();
  });

  test('milk without water', async () => {
    const plan = defaultPlan(defaultKitchen('UTC'), new Date(START).toISOString());
    const composition = { fatFraction: 1, proteinFraction: 1, lactoseFraction: 1, ashFraction: 1 };
    const answer = await enter(
      draft(ulid(), START, 'make-started', { plan: { ...plan, milk: { ...plan.milk, composition } } }),
    );
    expect(answer.statusCode).toBe(400);
    expect(answer.body).toContain('composition');
    await allReadable();
  });

  test.each(['0000-01-01T00:00:00.000Z', '0050-01-01T00:00:00.000Z', '1969-12-31T23:59:59.999Z'])(
    'an entry of %s',
    async (at) => {
      const id = await started();
      const answer = await enter({ ...draft(id, START, 'noted', { text: 'long ago' }), at });
      expect(answer.statusCode).toBe(400);
      expect(answer.body).toContain('1970');
    },
  );

  test('half a character, and data nested forty deep', async () => {
    const id = await started();
    const broken = await enter(draft(id, START, 'noted', { text: 'half \ud800' }));
    expect(broken.body).toContain('broken character');
    let deep: Record<string, unknown> = {};
    for (let i = 0; i < 40; i++) deep = { deep };
    const nested = await enter(draft(id, START, 'corrected', { target: id, at: null, data: deep }));
    expect(nested.statusCode).toBe(400);
    expect(nested.body).toContain('nested');
    await allReadable();
  });

  test('a checked thermometer that makes nonsense of a reading', async () => {
    const id = await started();
    const thermometers = [
      { id: ulid(), name: 'Odd one', iceC: 0, boilingC: 75, altitudeM: 0, checkedAt: null },
    ];
    const told = await enter(
      draft(kitchen.kitchenId, START, 'kitchen-changed', { section: 'thermometers', value: thermometers }),
    );
    const answer = await post(`/api/makes/${id}/readings`, { device: 'Odd one', celsius: 190 });
    // Either its check is refused as impossible, or what it makes of a reading is.
    expect([told.statusCode, answer.statusCode]).toContain(400);
    await allReadable();
  });
});

test('an undo of an undo of … three thousand deep is followed to its end', async () => {
  const id = await started();
  const note = draft(id, START, 'noted', { text: 'here or gone' });
  const chain: DraftEvent[] = [note];
  for (let i = 0; i < 3000; i++) chain.push(draft(id, START, 'voided', { target: chain.at(-1)!.id }));
  for (let i = 0; i < chain.length; i += 200)
    expect((await enter(...chain.slice(i, i + 200))).statusCode).toBe(200);
  await allReadable();
  const { makes } = (await kitchen.app.inject({ url: '/api/makes' })).json<{
    makes: { id: string; note: string | null }[];
  }>();
  // An even number of undos undoes nothing.
  expect(makes.find((m) => m.id === id)?.note).toBe('here or gone');
}, 120_000);

test('the same entry twice in one batch is one entry', async () => {
  const id = await started();
  const note = draft(id, START, 'noted', { text: 'once' });
  const answer = await enter(note, note);
  expect(answer.statusCode).toBe(200);
  const { events } = (await kitchen.app.inject({ url: `/api/makes/${id}` })).json<{ events: unknown[] }>();
  expect(events).toHaveLength(2);
});

test('of eight readings of a device in one moment one is stored', async () => {
  const id = await started();
  const answers = await Promise.all(
    Array.from({ length: 8 }, () => post(`/api/makes/${id}/readings`, { device: 'Eager', celsius: 41 })),
  );
  expect(answers.filter((a) => a.json<{ stored: boolean }>().stored)).toHaveLength(1);
});

test('the same file three times at once is stored once', async () => {
  const id = await started();
  kitchen.clock.nowMs = START + 3_600_000;
  const trace = {
    quantity: 'temperature',
    instrument: 'Logger',
    fileName: 'log.csv',
    unit: 'C',
    thermometerId: null,
    deviceId: 'test-page',
    at: [START + 60_000, START + 120_000],
    values: [40, 41],
  };
  const answers = await Promise.all(Array.from({ length: 3 }, () => post(`/api/makes/${id}/traces`, trace)));
  expect(answers.map((a) => a.json<{ added: number }>().added).sort()).toEqual([0, 0, 2]);
  const wild = await post(`/api/makes/${id}/traces`, { ...trace, values: [40, 1e308] });
  expect(wild.statusCode).toBe(400);
});

test('a file that is no daybook in its makes is refused at its first wrong part', async () => {
  const head = {
    format: 'morning-crock-daybook',
    version: 1,
    exportedAt: new Date(START).toISOString(),
    kitchen: 'x',
    notice: 'x',
  };
  const makes = `[${'1,'.repeat(400_000)}1]`;
  const answer = await post('/api/import', `${JSON.stringify(head).slice(0, -1)},"makes":${makes}}`);
  expect(answer.statusCode).toBe(400);
  expect(answer.body).toContain('makes.0');
});

import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { defaultKitchen, foldMake, kitchenOfToday, HOUR_MS } from '@morning-crock/core';
import { demoHerd, LANTERN_FOLD } from '@morning-crock/core/demo';
import type {
  BackupFile,
  DraftEvent,
  ErrorBody,
  Factor,
  StoredEvent,
  TraceStored,
} from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { seedDemo } from './demo/seed.ts';
import { draft, startDraft } from './testing/drafts.ts';
import { createTestKitchen, type TestKitchen } from './testing/test-kitchen.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let kitchen: TestKitchen;

beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START });
});
afterAll(async () => kitchen.close());

const send = (events: readonly DraftEvent[], to = kitchen) =>
  to.app.inject({ method: 'POST', url: '/api/events', payload: { events } });
const count = (table: 'event' | 'trace_chunk' = 'event', of = kitchen): Promise<number> => of.count(table);

async function startMake(atMs = START): Promise<string> {
  const id = ulid();
  kitchen.clock.nowMs = Math.max(kitchen.clock.nowMs, atMs);
  expect((await send([startDraft(id, atMs)])).statusCode).toBe(200);
  return id;
}

const upload = (rows: number, part: Record<string, unknown> = {}) => ({
  quantity: 'temperature',
  instrument: 'Shelf logger',
  fileName: 'log.csv',
  unit: 'C',
  thermometerId: null,
  deviceId: 'test-page',
  at: Array.from({ length: rows }, (_, i) => START + i * 1000),
  values: Array.from({ length: rows }, (_, i) => 43 + Math.round(10 * Math.sin(i / 90)) / 10),
  ...part,
});
const importRows = (make: string, payload: Record<string, unknown>) =>
  kitchen.app.inject({ method: 'POST', url: `/api/makes/${make}/traces`, payload });
const stateOf = async (make: string) => {
  const answer = await kitchen.app.inject({ url: `/api/makes/${make}` });
  return foldMake(make, answer.json<{ events: StoredEvent[] }>().events)!;
};

describe('traces', () => {
  test('rows are stored whole, a sample is folded, the same file again changes nothing', async () => {
    const make = await startMake();
    kitchen.clock.nowMs = START + 8 * HOUR_MS;
    const first = await importRows(make, upload(12_000));
    expect(first.json<TraceStored>()).toEqual({ added: 12_000, already: 0, outside: 0 });
    const before = [await count(), await count('trace_chunk')];
    expect(before[1]).toBe(3);
    const again = await importRows(make, upload(12_000));
    expect(again.json<TraceStored>()).toEqual({ added: 0, already: 12_000, outside: 0 });
    expect([await count(), await count('trace_chunk')]).toEqual(before);
    const state = await stateOf(make);
    expect(state.temperatures.length).toBeLessThanOrEqual(600);
    expect(state.traces[0]).toMatchObject({ rows: 12_000, fileName: 'log.csv' });
  });

  test('rows taken back by an undo may come in again', async () => {
    const make = await startMake();
    await importRows(make, upload(40));
    const { traceId } = (await stateOf(make)).traces[0]!;
    await send([draft(make, START, 'voided', { target: traceId })]);
    expect((await stateOf(make)).temperatures).toEqual([]);
    expect((await importRows(make, upload(40))).json<TraceStored>().added).toBe(40);
    expect((await importRows(make, upload(40))).json<TraceStored>().added).toBe(0);
    expect((await stateOf(make)).traces).toHaveLength(1);
  });

  test('a longer download of the same logger adds only its tail; rows outside the make are left out', async () => {
    const make = await startMake();
    await importRows(make, upload(100));
    expect((await importRows(make, upload(130))).json<TraceStored>()).toEqual({
      added: 30,
      already: 100,
      outside: 0,
    });
    const early = upload(50, {
      at: Array.from({ length: 50 }, (_, i) => START - 20_000 + i * 1000),
      instrument: 'Other',
    });
    expect((await importRows(make, early)).json<TraceStored>()).toEqual({
      added: 30,
      already: 0,
      outside: 20,
    });
  });

  test.each([
    ['lengths that differ', { values: [1] }, 'values'],
    ['a unit that does not fit', { unit: 'pH' }, 'unit'],
    ['no rows', { at: [], values: [] }, 'at'],
  ])('%s is refused and nothing is stored', async (_name, part, path) => {
    const make = await startMake();
    const before = [await count(), await count('trace_chunk')];
    const answer = await importRows(make, upload(10, part));
    expect(answer.statusCode).toBe(400);
    expect(answer.json<ErrorBody>().details.map((d) => d.path)).toContain(path);
    expect([await count(), await count('trace_chunk')]).toEqual(before);
  });

  test('a trace cannot slip in without its rows', async () => {
    const make = await startMake();
    await importRows(make, upload(20));
    const trace = (await stateOf(make)).traces[0]!;
    const answer = await send([draft(make, START, 'trace-imported', { ...trace, traceId: ulid() })]);
    expect(answer.statusCode).toBe(400);
    expect(answer.json<ErrorBody>().details[0]!.message).toContain('/api/makes/:id/traces');
  });

  test('a part of a long one comes thinned, with its peak', async () => {
    const make = await startMake();
    const rows = upload(9000);
    rows.values[7000] = 60;
    await importRows(make, rows);
    const { traceId } = (await stateOf(make)).traces[0]!;
    const url = `/api/makes/${make}/traces/${traceId}?points=200&from=${START + 6000 * 1000}`;
    const part = (await kitchen.app.inject({ url })).json<{ rows: number; points: [number, number][] }>();
    expect(part.rows).toBe(3000);
    expect(part.points).toHaveLength(200);
    expect(Math.max(...part.points.map(([, v]) => v))).toBe(60);
  });

  test('readings leave as CSV: raw beside corrected, names never formulas', async () => {
    const make = await startMake();
    const thermometers = [
      { id: ulid(), name: 'Stem', iceC: 1, boilingC: null, altitudeM: 0, checkedAt: null },
    ];
    await send([
      draft(kitchen.kitchenId, START, 'kitchen-changed', { section: 'thermometers', value: thermometers }),
    ]);
    await importRows(make, upload(3, { instrument: '=cmd', thermometerId: thermometers[0]!.id }));
    await send([
      draft(make, START + 5000, 'titrated', {
        naohMl: 9,
        sampleG: 9,
        percent: 0.9,
        typed: { value: 9, unit: 'mL' },
      }),
      draft(make, START + 6000, 'cue-seen', { cue: 'set', cleanSmell: true }),
    ]);
    const csv = await kitchen.app.inject({ url: `/api/makes/${make}/readings.csv` });
    expect(csv.headers['content-type']).toContain('text/csv');
    const lines = csv.body.trim().split('\n');
    expect(lines[0]).toBe('time,quantity,value,unit,raw,rawUnit,instrument');
    expect(lines[1]).toBe(`${new Date(START).toISOString()},temperature,42,C,43,C,"'=cmd"`);
    expect(csv.body).toContain('titratable acidity,0.9,% lactic,9,mL 0.1 N NaOH,titration');
    expect(csv.body).toContain('look,set');
  });
});

describe('devices', () => {
  const reading = (make: string, payload: Record<string, unknown>) =>
    kitchen.app.inject({ method: 'POST', url: `/api/makes/${make}/readings`, payload });

  test('a checked thermometer is set right by its name; the raw value stays', async () => {
    const make = await startMake();
    const thermometer = {
      id: ulid(),
      name: 'Lid probe',
      iceC: 0.8,
      boilingC: null,
      altitudeM: 0,
      checkedAt: null,
    };
    await send([
      draft(kitchen.kitchenId, START, 'kitchen-changed', { section: 'thermometers', value: [thermometer] }),
    ]);
    expect((await reading(make, { device: 'Lid probe', celsius: 43.8 })).statusCode).toBe(200);
    const [read] = (await stateOf(make)).temperatures;
    expect(read).toMatchObject({ rawC: 43.8, instrument: 'Lid probe' });
    expect(read!.celsius).toBeCloseTo(43, 6);
  });

  test('pH comes in too; two quantities at once are refused', async () => {
    const make = await startMake();
    expect((await reading(make, { device: 'Meter', ph: 5.4 })).json()).toEqual({ stored: true, reason: '' });
    expect((await reading(make, { device: 'Meter', ph: 5.4 })).json<{ stored: boolean }>().stored).toBe(
      false,
    );
    expect((await reading(make, { device: 'Meter', ph: 5.4, celsius: 43 })).statusCode).toBe(400);
    expect((await reading(make, { device: 'Meter', ph: 12 })).statusCode).toBe(400);
  });

  test('the interface describes itself, from the same schemas', async () => {
    const { paths, openapi } = (await kitchen.app.inject({ url: '/api/openapi.json' })).json<{
      openapi: string;
      paths: Record<string, { post?: { requestBody: { content: Record<string, { schema: unknown }> } } }>;
    }>();
    expect(openapi).toMatch(/^3\./);
    const body = JSON.stringify(paths['/api/makes/{id}/readings']!.post!.requestBody);
    for (const field of ['device', 'celsius', 'fahrenheit', 'ph', 'is hotter than hot fat']) {
      if (field !== 'is hotter than hot fat') expect(body).toContain(field);
    }
    expect(Object.keys(paths)).toEqual(
      expect.arrayContaining(['/api/events', '/api/factors', '/api/backup']),
    );
  });
});

describe('titration', () => {
  test('counts as acidity shown', async () => {
    const make = await startMake();
    await send([
      draft(make, START + HOUR_MS, 'starter-added', {
        massKg: 0.05,
        statedRatio: null,
        typed: { value: 50, unit: 'g' },
      }),
      draft(make, START + 5 * HOUR_MS, 'titrated', {
        naohMl: 8.1,
        sampleG: 9,
        percent: 0.81,
        typed: { value: 8.1, unit: 'mL' },
      }),
    ]);
    const { acidity } = await stateOf(make);
    expect(acidity[0]!.reading).toMatchObject({ kind: 'ph', instrument: 'titration', percent: 0.81 });
    expect(acidity[0]!.reading.kind === 'ph' ? acidity[0]!.reading.ph : 0).toBeCloseTo(4.7, 1);
  });
});

describe('a whole kitchen', () => {
  let seeded: TestKitchen;
  let saved: BackupFile;
  beforeAll(async () => {
    seeded = await createTestKitchen({ startMs: START });
    await seedDemo(seeded.db, seeded.kitchenId, START);
    saved = (await seeded.app.inject({ url: '/api/backup' })).json<BackupFile>();
  });
  afterAll(async () => seeded.close());
  const restoreInto = (to: TestKitchen, payload: object) =>
    to.app.inject({ method: 'POST', url: '/api/restore', payload });

  test('what its makes taught is told, and can be forgotten', async () => {
    const factors = async () =>
      (await seeded.app.inject({ url: '/api/factors' })).json<{ factors: Factor[] }>().factors;
    const before = await factors();
    const warmer = before.find((f) => f.kind === 'place-heat' && f.name === 'Shelf warmer')!;
    expect(warmer.mean).toBeLessThan(-0.5);
    expect(before.find((f) => f.kind === 'rate')!.makes).toBeGreaterThan(4);
    const reset = draft(seeded.kitchenId, START, 'learning-reset', {
      kind: 'place-heat',
      thing: warmer.thing,
    });
    expect((await send([reset], seeded)).statusCode).toBe(200);
    expect((await factors()).some((f) => f.kind === 'place-heat' && f.thing === warmer.thing)).toBe(false);
    await send([draft(seeded.kitchenId, START, 'voided', { target: reset.id })], seeded);
  });

  test('goes into an empty one without loss and comes out the same', async () => {
    const empty = await createTestKitchen({ startMs: START });
    const answer = await restoreInto(empty, saved);
    expect(answer.statusCode).toBe(200);
    const again = (await empty.app.inject({ url: '/api/backup' })).json<BackupFile>();
    const text = JSON.stringify(again.events).replaceAll(empty.kitchenId, saved.kitchen.id);
    expect(JSON.parse(text)).toEqual(saved.events);
    expect(again.traces).toEqual(saved.traces);
    const settings = (await empty.app.inject({ url: '/api/kitchen' })).json<{ settings: unknown }>().settings;
    expect(settings).toEqual({ ...kitchenOfToday(LANTERN_FOLD), herd: demoHerd(START) });
    expect((await restoreInto(empty, saved)).json<ErrorBody>().code).toBe('not-empty');
    // It goes on working: the next entry gets the next number.
    const make = ulid();
    expect((await send([startDraft(make, START)], empty)).statusCode).toBe(200);
    await empty.close();
  });

  test.each([
    ['another file', () => ({ format: 'recipes' }), 'wrong-file'],
    ['a newer one', () => ({ ...saved, version: 9 }), 'newer-file'],
    [
      'a torn one',
      () => ({ ...saved, events: saved.events.filter((e) => e.type !== 'make-started') }),
      'bad-input',
    ],
    [
      'one with an entry changed',
      () => ({ ...saved, events: saved.events.map((e, i) => (i === 20 ? { ...e, at: 'noon' } : e)) }),
      'bad-input',
    ],
    ['one without its rows', () => ({ ...saved, traces: [] }), 'bad-input'],
    [
      'one with an entry twice',
      () => ({ ...saved, events: [...saved.events, { ...saved.events.at(-1)!, seq: 1e6 }] }),
      'bad-input',
    ],
  ])('%s is refused and changes nothing', async (_name, file, code) => {
    const empty = await createTestKitchen({ startMs: START });
    const answer = await restoreInto(empty, file());
    expect(answer.json<ErrorBody>().code).toBe(code);
    expect(await count('event', empty)).toBe(0);
    expect(await count('trace_chunk', empty)).toBe(0);
    await empty.close();
  });

  test('a daybook with traces goes in with their rows', async () => {
    const other = await createTestKitchen({ startMs: START });
    const file = (await seeded.app.inject({ url: '/api/export' })).json<object>();
    const answer = await other.app.inject({ method: 'POST', url: '/api/import', payload: file });
    expect(answer.statusCode).toBe(200);
    expect(await count('trace_chunk', other)).toBe(await count('trace_chunk', seeded));
    const { traces: _left, ...torn } = file as { traces: unknown };
    const third = await createTestKitchen({ startMs: START });
    expect((await third.app.inject({ method: 'POST', url: '/api/import', payload: torn })).statusCode).toBe(
      400,
    );
    expect(await count('event', third)).toBe(0);
    await other.close();
    await third.close();
  });
});

test('a kitchen changed before these sections existed has them empty', () => {
  expect(defaultKitchen('UTC')).toMatchObject({ jars: [], thermometers: [], absences: [] });
});

import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { DraftEvent, ErrorBody, ExportFile, StoredEvent } from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { createTestKitchen, type TestKitchen } from './testing/test-kitchen.ts';
import { draft, startDraft } from './testing/drafts.ts';
import { MINUTE_MS } from '@morning-crock/core';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let kitchen: TestKitchen;

beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START });
});
afterAll(async () => kitchen.close());

const post = (events: readonly DraftEvent[]) =>
  kitchen.app.inject({ method: 'POST', url: '/api/events', payload: { events } });
const stored = async (events: readonly DraftEvent[]): Promise<StoredEvent[]> => {
  const answer = await post(events);
  expect(answer.statusCode).toBe(200);
  return answer.json<{ events: StoredEvent[] }>().events;
};
const count = async (): Promise<number> => kitchen.count('event');

async function startMake(): Promise<string> {
  const id = ulid();
  await stored([startDraft(id, kitchen.clock.nowMs)]);
  return id;
}

describe('the schema', () => {
  test('migrations leave nothing for the entities to add', async () => {
    const { upQueries } = await kitchen.db.driver.createSchemaBuilder().log();
    expect(upQueries.map((q) => q.query)).toEqual([]);
  });
});

describe('the log', () => {
  test('an acknowledged event is in the database, to the millisecond and as typed', async () => {
    const make = await startMake();
    const reading = draft(make, START + 123, 'temperature-read', {
      celsius: 82.22222,
      instrument: 'hand',
      typed: { value: 180, unit: 'F' },
    });
    const [event] = await stored([reading]);
    const rows = await kitchen.rows<{ at: Date; data: unknown }>('event', 'id = ?', [reading.id]);
    expect(rows[0]!.at.toISOString()).toBe(new Date(START + 123).toISOString());
    expect(rows[0]!.data).toEqual(reading.data);
    expect(event).toMatchObject({ ...reading, receivedAt: new Date(START).toISOString() });
  });

  test('the same event again is a success and stored once; another body is a clash', async () => {
    const make = await startMake();
    const note = draft(make, START, 'noted', { text: 'smells of hay' });
    const [first] = await stored([note]);
    const before = await count();
    const [second] = await stored([note]);
    expect(second).toEqual(first);
    expect(await count()).toBe(before);
    const clash = await post([{ ...note, data: { text: 'smells of nothing' } } as DraftEvent]);
    expect(clash.statusCode).toBe(409);
    expect(clash.json<ErrorBody>().code).toBe('same-id-other-body');
  });

  test('twenty writers at once get twenty numbers in a row', async () => {
    const make = await startMake();
    const answers = await Promise.all(
      Array.from({ length: 20 }, (_, i) => stored([draft(make, START, 'noted', { text: `n${i}` })])),
    );
    const seqs = answers.map(([e]) => e!.seq).sort((a, b) => a - b);
    expect(seqs.map((s) => s - seqs[0]!)).toEqual(Array.from({ length: 20 }, (_, i) => i));
  });

  test('one bad event of several leaves none behind', async () => {
    const make = await startMake();
    const before = await count();
    const answer = await post([
      draft(make, START, 'noted', { text: 'good' }),
      draft(ulid(), START, 'noted', { text: 'no make' }),
    ]);
    expect(answer.statusCode).toBe(422);
    expect(answer.json<ErrorBody>().code).toBe('no-such-make');
    expect(await count()).toBe(before);
  });

  test.each([
    [
      'far ahead of the clock',
      (m: string) => draft(m, START + 10 * MINUTE_MS, 'noted', { text: 'x' }),
      'ahead-of-clock',
      'events.0.at',
    ],
    ['a second start', (m: string) => startDraft(m, START), 'already-started', 'streamId'],
    [
      'undoing what is elsewhere',
      (m: string) => draft(m, START, 'voided', { target: ulid() }),
      'bad-target',
      'data.target',
    ],
    [
      'changing the kitchen in a make',
      (m: string) =>
        draft(m, START, 'kitchen-changed', { section: 'units', value: { temperature: 'F', measures: 'us' } }),
      'bad-input',
      'streamId',
    ],
  ])('%s is refused with the field', async (_name, make, code, path) => {
    const answer = await post([make(await startMake())]);
    expect(answer.json<ErrorBody>()).toMatchObject({ code, details: [{ path }] });
  });

  test('a correction must fit what it corrects', async () => {
    const make = await startMake();
    const reading = draft(make, START, 'temperature-read', {
      celsius: 48,
      instrument: 'hand',
      typed: { value: 48, unit: 'C' },
    });
    await stored([reading]);
    const wrong = await post([
      draft(make, START, 'corrected', { target: reading.id, at: null, data: { celsius: 900 } }),
    ]);
    expect(wrong.statusCode).toBe(400);
    await stored([
      draft(make, START, 'corrected', {
        target: reading.id,
        at: null,
        data: { celsius: 84, instrument: 'hand', typed: { value: 84, unit: 'C' } },
      }),
    ]);
  });

  test('the start of a make cannot be taken back out of the record', async () => {
    const make = ulid();
    const [begun] = await stored([startDraft(make, START)]);
    const answer = await post([draft(make, START, 'voided', { target: begun!.id })]);
    expect(answer.json<ErrorBody>()).toMatchObject({
      code: 'bad-target',
      details: [{ path: 'data.target' }],
    });
  });

  test('a finished make takes weighings, notes and late entries, and nothing new', async () => {
    const make = await startMake();
    await stored([draft(make, START, 'finished', { verdict: 'kept', reason: '' })]);
    kitchen.clock.nowMs += 5 * MINUTE_MS;
    await stored([
      draft(make, START + 4 * MINUTE_MS, 'weighed', { massKg: 2, typed: { value: 2, unit: 'kg' } }),
    ]);
    await stored([draft(make, START - MINUTE_MS, 'cue-seen', { cue: 'set', cleanSmell: true })]);
    const answer = await post([draft(make, START + 4 * MINUTE_MS, 'step-done', { step: 'pour' })]);
    expect(answer.json<ErrorBody>().code).toBe('make-finished');
    kitchen.clock.nowMs = START;
  });

  test('a body that is not right names the field and stores nothing', async () => {
    const before = await count();
    const make = await startMake();
    const bad = draft(make, START, 'ph-read', {
      ph: 45,
      instrument: 'meter',
      sigma: null,
      typed: { value: 45, unit: 'pH' },
    });
    const answer = await post([bad]);
    expect(answer.statusCode).toBe(400);
    expect(answer.json<ErrorBody>().details[0]).toMatchObject({
      path: 'events.0.data.ph',
      message: 'is too high for milk (pH 8.5 at most)',
    });
    const broken = await kitchen.app.inject({
      method: 'POST',
      url: '/api/events',
      headers: { 'content-type': 'application/json' },
      payload: '{"events":[',
    });
    expect(broken.statusCode).toBe(400);
    expect(broken.json<ErrorBody>().code).toBe('bad-input');
    expect(await count()).toBe(before + 1);
  });

  test('pages of another origin are refused', async () => {
    const answer = await kitchen.app.inject({
      method: 'GET',
      url: '/api/kitchen',
      headers: { origin: 'http://elsewhere.test', host: 'localhost:80' },
    });
    expect(answer.json<ErrorBody>().code).toBe('not-allowed-here');
  });
});

describe('the kitchen', () => {
  test('is complete before anybody says anything, and changes by events', async () => {
    const read = async () =>
      (await kitchen.app.inject('/api/kitchen')).json<{
        settings: { site: { roomC: number }; units: { temperature: string } };
      }>();
    expect((await read()).settings.units.temperature).toBe('C');
    await stored([
      draft(kitchen.kitchenId, START, 'kitchen-changed', {
        section: 'units',
        value: { temperature: 'F', measures: 'us' },
      }),
    ]);
    expect((await read()).settings.units.temperature).toBe('F');
  });
});

describe('devices', () => {
  test('a logger posts Fahrenheit; the same device within ten seconds is not stored twice', async () => {
    const make = await startMake();
    const send = (payload: object) =>
      kitchen.app.inject({ method: 'POST', url: `/api/makes/${make}/readings`, payload });
    expect((await send({ device: 'probe 1', fahrenheit: 109.4 })).json()).toEqual({
      stored: true,
      reason: '',
    });
    kitchen.clock.nowMs += 4000;
    expect((await send({ device: 'probe 1', celsius: 43 })).json()).toMatchObject({ stored: false });
    expect((await send({ device: 'probe 2', celsius: 43 })).json()).toMatchObject({ stored: true });
    expect((await send({ device: 'probe 1' })).statusCode).toBe(400);
    const { events } = (await kitchen.app.inject(`/api/makes/${make}`)).json<{ events: StoredEvent[] }>();
    const reading = events.find((e) => e.type === 'temperature-read')!;
    expect(reading.data).toEqual({
      celsius: expect.closeTo(43, 6) as unknown,
      instrument: 'probe 1',
      typed: { value: 109.4, unit: 'F' },
    });
    kitchen.clock.nowMs = START;
  });
});

describe('makes', () => {
  test('are listed as the fold says, and forecast by the same core', async () => {
    const make = await startMake();
    const list = (await kitchen.app.inject('/api/makes?status=under-way')).json<{
      makes: { id: string; litres: number }[];
    }>();
    expect(list.makes.find((m) => m.id === make)?.litres).toBe(2);
    const forecast = (await kitchen.app.inject(`/api/makes/${make}/forecast`)).json<{
      marks: { role: string; band: { p10: number; p90: number } }[];
    }>();
    const set = forecast.marks.find((mark) => mark.role === 'body')!.band;
    expect(set.p90 - set.p10).toBeGreaterThan(30 * MINUTE_MS);
    expect((await kitchen.app.inject(`/api/makes/${ulid()}`)).statusCode).toBe(404);
  });
});

describe('export and import', () => {
  test('out, into an empty kitchen, and again: nothing lost, nothing doubled', async () => {
    const make = await startMake();
    await stored([draft(make, START, 'noted', { text: 'ünïcode ☕ and "quotes"' })]);
    const file = (await kitchen.app.inject('/api/export')).json<ExportFile>();
    const other = await createTestKitchen({ startMs: START + 60 * MINUTE_MS });
    try {
      const load = () => other.app.inject({ method: 'POST', url: '/api/import', payload: file });
      const all = file.makes.reduce((sum, m) => sum + m.events.length, 0);
      expect((await load()).json()).toEqual({ makes: file.makes.length, added: all, already: 0 });
      expect((await load()).json()).toEqual({ makes: file.makes.length, added: 0, already: all });
      const back = (await other.app.inject('/api/export')).json<ExportFile>();
      const bare = (f: ExportFile) =>
        f.makes
          .flatMap((m) => m.events.map(({ seq: _seq, receivedAt: _at, ...rest }) => rest))
          .sort((a, b) => (a.id < b.id ? -1 : 1));
      expect(bare(back)).toEqual(bare(file));
    } finally {
      await other.close();
    }
  });

  test.each([
    ['another program’s file', { recipes: [] }, 'wrong-file'],
    ['a newer version', { format: 'morning-crock-daybook', version: 99, makes: [] }, 'newer-file'],
    ['a list', [], 'wrong-file'],
    ['a file with a hole', { format: 'morning-crock-daybook', version: 1, makes: [] }, 'bad-input'],
  ])('%s is refused in words and changes nothing', async (_name, payload, code) => {
    const before = await count();
    const answer = await kitchen.app.inject({ method: 'POST', url: '/api/import', payload });
    expect(answer.json<ErrorBody>().code).toBe(code);
    expect(await count()).toBe(before);
  });
});

describe('the stream', () => {
  test('tells what is stored, and after a break what was missed, in order and without gaps', async () => {
    const seen: number[] = [];
    const make = await startMake();
    const start = (await kitchen.rows<{ seq: number }>('event')).at(-1)!.seq;
    const until = async (n: number): Promise<void> => {
      for (let i = 0; i < 100 && seen.length < n; i++)
        await new Promise((resolve) => setTimeout(resolve, 20));
    };
    const stop = kitchen.app.hub.follow(kitchen.kitchenId, start, (events) => {
      seen.push(...events.map((e) => e.seq));
      return Promise.resolve();
    });
    await Promise.all(
      Array.from({ length: 5 }, () => stored([draft(make, START, 'noted', { text: 'live' })])),
    );
    await until(5);
    stop();
    await stored([draft(make, START, 'noted', { text: 'while away' })]);
    expect(seen).toHaveLength(5);
    const again = kitchen.app.hub.follow(kitchen.kitchenId, seen.at(-1)!, (events) => {
      seen.push(...events.map((e) => e.seq));
      return Promise.resolve();
    });
    await until(6);
    again();
    expect(seen).toEqual([1, 2, 3, 4, 5, 6].map((n) => start + n));
  });
});

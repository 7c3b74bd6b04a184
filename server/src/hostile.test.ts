import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { ErrorBody, StoredEvent } from '@morning-crock/core/contract';
import { connect, type AddressInfo, type Socket } from 'node:net';
import { ulid } from 'ulid';
import { createTestKitchen, draft, READ_ROUTES, startDraft, type TestKitchen } from './testing/index.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
const UNSET = Date.UTC(1970, 0, 2);
let kitchen: TestKitchen;
beforeAll(async () => {
  kitchen = await createTestKitchen({
    startMs: START,
    localNetwork: { hosts: ['127.0.0.1'], address: 'http://127.0.0.1' },
    bodyMs: 400,
  });
});
afterAll(() => kitchen.close());

const post = (url: string, payload: object | string, of = kitchen) =>
  of.app.inject({ method: 'POST', url, payload, headers: { 'content-type': 'application/json' } });
const enter = (...events: object[]) => post('/api/events', { events });
const told = async (answer: ReturnType<typeof post>) => {
  const { statusCode, body } = await answer;
  return { status: statusCode, ...(JSON.parse(body) as ErrorBody) };
};
const HEAD = {
  format: 'morning-crock-daybook',
  version: 1,
  exportedAt: new Date(START).toISOString(),
  kitchen: 'x',
  notice: 'x',
};
const daybook = (makes: string): string => `${JSON.stringify(HEAD).slice(0, -1)},"makes":${makes}}`;
const stored = (events: readonly object[]): string =>
  JSON.stringify(events.map((e, i) => ({ ...e, seq: i + 1, receivedAt: new Date(START).toISOString() })));
async function allReadable(): Promise<void> {
  for (const url of READ_ROUTES)
    expect([url, (await kitchen.app.inject({ url })).statusCode]).toEqual([url, 200]);
}

describe('files that are not what they say', () => {
  test.each(['/api/import', '/api/restore'])('nested brackets without end: %s', async (url) => {
    for (const depth of [40, 80_000, 240_000])
      for (const file of ['['.repeat(depth), daybook(`[${'['.repeat(depth)}`)]) {
        const { status, details } = await told(post(url, file));
        expect([400, 422]).toContain(status);
        expect(details[0]!.message).not.toMatch(/token|position/i);
      }
    const [detail] = (await told(post(url, daybook(`[{"id":${'['.repeat(40)}`)))).details;
    if (url === '/api/import') expect(detail!.message).toContain('nested more than 32 deep');
  });

  test('of a million faults the first twenty are told, and that there are more', async () => {
    const makes = `[{"id":"${ulid()}","events":[${'1,'.repeat(1_000_000)}1]}]`;
    const { status, code, details } = await told(post('/api/import', daybook(makes)));
    expect([status, code, details.length]).toEqual([400, 'bad-input', 21]);
    expect(details[0]!.path).toBe('makes.0.events.0');
    expect(details[20]!.message).toBe('and more than 1000 others');
    const few = `[{"id":"${ulid()}","events":[${'{},'.repeat(30)}{}]}]`;
    const counted = (await told(post('/api/import', daybook(few)))).details;
    expect(counted.at(-1)!.message).toMatch(/^and \d+ more$/);
    await allReadable();
  });

  test('an entry larger than any is refused with its place, and leaves nothing of the file behind', async () => {
    const good = ulid();
    const whole = `{"id":"${good}","events":${stored([startDraft(good, START)])}}`;
    const makes = `[${whole},{"id":"${ulid()}","events":["${'x'.repeat(600_000)}"]}]`;
    const { status, details } = await told(post('/api/import', daybook(makes)));
    expect([status, details[0]!.path]).toEqual([413, 'makes.1.events.0']);
    expect(await kitchen.count('event', 'streamId = ?', [good])).toBe(0);
  });

  test('a make without entries, and one that holds another’s', async () => {
    const id = ulid();
    expect((await told(post('/api/import', daybook(`[{"id":"${id}","events":[]}]`)))).details[0]).toEqual({
      path: 'makes.0.events',
      message: 'is missing',
    });
    const other = `[{"id":"${id}","events":${stored([startDraft(ulid(), START)])}}]`;
    expect((await told(post('/api/import', daybook(other)))).details[0]!.path).toBe(
      'makes.0.events.0.streamId',
    );
  });

  test('words of a parser never reach anybody', async () => {
    for (const [url, body] of [
      ['/api/events', '{"events": tru'],
      ['/api/events', '}'],
      ['/api/import', '{"a":'],
    ] as const)
      expect((await post(url, body)).body).not.toMatch(/unexpected|token|position|FST_/i);
  });
});

describe('a tablet whose clock was never set', () => {
  test('its entries are refused with their field and the likely reason; days before are taken', async () => {
    const id = ulid();
    expect((await enter(startDraft(id, START))).statusCode).toBe(200);
    const starter = { massKg: 0.09, statedRatio: null, typed: { value: 90, unit: 'g' as const } };
    const early = await told(enter(draft(id, UNSET, 'starter-added', starter)));
    expect([early.status, early.code, early.details[0]!.path]).toEqual([422, 'clock-behind', 'at']);
    expect(early.details[0]!.message).toContain('clock of this device');
    const note = draft(id, START, 'noted', { text: 'as it was' });
    expect((await enter(note)).statusCode).toBe(200);
    const moved = { target: note.id, at: new Date(UNSET).toISOString(), data: { text: 'long ago' } };
    expect((await told(enter(draft(id, START, 'corrected', moved)))).details[0]!.path).toBe('data.at');
    const begun = await told(enter(startDraft(ulid(), UNSET)));
    expect([begun.code, begun.details[0]!.path]).toEqual(['clock-behind', 'at']);
    const before = draft(id, START - 5 * 3_600_000, 'noted', { text: 'the evening before' });
    expect((await enter(before)).statusCode).toBe(200);
  });

  test('what such a tablet wrote into an older log comes in and is read', async () => {
    const id = ulid();
    const events = [
      startDraft(id, START),
      draft(id, UNSET, 'starter-added', { massKg: 0.09, statedRatio: null, typed: { value: 90, unit: 'g' } }),
      draft(id, START, 'temperature-read', {
        celsius: 20,
        instrument: 'hand',
        typed: { value: 20, unit: 'C' },
      }),
    ];
    const answer = await post('/api/import', daybook(`[{"id":"${id}","events":${stored(events)}}]`));
    expect(answer.json()).toEqual({ makes: 1, added: 3, already: 0 });
    expect((await kitchen.app.inject({ url: `/api/makes/${id}/forecast` })).statusCode).toBe(200);
    await allReadable();
  });
});

describe('a file comes back as it was', () => {
  test('thousands of entries and many thousand rows, in pieces', async () => {
    const id = ulid();
    expect((await enter(startDraft(id, START))).statusCode).toBe(200);
    kitchen.clock.nowMs = START + 20 * 3_600_000;
    const at = Array.from({ length: 12_000 }, (_, i) => START + 1000 + i * 5000);
    const trace = {
      quantity: 'temperature',
      instrument: 'Logger',
      fileName: 'log.csv',
      unit: 'C',
      thermometerId: null,
      deviceId: 'test-page',
      at,
      values: at.map((_, i) => 40 + Math.sin(i / 100)),
    };
    expect((await post(`/api/makes/${id}/traces`, trace)).statusCode).toBe(200);
    const notes = Array.from({ length: 900 }, (_, i) =>
      draft(id, START + i * 1000, 'noted', { text: `note ${i}` }),
    );
    for (let i = 0; i < notes.length; i += 200)
      expect((await enter(...notes.slice(i, i + 200))).statusCode).toBe(200);
    const file = (await kitchen.app.inject({ url: '/api/export' })).body;
    const other = await createTestKitchen({ startMs: kitchen.clock.nowMs });
    try {
      expect((await post('/api/import', file, other)).statusCode).toBe(200);
      const back = JSON.parse((await other.app.inject({ url: '/api/export' })).body) as {
        makes: { id: string; events: StoredEvent[] }[];
        traces: unknown[];
      };
      const was = JSON.parse(file) as typeof back;
      const bare = ({ makes }: typeof back) =>
        makes.map((make) => [make.id, make.events.map(({ seq: _s, receivedAt: _r, ...rest }) => rest)]);
      expect(bare(back)).toEqual(bare(was));
      expect(back.traces).toEqual(was.traces);
      // Once more it adds nothing.
      expect((await post('/api/import', file, other)).json()).toMatchObject({ added: 0 });
    } finally {
      await other.close();
    }
  });
});

describe('connections that lead nowhere', () => {
  test('three hundred of all kinds leave a tablet and this computer their way in', async () => {
    await kitchen.app.listen({ host: '127.0.0.1', port: 0 });
    const { port } = kitchen.app.server.address() as AddressInfo;
    const open: Socket[] = [];
    const bad = (from: string, begin: string): void => {
      const socket = connect({ host: '127.0.0.1', port, localAddress: from });
      socket.on('error', () => undefined);
      socket.write(begin);
      open.push(socket);
    };
    const slow = `POST /api/join HTTP/1.1\r\nhost: 127.0.0.1\r\ncontent-type: application/json\r\ncontent-length: 900\r\n\r\n{`;
    const KINDS = ['', 'GET / HT', slow, 'GET /api/kitchen HTTP/1.1\r\nhost: 127.0.0.1\r\n\r\n'];
    for (let i = 0; i < 300; i++) bad(`127.0.0.${2 + (i % 7)}`, KINDS[i % KINDS.length]!);
    await new Promise((resolve) => setTimeout(resolve, 200));
    const ask = (from: string): Promise<string> =>
      new Promise((resolve, reject) => {
        const socket = connect({ host: '127.0.0.1', port, localAddress: from });
        let answer = '';
        socket.write('GET /api/kitchen HTTP/1.1\r\nhost: 127.0.0.1\r\nconnection: close\r\n\r\n');
        socket.on('data', (bytes) => (answer += String(bytes)));
        socket.on('close', () => resolve(answer.slice(9, 12)));
        socket.on('error', reject);
      });
    expect(await ask('127.0.0.1')).toBe('200');
    // It has not joined: it is asked for the code, which is an answer.
    expect(await ask('127.0.0.99')).toBe('401');
    expect(kitchen.app.connections.size).toBeLessThanOrEqual(256);
    for (const socket of open) socket.destroy();
  });

  test('a body that does not come to its end is not waited for', async () => {
    const { port } = kitchen.app.server.address() as AddressInfo;
    const closed = await new Promise<boolean>((resolve) => {
      const socket = connect({ host: '127.0.0.1', port });
      socket.on('error', () => undefined);
      socket.on('close', () => resolve(true));
      socket.write(
        'POST /api/events HTTP/1.1\r\nhost: 127.0.0.1\r\ncontent-type: application/json\r\ncontent-length: 9000\r\n\r\n{',
      );
    });
    expect(closed).toBe(true);
    expect((await kitchen.app.inject({ url: '/api/kitchen' })).headers['permissions-policy']).toContain(
      'camera=(self), microphone=(self)',
    );
  });
});

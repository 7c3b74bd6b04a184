import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { connect, createServer, type AddressInfo, type Socket } from 'node:net';
import { ulid } from 'ulid';
import type { DraftEvent } from '@morning-crock/core/contract';
import { createTestKitchen, databaseAddress, draft, startDraft, type TestKitchen } from './testing/index.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');

/** A way to the tests' database that can be frozen (it takes what comes and says nothing) or cut. */
function createWay(port: number) {
  const pairs = new Set<readonly [Socket, Socket]>();
  let frozen = false;
  const server = createServer((near) => {
    const far = connect({ host: '127.0.0.1', port });
    const pair = [near, far] as const;
    pairs.add(pair);
    for (const [from, to] of [pair, [far, near] as const]) {
      if (frozen) from.pause();
      from.on('data', (bytes) => to.write(bytes));
      from.on('error', () => undefined);
      from.on('close', () => {
        to.destroy();
        pairs.delete(pair);
      });
    }
  });
  return {
    listen: () =>
      new Promise<number>((resolve) =>
        server.listen(0, '127.0.0.1', () => resolve((server.address() as AddressInfo).port)),
      ),
    freeze(on: boolean): void {
      frozen = on;
      for (const socket of [...pairs].flat())
        if (on) socket.pause();
        else socket.resume();
    },
    cut(): void {
      for (const socket of [...pairs].flat()) socket.destroy();
    },
    close: () =>
      new Promise<void>((resolve) => {
        server.close(() => resolve());
        for (const socket of [...pairs].flat()) socket.destroy();
      }),
  };
}

let way: ReturnType<typeof createWay>;
let kitchen: TestKitchen;
beforeAll(async () => {
  way = createWay(databaseAddress().port);
  kitchen = await createTestKitchen({ startMs: START, databasePort: await way.listen(), statementMs: 300 });
});
afterAll(async () => {
  way.freeze(false);
  await kitchen.close();
  await way.close();
});

const get = (url: string) => kitchen.app.inject({ url });
const note = (id: string, text: string) => draft(id, START, 'noted', { text });
const enter = (event: DraftEvent) =>
  kitchen.app.inject({ method: 'POST', url: '/api/events', payload: { events: [event] } });
/** Until the database is found again. */
async function entered(event: DraftEvent): Promise<void> {
  for (let i = 0; i < 200; i++) {
    if ((await enter(event)).statusCode === 200) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('was never taken');
}

describe('while the database is away', () => {
  test('frozen: an entry is refused with "try again", reading goes on from what is known; then all goes on', async () => {
    const id = ulid();
    expect((await enter(startDraft(id, START))).statusCode).toBe(200);
    const before = await get('/api/makes');
    way.freeze(true);
    kitchen.clock.nowMs += 60_000;
    const refused = await enter(note(id, 'said while it was frozen'));
    expect([refused.statusCode, refused.json<{ code: string }>().code]).toEqual([503, 'database-away']);
    const known = await get('/api/makes');
    expect(known.statusCode).toBe(200);
    expect(known.headers['x-known-since']).toBe(new Date(START).toISOString());
    const [was, is] = [before, known].map((answer) => answer.json<{ makes: unknown[]; now: string }>());
    expect(is!.makes).toEqual(was!.makes);
    // Pages set their clocks by it.
    expect(is!.now).toBe(new Date(START + 60_000).toISOString());
    // Nobody has asked for this before: it cannot be known.
    expect((await get('/api/factors')).statusCode).toBe(503);
    way.freeze(false);
    const again = note(id, 'said again');
    await entered(again);
    expect((await get('/api/makes')).headers['x-known-since']).toBeUndefined();
    expect(await kitchen.count('event', 'id = ?', [again.id])).toBe(1);
  });

  test('cut at any moment: 503, never a fault of ours', async () => {
    const id = ulid();
    expect((await enter(startDraft(id, START))).statusCode).toBe(200);
    const codes = new Set<number>();
    for (let i = 0; i < 30; i++) {
      const answers = [enter(note(id, `note ${i}`)), get('/api/makes'), enter(note(id, `and ${i}`))];
      if (i % 3 === 0) setTimeout(() => way.cut(), i % 7);
      for (const { statusCode } of await Promise.all(answers)) codes.add(statusCode);
    }
    expect([...codes].filter((code) => code !== 200 && code !== 503)).toEqual([]);
    await entered(note(id, 'in the end'));
  });
});

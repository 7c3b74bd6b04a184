import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { StoredEvent } from '@morning-crock/core/contract';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, brotliDecompressSync } from 'node:zlib';
import { ulid } from 'ulid';
import { draft, startDraft } from './testing/drafts.ts';
import { createTestKitchen, type TestKitchen } from './testing/test-kitchen.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let kitchen: TestKitchen;
let root: string;
let address: string;

beforeAll(async () => {
  root = mkdtempSync(join(tmpdir(), 'page-'));
  mkdirSync(join(root, 'assets'));
  writeFileSync(join(root, 'index.html'), '<title>crock</title>');
  writeFileSync(join(root, 'assets', 'a-1234.js'), 'export {}');
  writeFileSync(join(root, 'assets', 'a-1234.js.br'), brotliCompressSync('export {}'));
  kitchen = await createTestKitchen({ startMs: START, pageRoot: root });
  await kitchen.app.listen({ host: '127.0.0.1', port: 0 });
  address = `http://127.0.0.1:${(kitchen.app.server.address() as AddressInfo).port}`;
});
afterAll(async () => {
  await kitchen.close();
  rmSync(root, { recursive: true });
});

describe('the page', () => {
  test.each(['/', '/makes/01HZZZZZZZZZZZZZZZZZZZZZZZ', '/daybook', '/nowhere'])(
    '%s leads to the page, asked for anew each time',
    async (path) => {
      const answer = await kitchen.app.inject(path);
      expect(answer.statusCode).toBe(200);
      expect(answer.body).toContain('crock');
      expect(answer.headers['cache-control']).toBe('no-cache');
    },
  );

  test('hashed assets are kept for ever; one that is gone is not answered with a page', async () => {
    expect((await kitchen.app.inject('/assets/a-1234.js')).headers['cache-control']).toContain('immutable');
    expect((await kitchen.app.inject('/assets/gone.js')).statusCode).toBe(404);
  });

  test('what the build has packed goes out packed to whoever can unpack it', async () => {
    const url = '/assets/a-1234.js';
    const packed = await kitchen.app.inject({ url, headers: { 'accept-encoding': 'br' } });
    expect(packed.headers['content-encoding']).toBe('br');
    expect(brotliDecompressSync(packed.rawPayload).toString()).toBe('export {}');
    expect(packed.headers['cache-control']).toContain('immutable');
    const plain = await kitchen.app.inject({ url, headers: { 'accept-encoding': 'identity' } });
    expect(plain.body).toBe('export {}');
  });

  test('an unknown interface address answers in the table’s words', async () => {
    const answer = await kitchen.app.inject('/api/nothing');
    expect(answer.statusCode).toBe(404);
    expect(answer.json()).toMatchObject({ code: 'not-found' });
  });

  test('the page may load nothing from elsewhere', async () => {
    const policy = String((await kitchen.app.inject('/')).headers['content-security-policy']);
    expect(policy).toContain("default-src 'self'");
    expect(policy).not.toContain('http:');
  });
});

describe('the stream over the wire', () => {
  /** Reads messages of a stream until enough events came. */
  async function listen(
    count: number,
    headers: Record<string, string>,
    path = '/api/stream',
  ): Promise<{ ids: number[]; sawTime: boolean }> {
    const stop = new AbortController();
    const answer = await fetch(`${address}${path}`, { headers, signal: stop.signal });
    expect(answer.headers.get('content-type')).toBe('text/event-stream');
    const ids: number[] = [];
    let sawTime = false;
    let text = '';
    const reader = answer.body!.pipeThrough(new TextDecoderStream()).getReader();
    while (ids.length < count) {
      const { value, done } = await reader.read();
      if (done) break;
      text += value;
      const messages = text.split('\n\n');
      text = messages.pop() ?? '';
      for (const message of messages) {
        sawTime ||= message.includes('"kind":"time"');
        const id = /^id: (\d+)/m.exec(message);
        if (id) ids.push(Number(id[1]));
      }
    }
    stop.abort();
    return { ids, sawTime };
  }

  test('tells the time first, then what came after the place it is asked from', async () => {
    const make = ulid();
    const notes = ['one', 'two', 'three'].map((text) => draft(make, START, 'noted', { text }));
    const answer = await kitchen.app.inject({
      method: 'POST',
      url: '/api/events',
      payload: { events: [startDraft(make, START), ...notes] },
    });
    const seqs = answer.json<{ events: StoredEvent[] }>().events.map((e) => e.seq);
    const all = await listen(4, {}, `/api/stream?after=${seqs[0]! - 1}`);
    expect(all).toEqual({ ids: seqs, sawTime: true });
    const rest = await listen(2, { 'last-event-id': String(seqs[1]) });
    expect(rest.ids).toEqual(seqs.slice(2));
  });
});

import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import type { ErrorBody, Tablet } from '@morning-crock/core/contract';
import { newKitchenCode } from './features/access/kitchen-code.ts';
import { createTestKitchen, type TestKitchen } from './testing/test-kitchen.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
const HOST = '192.168.7.5:4620';
const AWAY = '192.168.7.20';
let kitchen: TestKitchen;
let code: string;

beforeEach(async () => {
  kitchen = await createTestKitchen({
    startMs: START,
    localNetwork: { hosts: ['192.168.7.5'], address: `http://${HOST}` },
  });
  code = await newKitchenCode(kitchen.db, kitchen.kitchenId, START);
});
afterEach(async () => kitchen.close());

const from = (
  remoteAddress: string,
  url: string,
  options: {
    method?: 'GET' | 'POST';
    cookie?: string;
    payload?: object;
    host?: string;
    origin?: string;
  } = {},
) =>
  kitchen.app.inject({
    url,
    method: options.method ?? 'GET',
    remoteAddress,
    headers: {
      host: options.host ?? HOST,
      ...(options.cookie ? { cookie: options.cookie } : {}),
      ...(options.origin ? { origin: options.origin } : {}),
    },
    ...(options.payload ? { payload: options.payload } : {}),
  });
const join = (typed: string, remoteAddress = AWAY) =>
  from(remoteAddress, '/api/join', { method: 'POST', payload: { code: typed, name: 'Dairy tablet' } });

describe('a tablet of the local network', () => {
  test('is asked for the code once, then let in; what it holds is not what is stored', async () => {
    const before = await from(AWAY, '/api/kitchen');
    expect(before.statusCode).toBe(401);
    expect(before.json<ErrorBody>().code).toBe('code-needed');
    const joined = await join(` ${code.toLowerCase().replace('-', ' ')} `);
    expect(joined.statusCode).toBe(200);
    const set = String(joined.headers['set-cookie']);
    expect(set).toContain('HttpOnly');
    expect(set).toContain('SameSite=Strict');
    const cookie = set.split(';')[0]!;
    expect((await from(AWAY, '/api/kitchen', { cookie })).statusCode).toBe(200);
    const rows = await kitchen.rows<{ tokenHash: string }>('tablet');
    expect(cookie).not.toContain(rows[0]!.tokenHash);
    const codes = await kitchen.rows<{ hash: string }>('kitchen_code');
    expect(JSON.stringify(codes)).not.toContain(code.slice(0, 4));
  });

  test('can be sent away again, from this computer only', async () => {
    const cookie = String((await join(code)).headers['set-cookie']).split(';')[0]!;
    const { tablets } = (await from('127.0.0.1', '/api/tablets')).json<{ tablets: Tablet[] }>();
    expect(tablets.map((t) => t.name)).toEqual(['Dairy tablet']);
    const url = `/api/tablets/${tablets[0]!.id}/revoke`;
    expect((await from(AWAY, url, { method: 'POST', cookie })).statusCode).toBe(403);
    const sent = await from('127.0.0.1', url, { method: 'POST' });
    expect(sent.statusCode).toBe(200);
    expect((await from(AWAY, '/api/kitchen', { cookie })).statusCode).toBe(401);
    // It knows the old code, which lets nobody in any more.
    expect((await join(code)).json<ErrorBody>().code).toBe('wrong-code');
    expect((await join(sent.json<{ code: string }>().code)).statusCode).toBe(200);
    expect((await from('127.0.0.1', url, { method: 'POST' })).statusCode).toBe(404);
  });

  test('after ten wrong codes even the right one has to wait; another tablet does not', async () => {
    for (let i = 0; i < 10; i++) expect((await join('WRNG-CODE')).json<ErrorBody>().code).toBe('wrong-code');
    const answer = await join(code);
    expect(answer.statusCode).toBe(429);
    expect(answer.json<ErrorBody>()).toMatchObject({
      code: 'too-many-tries',
      next: expect.stringContaining('ten minutes'),
    });
    expect((await join(code, '192.168.7.21')).statusCode).toBe(200);
    expect(await kitchen.count('tablet')).toBe(1);
  });

  test('a new code makes the old one useless; who has joined stays', async () => {
    const cookie = String((await join(code)).headers['set-cookie']).split(';')[0]!;
    const fresh = (await from('127.0.0.1', '/api/code', { method: 'POST' })).json<{ code: string }>().code;
    expect(fresh).not.toBe(code);
    expect((await join(code)).statusCode).toBe(403);
    expect((await join(fresh)).statusCode).toBe(200);
    expect((await from(AWAY, '/api/kitchen', { cookie })).statusCode).toBe(200);
    expect((await from(AWAY, '/api/code', { method: 'POST', cookie })).statusCode).toBe(403);
  });

  test.each([
    ['a made-up token', { cookie: 'mc_tablet=made-up' }, 401],
    ['a name pointed at us', { host: 'kitchen.elsewhere.test:4620' }, 403],
    ['a page of another origin', { origin: 'http://elsewhere.test' }, 403],
    ['an origin without a host', { origin: 'null' }, 403],
  ])('%s is refused', async (_name, options, status) => {
    expect((await from(AWAY, '/api/kitchen', options)).statusCode).toBe(status);
    if (status === 403) expect((await from('127.0.0.1', '/api/kitchen', options)).statusCode).toBe(status);
  });
});

test.each(['/%61pi/kitchen', '/api/../api/kitchen', '//api/kitchen', '/API/kitchen', '/api/kitchen/'])(
  'another way of writing an address (%s) opens nothing',
  async (url) => {
    const answer = await from(AWAY, url);
    expect(answer.body).not.toContain('settings');
    expect([401, 404]).toContain(answer.statusCode);
  },
);

test('without a local network no code lets anybody in', async () => {
  const alone = await createTestKitchen({ startMs: START });
  const own = await newKitchenCode(alone.db, alone.kitchenId, START);
  const headers = { host: 'localhost' };
  const joined = await alone.app.inject({
    method: 'POST',
    url: '/api/join',
    remoteAddress: AWAY,
    headers,
    payload: { code: own, name: 'x' },
  });
  const cookie = String(joined.headers['set-cookie']).split(';')[0]!;
  expect(
    (await alone.app.inject({ url: '/api/kitchen', remoteAddress: AWAY, headers: { ...headers, cookie } }))
      .statusCode,
  ).toBe(401);
  expect((await alone.app.inject({ method: 'POST', url: '/api/code' })).statusCode).toBe(403);
  await alone.close();
});

import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { isTrusted, sameAt, secureWay } from './secure-way.ts';

const asked: { url: string; mode: string | undefined }[] = [];
const real = globalThis.fetch;
let answer: () => Promise<Response>;
beforeEach(() => {
  asked.length = 0;
  globalThis.fetch = jest.fn((url: unknown, options?: RequestInit) => {
    asked.push({ url: String(url), mode: options?.mode });
    return answer();
  }) as typeof fetch;
});
afterEach(() => {
  globalThis.fetch = real;
});

test('a device is asked without showing anything whether it trusts the kitchen', async () => {
  answer = () => Promise.resolve(new Response('yes'));
  expect(await isTrusted('https://192.168.7.5:4621')).toBe(true);
  expect(asked).toEqual([{ url: 'https://192.168.7.5:4621/trusted', mode: 'no-cors' }]);
  answer = () => Promise.reject(new TypeError('failed to fetch'));
  expect(await isTrusted('https://192.168.7.5:4621')).toBe(false);
});

test.each([
  [
    { secure: 'https://a.local:1', fingerprint: 'AB12', until: null },
    { secure: 'https://a.local:1', fingerprint: 'AB12' },
  ],
  [{ secure: null, fingerprint: null, until: null }, null],
  [{ unknown: true }, null],
])('%j is read as %j', async (body, expected) => {
  answer = () => Promise.resolve(Response.json(body));
  const way = await secureWay();
  expect(way && { secure: way.secure, fingerprint: way.fingerprint }).toEqual(expected);
});

test('a scanned label leads to the same place at the secure address, the kitchen code with it', () => {
  expect(sameAt('https://a.local:1', { pathname: '/join', search: '', hash: '#K7QD-M3XP' })).toBe(
    'https://a.local:1/join#K7QD-M3XP',
  );
});

import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { ErrorBody } from '@morning-crock/core/contract';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { request as plainRequest } from 'node:http';
import { request as secureRequest } from 'node:https';
import { connect, createServer, type AddressInfo, type Socket } from 'node:net';
import { hostname, tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect as connectSecurely, type TLSSocket } from 'node:tls';
import { CONNECTION_LIMITS } from './app.ts';
import { newKitchenCode } from './features/access/kitchen-code.ts';
import { CERTIFICATE_DAYS, openAuthority, type Authority } from './features/secure/authority.ts';
import { secureServer, type SecureServer } from './features/secure/secure-server.ts';
import { keepCertificate } from './keep-certificate.ts';
import { localNetwork } from './local-network.ts';
import { createTestKitchen, READ_ROUTES, type TestKitchen } from './testing/index.ts';
import { DAY_MS } from '@morning-crock/core';

const START = Date.now();
const OTHER = '127.0.0.9';
let parent: string;
let authority: Authority;
let kitchen: TestKitchen;
let door: SecureServer;
let port = 0;
let securePort = 0;
let code: string;
/** Addresses the computer has, as the test says. */
let addresses = ['127.0.0.9'];

/** A port nothing listens at. */
async function freePort(): Promise<number> {
  const probe = createServer().listen(0, '127.0.0.1');
  await once(probe, 'listening');
  const { port: free } = probe.address() as AddressInfo;
  probe.close();
  await once(probe, 'close');
  return free;
}

beforeAll(async () => {
  parent = mkdtempSync(join(tmpdir(), 'mc-secure-'));
  authority = await openAuthority(join(parent, 'authority'), START);
  port = await freePort();
  securePort = await freePort();
  const network = localNetwork({ port, securePort, name: 'dairy.local', addresses: () => addresses });
  kitchen = await createTestKitchen({ startMs: START, localNetwork: network, authority, bodyMs: 400 });
  door = secureServer(kitchen.app, await authority.issue(network.hosts, START), CONNECTION_LIMITS);
  await door.listen({ host: '0.0.0.0', port: securePort });
  await kitchen.app.listen({ host: '0.0.0.0', port });
  code = await newKitchenCode(kitchen.db, kitchen.kitchenId, START);
});
afterAll(async () => {
  await kitchen.close();
  rmSync(parent, { recursive: true, force: true });
});

const pem = (): string =>
  `-----BEGIN CERTIFICATE-----\n${authority.certificate.toString('base64')}\n-----END CERTIFICATE-----\n`;

interface Answer {
  readonly status: number;
  readonly body: string;
  readonly headers: NodeJS.Dict<string | string[]>;
}
/** Asks as another device of the network does. */
function ask(
  url: string,
  options: {
    readonly secure?: boolean;
    readonly method?: string;
    readonly headers?: Record<string, string>;
    readonly payload?: object;
    readonly host?: string;
  } = {},
): Promise<Answer> {
  const { secure = true, method = 'GET', payload, host = 'dairy.local' } = options;
  const to = secure ? securePort : port;
  return new Promise((resolve, reject) => {
    const asked = (secure ? secureRequest : plainRequest)(
      {
        host: '127.0.0.1',
        port: to,
        localAddress: OTHER,
        path: url,
        method,
        ...(secure ? { ca: pem(), servername: host } : {}),
        headers: {
          host: `${host}:${to}`,
          ...(payload ? { 'content-type': 'application/json' } : {}),
          ...options.headers,
        },
      },
      (answer) => {
        let body = '';
        answer.on('data', (text) => (body += String(text)));
        answer.once('end', () => resolve({ status: answer.statusCode!, body, headers: answer.headers }));
      },
    );
    asked.once('error', reject);
    asked.end(payload && JSON.stringify(payload));
  });
}
const joined = async (secure: boolean): Promise<string> => {
  const { headers } = await ask('/api/join', { secure, method: 'POST', payload: { code, name: 'Phone' } });
  return String(headers['set-cookie']);
};

describe('the secure address', () => {
  test('is told to any device, with whom to trust; the certificate is what was told', async () => {
    const told = await ask('/api/secure', { secure: false });
    expect(JSON.parse(told.body)).toEqual({
      secure: `https://dairy.local:${securePort}`,
      fingerprint: authority.fingerprint,
      until: expect.any(String),
    });
    const file = await ask('/morning-crock.crt', { secure: false });
    expect(file.headers['content-type']).toBe('application/x-x509-ca-cert');
    expect(Number(file.headers['content-length'])).toBe(authority.certificate.length);
    const tried = await ask('/trusted');
    expect([tried.status, tried.headers['cross-origin-resource-policy']]).toEqual([200, 'cross-origin']);
    // At a name that no certificate of ours vouches for, the way leads to one that it does.
    const headers = { host: `${hostname().toLowerCase()}:${port}` };
    const byHostName = await ask('/api/secure', { secure: false, headers });
    expect((JSON.parse(byHostName.body) as { secure: string }).secure).toBe(
      `https://dairy.local:${securePort}`,
    );
  });

  test('who joins there holds a token that no plain address sees; the other way it is known at both', async () => {
    const secured = await joined(true);
    expect(secured).toMatch(/^__Host-mc_tablet=.*HttpOnly; Secure; SameSite=Strict$/);
    const cookie = secured.split(';')[0]!;
    expect((await ask('/api/kitchen', { headers: { cookie } })).status).toBe(200);
    expect((await ask('/api/kitchen', { secure: false, headers: { cookie } })).status).toBe(401);
    const plain = await joined(false);
    expect(plain).not.toContain('Secure');
    const plainCookie = plain.split(';')[0]!;
    for (const secure of [true, false])
      expect((await ask('/api/kitchen', { secure, headers: { cookie: plainCookie } })).status).toBe(200);
  });

  test('a stranger is let in nowhere, and a plain page may not speak for it', async () => {
    for (const url of READ_ROUTES) expect([url, (await ask(url)).status]).toEqual([url, 401]);
    const cookie = (await joined(true)).split(';')[0]!;
    const origin = `http://dairy.local:${securePort}`;
    expect((await ask('/api/kitchen', { headers: { cookie, origin } })).status).toBe(403);
    expect(
      await ask('/api/kitchen', { host: 'other.local' }).catch((error: unknown) => String(error)),
    ).toMatch(/altname/i);
  });

  test('nothing is said that would bind a name of the home to it for ever', async () => {
    const { headers } = await ask('/');
    expect(headers['strict-transport-security']).toBeUndefined();
    expect(headers['content-security-policy']).not.toContain('upgrade-insecure-requests');
    expect(headers['content-security-policy']).toContain(
      `connect-src 'self' https://dairy.local:${securePort}`,
    );
  });

  test('this computer needs no code there either', async () => {
    const status = await new Promise((resolve, reject) => {
      secureRequest(
        {
          host: '127.0.0.1',
          port: securePort,
          path: '/api/kitchen',
          ca: pem(),
          servername: 'dairy.local',
          headers: { host: 'localhost' },
        },
        (answer) => resolve(answer.statusCode),
      )
        .once('error', reject)
        .end();
    });
    expect(status).toBe(200);
  });
});

describe('connections to it', () => {
  /** An encrypted connection from another device, about to greet. */
  const greeted = (): TLSSocket =>
    connectSecurely({
      socket: connect({ host: '127.0.0.1', port: securePort, localAddress: OTHER }),
      ca: pem(),
      servername: 'dairy.local',
    });
  const isGone = (socket: Socket): boolean => socket.destroyed;

  test('of one address it holds thirty-two, greeted or not; whoever works keeps theirs', async () => {
    const cookie = (await joined(true)).split(';')[0]!;
    const works = greeted();
    await once(works, 'secureConnect');
    works.write(
      `GET /api/stream?after=0 HTTP/1.1\r\nhost: dairy.local:${securePort}\r\ncookie: ${cookie}\r\n\r\n`,
    );
    await once(works, 'data');
    const idle = Array.from({ length: 40 }, () => {
      const socket = connect({ host: '127.0.0.1', port: securePort, localAddress: OTHER });
      socket.on('error', () => undefined);
      return socket;
    });
    for (const began = Date.now(); idle.filter(isGone).length < 9 && Date.now() - began < 5000;)
      await new Promise((resolve) => setTimeout(resolve, 20));
    expect(idle.filter(isGone).length).toBeGreaterThanOrEqual(9);
    expect(idle.some((socket) => !isGone(socket))).toBe(true);
    expect(works.destroyed).toBe(false);
    for (const socket of [works, ...idle]) socket.destroy();
  });

  test('a body that does not come is not waited for', async () => {
    const slow = greeted();
    await once(slow, 'secureConnect');
    slow.write(
      `POST /api/join HTTP/1.1\r\nhost: dairy.local:${securePort}\r\ncontent-type: application/json\r\ncontent-length: 900\r\n\r\n{`,
    );
    slow.on('data', () => undefined);
    await once(slow, 'close');
    expect(slow.destroyed).toBe(true);
  });
});

test('another address of the computer, or a certificate near its end, is met by another certificate; who trusts goes on', async () => {
  let nowMs = START;
  const { certificatePem, validUntilMs } = await authority.issue(addresses, nowMs);
  const shown: string[] = [certificatePem];
  const hosts = (): string[] => [...addresses, 'dairy.local'];
  const renew = keepCertificate({
    authority,
    server: { show: (certificate) => (door.show(certificate), shown.push(certificate.certificatePem)) },
    hosts,
    clock: () => nowMs,
    shown: { hosts: hosts(), validUntilMs },
  });
  expect(await renew()).toBe(false);
  nowMs += (CERTIFICATE_DAYS * DAY_MS * 2) / 3 - DAY_MS;
  expect(await renew()).toBe(false);
  nowMs += 2 * DAY_MS;
  expect(await renew()).toBe(true);
  nowMs = START;
  addresses = ['192.168.9.77'];
  expect(await renew()).toBe(true);
  expect(await renew()).toBe(false);
  expect(shown).toHaveLength(3);
  // By its new address at once, without another start.
  const { status, body } = await ask('/api/kitchen', { host: '192.168.9.77' });
  expect([status, (JSON.parse(body) as ErrorBody).code]).toEqual([401, 'code-needed']);
});

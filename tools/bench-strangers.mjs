// `npm run bench -- strangers`: what devices get to see that never joined, at the plain and the secure address: every route in
// every spelling with every made-up token, guessed codes, older and broken greetings, and connections that lead nowhere.
import { request as askPlainly } from 'node:http';
import { connect } from 'node:net';
import { connect as connectSecurely } from 'node:tls';
import { startKitchen } from './throwaway.mjs';
import { askSecurely, trustedAt } from './trusted.mjs';

const ms = (/** @type {number} */ value) => `${Math.round(value)} ms`;
/** What nobody may read who never joined: the kitchen's own name stands in all that tells of it. */
const ANY_ID = '01YEARSMAKE00000000000000A';
const TOKENS = [
  '',
  'mc_tablet=made-up',
  '__Host-mc_tablet=made-up',
  `mc_tablet=${'A'.repeat(43)}`,
  `__Host-mc_tablet=${'A'.repeat(43)}; mc_tablet=${'B'.repeat(43)}`,
  "mc_tablet=' OR '1'='1",
  `mc_tablet=${'x'.repeat(4000)}`,
];
/** Other ways of writing a path. @type {readonly ((path: string) => string)[]} */
const SPELLINGS = [
  (path) => path,
  (path) => path.replace('/api', '/%61pi'),
  (path) => `/${path}`,
  (path) => path.toUpperCase(),
  (path) => `/assets/..${path}`,
  (path) => `/join/../${path.slice(1)}`,
  (path) => `${path}/`,
  (path) => `${path}?x=/api/join`,
  (path) => `${path};/api/join`,
];
/** Headers with which somebody pretends to be nearer than they are. @type {readonly Record<string, string>[]} */
const PRETENCES = [
  {},
  { 'x-forwarded-for': '127.0.0.1' },
  { 'x-real-ip': '127.0.0.1', forwarded: 'for=127.0.0.1;host=127.0.0.1' },
  { 'x-forwarded-host': 'localhost', 'x-forwarded-proto': 'https' },
];
/** Files of the kitchen that no address leads to. */
const FILES = [
  '/authority/authority-key.pem',
  '/authority-key.pem',
  '/../authority/authority-key.pem',
  '/assets/../../../.data/own/authority/authority-key.pem',
  '/..%2f..%2fauthority%2fauthority-key.pem',
  '/database.json',
  '/..%2fdatabase.json',
];

/** @param {string} address @param {string} path @param {import('node:http').RequestOptions & { body?: string }} options @returns {Promise<{ status: number, text: string }>} */
const plain = (address, path, { body, ...options }) =>
  new Promise((resolve, reject) => {
    const asked = askPlainly(address, { ...options, path }, (answer) => {
      let text = '';
      answer.on('data', (chunk) => (text += String(chunk)));
      answer.once('end', () => resolve({ status: answer.statusCode ?? 0, text }));
    });
    asked.once('error', reject);
    asked.end(body);
  });

/** Connections that lead nowhere, of each kind in turn. @param {string} secure @param {number} many @param {number} addresses */
async function nowhere(secure, many, addresses) {
  const { hostname: host, port } = new URL(secure);
  const slow = `POST /api/join HTTP/1.1\r\nhost: ${host}:${port}\r\ncontent-type: application/json\r\ncontent-length: 900\r\n\r\n{`;
  const held = Array.from({ length: many }, (_, i) => {
    const socket = connect({ host, port: Number(port), localAddress: `127.0.0.${2 + (i % addresses)}` });
    socket.on('error', () => undefined);
    // Nothing at all, half a greeting, no greeting, and one whose body never ends.
    if (i % 4 === 1) socket.write(Buffer.from('16030100', 'hex'));
    if (i % 4 === 2) socket.write('GET / HTTP/1.1\r\n\r\n');
    if (i % 4 === 3) {
      const greeted = connectSecurely({ socket, rejectUnauthorized: false }, () => greeted.write(slow));
      greeted.on('error', () => undefined);
    }
    return socket;
  });
  await new Promise((resolve) => setTimeout(resolve, 1500));
  return held;
}

/**
 * @param {(line: string) => void} say
 * @returns {Promise<string[][]>} rows: what, value, goal
 */
export async function benchStrangers(say) {
  const kitchen = await startKitchen('own', undefined, ['--lan']);
  const { address } = kitchen;
  /** @type {string[][]} */
  const rows = [];
  try {
    const { address: secure, ca } = await trustedAt(address);
    const { settings, name: kitchenName } = await (await fetch(`${address}/api/kitchen`)).json();
    const { paths } = await (await fetch(`${address}/api/openapi.json`)).json();
    const own = [kitchenName, JSON.stringify(settings).slice(0, 40), 'PRIVATE KEY'];
    const routes = Object.entries(paths).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => ({
        path: path.replace(/\{[^}]+\}/g, ANY_ID),
        method: method.toUpperCase(),
      })),
    );
    const open = new Set(['/api/join', '/api/secure', `/calendar/${ANY_ID}`]);
    for (const [what, ask] of /** @type {const} */ ([
      ['plain', (/** @type {string} */ path, /** @type {object} */ options) => plain(address, path, options)],
      [
        'secure',
        (/** @type {string} */ path, /** @type {object} */ options) =>
          askSecurely(secure, ca, { ...options, path }),
      ],
    ])) {
      say(`${routes.length} routes at the ${what} address`);
      /** @param {string} path @param {{ status: number, text: string }} answer whether it tells or does what is the kitchen's own */
      const opens = (path, { status, text }) =>
        own.some((words) => text.includes(words)) ||
        // The page itself is open to all; it tells nothing of the kitchen.
        (status < 300 && !open.has(path) && !text.startsWith('<!doctype html>'));
      const here = await Promise.all(
        routes
          // The live log of one who belongs here has no end.
          .filter(({ method, path }) => method === 'GET' && path !== '/api/stream')
          .map(async ({ path }) => opens(path, await ask(path, { localAddress: '127.0.0.1' }))),
      );
      // What it looks for must be seen where it is.
      if (here.filter(Boolean).length < 10) throw new Error('this bench would not notice who is let in');
      let tries = 0;
      let letIn = 0;
      let failed = 0;
      const wanted = [
        ...routes.flatMap((route) => SPELLINGS.map((spell) => ({ ...route, spelt: spell(route.path) }))),
        ...FILES.map((path) => ({ path, method: 'GET', spelt: path })),
      ];
      let turn = 0;
      for (const { path, method, spelt } of wanted)
        for (const cookie of TOKENS) {
          const pretence = PRETENCES[turn++ % PRETENCES.length];
          const answer = await ask(spelt, {
            method,
            localAddress: `127.0.0.${2 + (turn % 200)}`,
            headers: {
              ...(cookie === '' ? {} : { cookie }),
              ...(method === 'POST' ? { 'content-type': 'application/json' } : {}),
              ...pretence,
            },
            ...(method === 'POST' ? { body: '{}' } : {}),
          });
          tries++;
          if (opens(path, answer)) {
            letIn++;
            say(`let in: ${method} ${spelt} ${cookie}: ${answer.status} ${answer.text.slice(0, 120)}`);
          }
          if (answer.status >= 500) failed++;
        }
      rows.push([`${what}: ${tries} tries of strangers, let in`, String(letIn), '0']);
      rows.push([`${what}: answered with a fault of the server`, String(failed), '0']);
    }

    say('guessing the code');
    let joined = 0;
    let refused = 0;
    for (let from = 2; from < 62; from++)
      for (let n = 0; n < 15; n++) {
        const { status } = await askSecurely(secure, ca, {
          path: '/api/join',
          method: 'POST',
          localAddress: `127.0.1.${from}`,
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ code: `AAAA-${String(from * 100 + n)}`, name: 'x' }),
        });
        if (status === 200) joined++;
        if (status === 429) refused++;
      }
    rows.push([
      `900 guesses of the code from 60 addresses, ${refused} not even heard; joined`,
      String(joined),
      '0',
    ]);

    say('older and broken greetings');
    const { hostname: host, port } = new URL(secure);
    let spoken = 0;
    for (const version of /** @type {const} */ (['TLSv1', 'TLSv1.1'])) {
      const socket = connectSecurely({
        host,
        port: Number(port),
        rejectUnauthorized: false,
        minVersion: version,
        maxVersion: version,
        ciphers: 'DEFAULT@SECLEVEL=0',
      });
      socket.once('secureConnect', () => spoken++);
      socket.on('error', () => undefined);
      // Refused is what is hoped for: that is no fault of the bench.
      await new Promise((resolve) => socket.once('close', resolve));
    }
    rows.push(['greetings of before TLS 1.2 that were taken', String(spoken), '0']);

    for (const addresses of [1, 20]) {
      say(`290 connections of ${addresses} addresses that lead nowhere`);
      const held = await nowhere(secure, 290, addresses);
      let longest = 0;
      let good = 0;
      for (let i = 0; i < 40; i++) {
        const began = performance.now();
        const answer = await askSecurely(secure, ca, {
          path: '/trusted',
          localAddress: i < 20 ? `127.0.0.${200 + i}` : '127.0.0.1',
          headers: { connection: 'close' },
        }).catch(() => null);
        longest = Math.max(longest, performance.now() - began);
        if (answer?.status === 200) good++;
      }
      for (const socket of held) socket.destroy();
      rows.push([
        `290 connections of ${addresses} that lead nowhere: ${good} of 40 good ones answered, the slowest after`,
        ms(longest),
        '≤ 200 ms',
      ]);
    }
  } finally {
    await kitchen.end();
  }
  return rows;
}

// The part of `npm run bench` that asks what a stranger's file, or a stranger's connections, do to everybody else: how long a
// trifle waits meanwhile, and how much memory the server takes.
import { once } from 'node:events';
import { connect } from 'node:net';
import { watchWaits } from './bench-years.mjs';
import { startKitchen } from './throwaway.mjs';

const ms = (/** @type {number} */ value) => `${Math.round(value)} ms`;
const MB = 1024 * 1024;

/** @type {Record<string, object>} */
const HEADS = {
  '/api/import': {
    format: 'morning-crock-daybook',
    version: 1,
    exportedAt: new Date().toISOString(),
    kitchen: 'x',
    notice: 'x',
  },
  '/api/restore': {
    format: 'morning-crock-kitchen',
    version: 1,
    savedAt: new Date().toISOString(),
    kitchen: { id: '01YEARSKTCHN0000000000000A', name: 'x', zone: 'UTC' },
    notice: 'x',
  },
};
const MAKE = '01YEARSMAKE00000000000000A';
/** @typedef {'/api/import' | '/api/restore'} Door */
/** @param {Door} url @param {string} body what follows the head */
const file = (url, body) => `${JSON.stringify(HEADS[url]).slice(0, -1)},${body}`;
const times = (/** @type {string} */ text, /** @type {number} */ bytes) =>
  text.repeat(Math.ceil(bytes / text.length));

/** What, where to, and the file. @type {readonly (readonly [string, Door, () => string])[]} */
const FILES = [
  ['80,000 brackets', '/api/import', () => '['.repeat(80_000)],
  ['240,000 brackets', '/api/import', () => `${'['.repeat(240_000)}1${']'.repeat(240_000)}`],
  ['240,000 brackets in a make', '/api/import', () => file('/api/import', `"makes":[${'['.repeat(240_000)}`)],
  [
    'a make of 40 MB of "1,"',
    '/api/import',
    () => file('/api/import', `"makes":[{"id":"${MAKE}","events":[${times('1,', 40 * MB)}1]}]}`),
  ],
  [
    '21 MB of {} for makes',
    '/api/import',
    () => file('/api/import', `"makes":[${times('{},', 21 * MB)}{}]}`),
  ],
  [
    '21 MB of {} for entries',
    '/api/import',
    () => file('/api/import', `"makes":[{"id":"${MAKE}","events":[${times('{},', 21 * MB)}{}]}]}`),
  ],
  [
    'an entry of 3 MB',
    '/api/import',
    () => file('/api/import', `"makes":[{"id":"${MAKE}","events":[[${times('1,', 3 * MB)}1]]}]}`),
  ],
  [
    'entries of half a megabyte, 40 MB of them',
    '/api/import',
    () =>
      file(
        '/api/import',
        `"makes":[{"id":"${MAKE}","events":[${times(`{"type":"shaped","data":{"pieces":[${times('{},', 500_000)}{}]}},`, 40 * MB)}1]}]}`,
      ),
  ],
  [
    '40 MB that are passed over',
    '/api/import',
    () => file('/api/import', `"other":[${times('{"a":[1,2]},', 40 * MB)}1],"makes":[]}`),
  ],
  [
    'a million rows of nobody',
    '/api/import',
    () =>
      file(
        '/api/import',
        `"makes":[],"traces":[{"traceId":"${MAKE}","at":[${times('1700000000000,', 14_000_000)}1],"values":[1]}]}`,
      ),
  ],
  ['30 MB of [', '/api/restore', () => times('[', 30 * MB)],
  ['30 MB of [ for entries', '/api/restore', () => file('/api/restore', `"events":[${times('[', 30 * MB)}`)],
  [
    '21 MB of {} for entries',
    '/api/restore',
    () => file('/api/restore', `"events":[${times('{},', 21 * MB)}{}]}`),
  ],
];

/** @param {string} address @param {string} from another address of this computer */
async function asked(address, from) {
  const { hostname: host, port } = new URL(address);
  const began = performance.now();
  const socket = connect({ host, port: Number(port), localAddress: from });
  socket.on('error', () => undefined);
  socket.write(`GET / HTTP/1.1\r\nhost: ${host}:${port}\r\nconnection: close\r\n\r\n`);
  let answer = '';
  socket.on('data', (bytes) => (answer += String(bytes)));
  await once(socket, 'close');
  return { ms: performance.now() - began, ok: answer.startsWith('HTTP/1.1 200') };
}

/**
 * @param {(line: string) => void} say
 * @returns {Promise<string[][]>} rows: what, value, goal
 */
export async function benchHostile(say) {
  const kitchen = await startKitchen();
  const { address } = kitchen;
  /** @type {string[][]} */
  const rows = [];
  try {
    let most = 0;
    const memory = setInterval(() => {
      most = Math.max(most, kitchen.memory());
    }, 10);
    await fetch(`${address}/api/makes`).then((answer) => answer.arrayBuffer());
    const { held, end } = watchWaits(address);
    for (const [what, url, make] of FILES) {
      say(`${url}: ${what}`);
      const body = make();
      held();
      most = 0;
      const from = performance.now();
      const answer = await fetch(`${address}${url}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body,
      });
      const { code } = await answer.json();
      rows.push([
        `${url}: ${what}: ${answer.status} ${code ?? ''}, ${ms(performance.now() - from)}; others waited`,
        `${ms(held())}, ${Math.round(most / MB)} MB`,
        '≤ 100 ms, 400 MB',
      ]);
    }
    await end();
    clearInterval(memory);

    say('290 connections that lead nowhere');
    const { hostname: host, port } = new URL(address);
    const slow = `POST /api/join HTTP/1.1\r\nhost: ${host}:${port}\r\ncontent-type: application/json\r\ncontent-length: 900\r\n\r\n{`;
    const kinds = ['', 'GET / HT', slow, `GET /api/kitchen HTTP/1.1\r\nhost: ${host}:${port}\r\n\r\n`];
    for (const [who, addresses] of /** @type {const} */ ([
      ['one address', 1],
      ['twenty addresses', 20],
    ])) {
      const bad = Array.from({ length: 290 }, (_, i) => {
        const socket = connect({ host, port: Number(port), localAddress: `127.0.0.${2 + (i % addresses)}` });
        socket.on('error', () => undefined);
        socket.write(kinds[i % kinds.length] ?? '');
        return socket;
      });
      await new Promise((resolve) => setTimeout(resolve, 500));
      const waits = [];
      for (let i = 0; i < 20; i++) waits.push(await asked(address, `127.0.0.${200 + i}`));
      const own = [];
      for (let i = 0; i < 20; i++) own.push(await asked(address, '127.0.0.1'));
      const longest = Math.max(...[...waits, ...own].map((wait) => wait.ms));
      const good = [...waits, ...own].filter(({ ok }) => ok).length;
      rows.push([
        `290 connections of ${who}: ${good} of 40 good ones were answered, the slowest after`,
        ms(longest),
        '≤ 200 ms',
      ]);
      for (const socket of bad) socket.destroy();
    }
  } finally {
    await kitchen.end();
  }
  return rows;
}

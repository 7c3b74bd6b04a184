// The part of `npm run bench` that asks whether a kitchen lasts: ten years of entries, restored as a back-up would be,
// then what a maker does on any day.
import { createReadStream, createWriteStream } from 'node:fs';
import { once } from 'node:events';
import { Readable } from 'node:stream';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { startKitchen } from './throwaway.mjs';
import { benchYearsPage } from './bench-years-page.mjs';

const MAKES = 900;
/** Makes with a probe that spoke every ten seconds for a day. */
const PROBED = 22;
const READINGS = 8640;
const MILKINGS = 10_000;
const USUAL = { makes: MAKES, probed: PROBED, milkings: MILKINGS };
const DAY_MS = 86_400_000;
const YEARS_MS = 3650 * DAY_MS;

const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
/** @param {string} kind four letters @param {number} n an identity that no two things share */
function idOf(kind, n) {
  let tail = '';
  for (let left = n, i = 0; i < 10; i++, left = Math.floor(left / 32))
    tail = (LETTERS[left % 32] ?? '0') + tail;
  return `01YEARS${kind.padEnd(9, '0')}${tail}`;
}

/** A milking as it comes into the ledger. @param {string} name @param {string} source @param {boolean} forRecord */
const milking = (name, source, forRecord) => ({
  kind: 'intake',
  lot: {
    name,
    source,
    what: 'milk',
    kind: 'cow-lean',
    treatment: 'raw',
    homogenised: false,
    fatFraction: 0.04,
    feed: 'grass',
    costPerLitre: null,
    place: 'cold',
    placeC: 4,
    container: null,
  },
  litres: 6,
  typed: { value: 6, unit: 'L' },
  forRecord,
});

/**
 * @param {typeof import('../core/src/index.ts')} core
 * @param {number} endMs
 * @param {number} version of the entries
 * @param {{ makes: number, probed: number, milkings: number }} many
 */
function* entriesOfYears(core, endMs, version, { makes, probed: withProbe, milkings }) {
  const zeroMs = endMs - YEARS_MS;
  let n = 0;
  /** @param {string} streamId @param {number} ms @param {string} type @param {object} data */
  const entry = (streamId, ms, type, data, deviceId = 'bench') => {
    const at = new Date(Math.round(ms)).toISOString();
    n++;
    return {
      id: idOf('EVENT', n),
      streamId,
      at,
      cookId: null,
      deviceId,
      version,
      type,
      data,
      seq: n,
      receivedAt: at,
    };
  };
  const kitchen = core.defaultKitchen('UTC');
  for (let i = 0; i < milkings; i++)
    yield entry(idOf('MKNG', i), zeroMs + (i * YEARS_MS) / milkings, 'milk-moved', {
      ...milking(`Milking ${i}`, i % 2 === 0 ? 'One cow' : 'Other cow', true),
      litres: 6 + Math.sin(i / 90),
    });
  for (let i = 0; i < makes; i++) {
    const id = idOf('MAKE', i);
    const startMs = zeroMs + ((i + 1) * YEARS_MS) / (makes + 2);
    const hour = (/** @type {number} */ h) => startMs + h * 3_600_000;
    const probed = i >= makes - withProbe;
    const last = i === makes - 1;
    yield entry(id, startMs, 'make-started', {
      plan: { ...core.defaultPlan(kitchen, new Date(startMs).toISOString(), 2 + (i % 4)), name: `Make ${i}` },
    });
    for (const [k, step] of /** @type {const} */ (['pour', 'heat', 'hold', 'cool']).entries())
      yield entry(id, hour((k + 1) / 3), 'step-done', { step });
    yield entry(id, hour(1.6), 'starter-added', {
      massKg: 0.05,
      statedRatio: null,
      typed: { value: 50, unit: 'g' },
    });
    if (probed)
      for (let k = 0; k < READINGS; k++)
        yield entry(
          id,
          hour(1.7) + (k * (last ? 0.9 : 1) * DAY_MS) / READINGS,
          'temperature-read',
          {
            celsius: 42 + Math.sin(k / 500),
            instrument: 'probe',
            typed: { value: Math.round((42 + Math.sin(k / 500)) * 10) / 10, unit: 'C' },
          },
          'device:probe',
        );
    yield entry(id, hour(5), 'ph-read', {
      ph: 5.2 + (i % 5) / 10,
      instrument: 'meter',
      sigma: null,
      typed: { value: 5.2 + (i % 5) / 10, unit: 'pH' },
    });
    if (last) continue;
    yield entry(id, hour(7), 'step-done', { step: 'incubate' });
    yield entry(id, hour(26), 'weighed', { massKg: 2, typed: { value: 2000, unit: 'g' } });
    yield entry(id, hour(27), 'finished', { verdict: 'kept', reason: '' });
  }
}

/**
 * Brings ten years into an empty kitchen, as a back-up would.
 * @param {typeof import('../core/src/index.ts')} core
 * @param {{ address: string, dataDir: string }} kitchen
 * @param {number} endMs
 * @param {(line: string) => void} say
 * @param {{ makes: number, probed: number, milkings: number }} [many]
 */
export async function restoreYears(core, kitchen, endMs, say, many = USUAL) {
  const file = join(kitchen.dataDir, 'years.json');
  const out = createWriteStream(file);
  const head = JSON.stringify({
    format: 'morning-crock-kitchen',
    version: 1,
    savedAt: new Date().toISOString(),
    kitchen: { id: idOf('KTCHN', 1), name: 'Ten years', zone: 'UTC' },
    notice: 'made up',
  });
  out.write(`${head.slice(0, -1)},"events":[`);
  let count = 0;
  // The server says which version it writes.
  const { headers } = await fetch(`${kitchen.address}/api/kitchen`);
  const version = Number(headers.get('x-entry-version'));
  for (const event of entriesOfYears(core, endMs, version, many))
    if (!out.write(`${count++ === 0 ? '' : ','}${JSON.stringify(event)}`)) await once(out, 'drain');
  out.end('],"traces":[]}');
  await once(out, 'finish');
  say(`restoring ${count} entries`);
  const began = performance.now();
  /** @type {RequestInit & { duplex: 'half' }} */
  const upload = {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: /** @type {ReadableStream} */ (Readable.toWeb(createReadStream(file))),
    duplex: 'half',
  };
  const restored = await fetch(`${kitchen.address}/api/restore`, upload);
  if (!restored.ok) throw new Error(await restored.text());
  return { count, ms: performance.now() - began };
}

const middle = (/** @type {number[]} */ values) =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;
const ms = (/** @type {number} */ value) => `${Math.round(value)} ms`;

/**
 * Somebody asks for a trifle all the while, in a thread of their own: what it waits, others held the server.
 * @param {string} address
 */
export function watchWaits(address) {
  /** The longest wait, ms, and whether to go on. */
  const shared = new Int32Array(new SharedArrayBuffer(8));
  const watcher = new Worker(
    `const { workerData: { address, shared } } = require('node:worker_threads');
     (async () => {
       while (shared[1] === 0) {
         const from = performance.now();
         await (await fetch(address + '/api/nothing')).arrayBuffer();
         shared[0] = Math.max(shared[0], Math.round(performance.now() - from));
         await new Promise((resolve) => setTimeout(resolve, 10));
       }
     })();`,
    { eval: true, workerData: { address, shared } },
  );
  return {
    /** The longest that trifle waited since this was last asked, ms. */
    held: () => Atomics.exchange(shared, 0, 0),
    end: async () => {
      shared[1] = 1;
      await once(watcher, 'exit');
    },
  };
}

/**
 * @param {typeof import('../core/src/index.ts')} core
 * @param {(line: string) => void} say
 * @returns {Promise<string[][]>} rows: what, value, goal
 */
export async function benchYears(core, say) {
  say('starting a kitchen of ten years');
  const kitchen = await startKitchen();
  const { address } = kitchen;
  let running = kitchen;
  try {
    const endMs = Date.now() - 3_600_000;
    const { count, ms: restoreMs } = await restoreYears(core, kitchen, endMs, say);
    let most = 0;
    const memory = setInterval(() => {
      most = Math.max(most, kitchen.memory());
    }, 10);
    const { held, end } = watchWaits(address);
    /** @param {string} path @param {string} at where it is asked */
    const ask = async (path, at = address) => {
      const from = performance.now();
      const answer = await fetch(`${at}${path}`);
      const body = await answer.text();
      if (!answer.ok) throw new Error(`${path}: ${body}`);
      return performance.now() - from;
    };
    /** @type {string[][]} */
    const rows = [[`${count} entries restored`, ms(restoreMs), '']];
    await ask('/api/kitchen');
    held();
    for (const path of [
      '/api/makes',
      '/api/milk',
      '/api/cultures',
      '/api/factors',
      '/api/milk/days',
      '/api/milk/ledger?limit=400&offset=0',
    ]) {
      const cold = await ask(path);
      const coldHeld = held();
      const warm = [];
      for (let i = 0; i < 5; i++) warm.push(await ask(path));
      const [name = path] = path.split('?');
      rows.push([
        `${name} for the first time, and how long others waited`,
        `${ms(cold)}, ${ms(coldHeld)}`,
        '≤ 100 waited',
      ]);
      rows.push([
        `${name} again, and how long others waited`,
        `${ms(middle(warm))}, ${ms(held())}`,
        '≤ 300, 100',
      ]);
    }
    const long = idOf('MAKE', MAKES - 1);
    const short = idOf('MAKE', 10);
    let sent = 0;
    /** @param {string} streamId @param {string} type @param {object} data */
    const enter = async (streamId, type, data, id = idOf('NEW', ++sent)) => {
      const from = performance.now();
      const answer = await fetch(`${address}/api/events`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({
          events: [
            {
              id,
              streamId,
              at: new Date().toISOString(),
              cookId: null,
              deviceId: 'bench',
              version: 1,
              type,
              data,
            },
          ],
        }),
      });
      if (!answer.ok) throw new Error(await answer.text());
      await answer.arrayBuffer();
      return performance.now() - from;
    };
    const reading = { celsius: 42.1, instrument: 'hand', typed: { value: 42.1, unit: 'C' } };
    const entries = /** @type {const} */ ([
      [`a reading into a make with ${READINGS} of them`, () => enter(long, 'temperature-read', reading)],
      ['a note to it', () => enter(long, 'noted', { text: 'stirred' })],
      ['a note to a make of nine years ago', () => enter(short, 'noted', { text: 'read again' })],
      [
        'a reading taken back',
        async () => {
          const id = idOf('BACK', ++sent);
          await enter(long, 'temperature-read', reading, id);
          return enter(long, 'voided', { target: id });
        },
      ],
      ['a milking', () => enter(idOf('PART', ++sent), 'milk-moved', milking('Today', 'One cow', false))],
    ]);
    for (const [what, work] of entries) {
      const times = [];
      held();
      for (let i = 0; i < 9; i++) times.push(await work());
      rows.push([`${what}, and how long others waited`, `${ms(middle(times))}, ${ms(held())}`, '≤ 50, 100']);
    }
    const stream = idOf('MKNG', 5000);
    const { events } = await (await fetch(`${address}/api/events?stream=${stream}&limit=10`)).json();
    held();
    const lateMs = await enter(stream, 'corrected', {
      target: events[0].id,
      at: null,
      data: { ...events[0].data, litres: 7 },
    });
    rows.push([
      'a milking of five years ago corrected, and how long others waited',
      `${ms(lateMs)}, ${ms(held())}`,
      '≤ 100 waited',
    ]);
    for (const path of ['/api/makes', '/api/milk', '/api/factors'])
      rows.push([
        `${path} after all that, and how long others waited`,
        `${ms(await ask(path))}, ${ms(held())}`,
        '≤ 300, 100',
      ]);
    const began = performance.now();
    await ask('/api/backup');
    rows.push([
      'the whole kitchen out again, and how long others waited',
      `${ms(performance.now() - began)}, ${ms(held())}`,
      '≤ 100 waited',
    ]);
    clearInterval(memory);
    await end();
    rows.push(...(await benchYearsPage(address, long)));
    say('starting it again');
    await kitchen.stop();
    running = await startKitchen('own', kitchen.dataDir);
    await ask('/api/kitchen', running.address);
    for (const path of ['/api/makes', '/api/milk', '/api/cultures', '/api/larder', '/api/factors'])
      rows.push([`${path} for the first time after a start`, ms(await ask(path, running.address)), '≤ 300']);
    rows.push(['most memory the server took', `${Math.round(most / 1e6)} MB`, '≤ 450']);
    return rows;
  } finally {
    await running.end();
  }
}

// The part of `npm run bench` that needs the whole thing: a logger's file of 100,000 rows through the page, and the
// record of that make opened in Chromium. A kitchen of its own in a directory of its own.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { startKitchen } from './throwaway.mjs';
import { startBrowser } from './browser.mjs';

const ROWS = 100_000;
const MILKINGS = 10_000;

/** @param {string} kind @param {number} n an identity that no two things of the bench share */
const idOf = (kind, n) => `01BENCHBENCH${kind.padEnd(10, '0')}${String(n).padStart(4, '0')}`;

/**
 * @param {typeof import('../core/src/index.ts')} core
 * @param {(line: string) => void} say
 * @returns {Promise<[string, string, string][]>} rows: what, value, goal
 */
export async function benchPage(core, say) {
  say('starting a kitchen for the page’s part');
  const kitchen = await startKitchen();
  const { address, dataDir } = kitchen;
  try {
    const endMs = Date.now() - 60_000;
    const startMs = endMs - (ROWS + 3600) * 1000;
    const makeId = idOf('MAKE', 1);
    /** @param {number} n @param {number} ms @param {string} type @param {object} data */
    const event = (n, ms, type, data) => ({
      id: idOf('EVENT', n),
      streamId: makeId,
      at: new Date(ms).toISOString(),
      cookId: null,
      deviceId: 'bench',
      version: 1,
      type,
      data,
    });
    const plan = core.defaultPlan(core.defaultKitchen('UTC'), new Date(startMs).toISOString(), 4);
    const answer = await fetch(`${address}/api/events`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        events: [
          event(1, startMs, 'make-started', { plan }),
          ...['pour', 'heat', 'hold', 'cool'].map((step, i) =>
            event(2 + i, startMs + (i + 1) * 600_000, 'step-done', { step }),
          ),
          event(7, startMs + 3_000_000, 'starter-added', { massKg: 0.08, statedRatio: null, typed: null }),
          event(8, endMs, 'finished', { verdict: 'kept', reason: '' }),
        ],
      }),
    });
    if (!answer.ok) throw new Error(await answer.text());
    const file = join(dataDir, 'log.csv');
    const lines = Array.from({ length: ROWS }, (_, i) => {
      const at = new Date(startMs + (i + 60) * 1000).toISOString();
      return `${at.slice(8, 10)}.${at.slice(5, 7)}.${at.slice(0, 4)} ${at.slice(11, 19)};${(43 + Math.sin(i / 900)).toFixed(2).replace('.', ',')}`;
    });
    writeFileSync(file, ['time;temperature °C', ...lines].join('\n'));

    const browser = await startBrowser();
    const page = await browser.newPage();
    /** @param {string} words */
    const shows = (words) =>
      page.waitForFunction(
        (/** @type {string} */ w) => document.body.innerText.includes(w),
        { polling: 20, timeout: 60_000 },
        words,
      );
    await page.goto(`${address}/makes/${makeId}/file`);
    const input = await page.waitForSelector('input[type=file]');
    if (!input) throw new Error('no place for a file');
    const chosen = performance.now();
    await /** @type {import('puppeteer-core').ElementHandle<HTMLInputElement>} */ (input).uploadFile(file);
    await shows(`Store ${ROWS} readings`);
    const read = performance.now();
    await page.locator('.great').click();
    await shows(`${ROWS} readings stored`);
    const stored = performance.now();
    /** @type {number[]} */
    const opened = [];
    for (let i = 0; i < 5; i++) {
      await page.goto(`${address}/daybook`);
      await shows('Yield');
      const from = performance.now();
      await page.evaluate(
        (/** @type {string} */ path) =>
          document
            .querySelector(/** @type {string} */ (`a[href="${path}"]`))
            ?.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true })),
        `/daybook/${makeId}`,
      );
      await shows(`${ROWS} rows`);
      await page.waitForSelector('.curve canvas');
      opened.push(performance.now() - from);
    }
    const milk = await benchMilk(page, address, shows);
    await browser.close();
    const median = [...opened].sort((a, b) => a - b)[2] ?? 0;
    return [
      ['a file of 100,000 rows: chosen until understood', `${Math.round(read - chosen)} ms`, ''],
      ['the same: confirmed until stored', `${Math.round(stored - read)} ms`, ''],
      ['Total', `${Math.round(stored - chosen)} ms`, '≤ 5000'],
      ['its record, from the Daybook, with curve and trace', `${Math.round(median)} ms`, '≤ 1000'],
      ...milk,
    ];
  } finally {
    await kitchen.end();
  }
}

/**
 * Ten thousand milkings: the places opened from another one, and the ledger scrolled to its end.
 * @param {import('puppeteer-core').Page} page
 * @param {string} address
 * @param {(words: string) => Promise<unknown>} shows
 * @returns {Promise<[string, string, string][]>}
 */
async function benchMilk(page, address, shows) {
  const zero = Date.now() - (MILKINGS / 4) * 86_400_000;
  const rows = Array.from({ length: MILKINGS }, (_, i) => ({
    line: i + 2,
    at: new Date(zero + i * 21_600_000).toISOString(),
    source: i % 2 === 0 ? 'One cow' : 'Other cow',
    kind: 'cow-lean',
    litres: 6 + Math.sin(i / 90),
    fatFraction: null,
    note: '',
  }));
  const began = performance.now();
  const answer = await fetch(`${address}/api/milk/milkings`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ rows, deviceId: 'bench' }),
  });
  if (!answer.ok) throw new Error(await answer.text());
  const storedMs = performance.now() - began;
  await fetch(`${address}/api/milk`);
  /** @param {string} path */
  const follow = (path) =>
    page.evaluate(
      (/** @type {string} */ p) =>
        document
          .querySelector(/** @type {string} */ (`a[href="${p}"]`))
          ?.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true })),
      path,
    );
  /** @param {string} before @param {string} there @param {string} path @param {string} words */
  const opening = async (before, there, path, words) => {
    /** @type {number[]} */
    const times = [];
    for (let i = 0; i < 5; i++) {
      await follow(before);
      await shows(there);
      const from = performance.now();
      await follow(path);
      await shows(words);
      times.push(Math.round(performance.now() - from));
    }
    return [...times].sort((x, y) => x - y)[2] ?? 0;
  };
  await page.reload();
  const roomMs = await opening('/daybook', 'Yield', '/milk', 'No milk yet.');
  const ledgerMs = await opening('/milk', 'No milk yet.', '/milk/ledger', 'received');
  const monthsMs = await opening('/milk', 'No milk yet.', '/milk/months', 'In four weeks');
  await follow('/milk/ledger');
  await shows('received');
  const frames = await page.evaluate(async () => {
    const box = document.querySelector('.ledger-box');
    if (!box) throw new Error('no ledger');
    /** @type {number[]} */
    const gaps = [];
    let last = performance.now();
    for (let i = 0; i < 240; i++) {
      box.scrollTop += 900;
      await new Promise((resolve) => requestAnimationFrame(() => resolve(undefined)));
      const at = performance.now();
      gaps.push(at - last);
      last = at;
    }
    return gaps.sort((a, b) => a - b);
  });
  const at = (/** @type {number} */ share) =>
    Math.round(frames[Math.floor(share * (frames.length - 1))] ?? 0);
  return [
    [`${MILKINGS} milkings stored`, `${Math.round(storedMs)} ms`, ''],
    ['one of them corrected, held against all', `${Math.round(await benchCorrection(address))} ms`, ''],
    ['with them, the milk room from the Daybook', `${roomMs} ms`, '≤ 1000'],
    ['its ledger', `${ledgerMs} ms`, '≤ 1000'],
    ['its months', `${monthsMs} ms`, '≤ 1000'],
    ['a frame while the ledger is scrolled: median, 95 in 100', `${at(0.5)}, ${at(0.95)} ms`, '≤ 16, 50'],
  ];
}

/**
 * One old milking corrected: the whole log is gone through with it and without it.
 * @param {string} address
 * @returns {Promise<number>} ms, the median of five
 */
async function benchCorrection(address) {
  const first = await fetch(`${address}/api/events?limit=1000`);
  const { events } = await first.json();
  const targets = events.filter((/** @type {{ type: string }} */ e) => e.type === 'milk-moved').slice(0, 5);
  /** @type {number[]} */
  const times = [];
  for (const [i, target] of targets.entries()) {
    const began = performance.now();
    const answer = await fetch(`${address}/api/events`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        events: [
          {
            id: `01HZZZZZZZZZZZZZZZZZZZZZ${String(i).padStart(2, '0')}`,
            streamId: target.streamId,
            at: new Date().toISOString(),
            cookId: null,
            deviceId: 'bench',
            version: 1,
            type: 'corrected',
            data: { target: target.id, at: null, data: { ...target.data, litres: 7 } },
          },
        ],
      }),
    });
    if (!answer.ok) throw new Error(await answer.text());
    times.push(performance.now() - began);
  }
  return times.sort((a, b) => a - b)[2] ?? 0;
}

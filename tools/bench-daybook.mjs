// The part of `npm run bench` that asks how a Daybook of ten thousand makes opens: worked out for the first time, after the
// server was started again, and on the page.
import { startBrowser } from './browser.mjs';
import { restoreYears } from './bench-years.mjs';
import { startKitchen } from './throwaway.mjs';

const MAKES = 10_000;
/** Working ten thousand of them out for the first time may take minutes. */
const FIRST_MS = 900_000;
const ms = (/** @type {number} */ value) => `${Math.round(value)} ms`;

/** @param {string} address @param {string} path */
async function ask(address, path) {
  const from = performance.now();
  // Asked again while it works: a single request may not wait so long.
  for (;;) {
    const answer = await fetch(`${address}${path}`).catch(() => null);
    const bytes = answer?.ok ? (await answer.arrayBuffer()).byteLength : 0;
    const took = performance.now() - from;
    if (answer?.ok) return { took, bytes };
    if (took > FIRST_MS) throw new Error(`${path} was not answered`);
  }
}

/**
 * @param {typeof import('../core/src/index.ts')} core
 * @param {(line: string) => void} say
 * @returns {Promise<string[][]>} rows: what, value, goal
 */
export async function benchDaybook(core, say) {
  say(`starting a kitchen of ${MAKES} makes`);
  let kitchen = await startKitchen();
  const { dataDir } = kitchen;
  try {
    const many = { makes: MAKES, probed: 0, milkings: 0 };
    await restoreYears(core, kitchen, Date.now() - 3_600_000, say, many);
    say('working them out for the first time');
    const first = await ask(kitchen.address, '/api/makes');
    await kitchen.stop();
    say('starting it again');
    kitchen = await startKitchen('own', dataDir);
    const again = await ask(kitchen.address, '/api/makes');
    const warm = await ask(kitchen.address, '/api/makes');
    const recent = await ask(kitchen.address, '/api/makes?latest=30');
    const browser = await startBrowser();
    try {
      const page = await browser.newPage();
      const shows = (/** @type {string} */ words) =>
        page.waitForFunction(
          (/** @type {string} */ w) => document.body.innerText.includes(w),
          { polling: 10, timeout: 60_000 },
          words,
        );
      await page.goto(kitchen.address);
      await shows('Next 24 hours');
      await new Promise((resolve) => setTimeout(resolve, 4000));
      /** @param {string} path @param {string} words */
      const follow = async (path, words) => {
        const from = performance.now();
        await page.evaluate((/** @type {string} */ p) => {
          const link = document.querySelector(`a[href^="${p}"]`);
          link?.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
        }, path);
        await shows(words);
        return performance.now() - from;
      };
      const opened = await follow('/daybook', 'Yield');
      const answered = await follow('/daybook/answers', 'Where does your hands-on time go?');
      const added = await follow('/daybook/costs', 'kW·h of the burners');
      return [
        [`${MAKES} makes worked out for the first time`, `${(first.took / 1000).toFixed(0)} s`, ''],
        [
          'the list after a start, and its size',
          `${ms(again.took)}, ${Math.round(again.bytes / 1e5) / 10} MB`,
          '',
        ],
        ['the list again', ms(warm.took), '≤ 300'],
        ['what the Bench asks', ms(recent.took), '≤ 100'],
        ['the Daybook opened on the page', ms(opened), '≤ 1000'],
        ['its answers', ms(answered), '≤ 1000'],
        ['its costs', ms(added), '≤ 1000'],
      ];
    } finally {
      await browser.close();
    }
  } finally {
    await kitchen.end();
  }
}

// What the page costs on a kitchen of ten years: at rest, with its list of all makes, and in a make with a day of a probe.
import { startBrowser } from './browser.mjs';

const IDLE_S = 10;

/** Notes the gaps between frames from now on; a page at rest is not to be kept awake by it. */
function watchFrames() {
  /** @type {number[]} */
  const gaps = [];
  Object.assign(globalThis, { gaps });
  let last = performance.now();
  const look = () => {
    const at = performance.now();
    gaps.push(at - last);
    last = at;
    requestAnimationFrame(look);
  };
  requestAnimationFrame(look);
}

/**
 * @param {string} address
 * @param {string} longMake a make under way with thousands of readings
 * @returns {Promise<string[][]>} rows: what, value, goal
 */
export async function benchYearsPage(address, longMake) {
  const browser = await startBrowser();
  try {
    const page = await browser.newPage();
    /** @param {string} words */
    const shows = (words) =>
      page.waitForFunction(
        (/** @type {string} */ w) => document.body.innerText.includes(w),
        { polling: 20, timeout: 60_000 },
        words,
      );
    /** The longest frame since this was last asked, ms. @returns {Promise<number>} */
    const longest = () =>
      page.evaluate(() => {
        const { gaps } = /** @type {{ gaps: number[] }} */ (/** @type {unknown} */ (globalThis));
        return Math.max(0, ...gaps.splice(0));
      });
    const rest = (/** @type {number} */ ms) => new Promise((resolve) => setTimeout(resolve, ms));
    await page.goto(address);
    await shows('Next 24 hours');
    await rest(5000);
    const before = await page.metrics();
    await rest(IDLE_S * 1000);
    const after = await page.metrics();
    const idleMs = (((after.ScriptDuration ?? 0) - (before.ScriptDuration ?? 0)) * 1000) / IDLE_S;

    /** @param {string} path */
    const follow = (path) =>
      page.evaluate((/** @type {string} */ p) => {
        const link = document.querySelector(`a[href="${p}"]`);
        link?.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
      }, path);
    let from = performance.now();
    await follow('/daybook');
    await shows('Yield');
    const daybookMs = performance.now() - from;
    await rest(500);
    await page.evaluate(watchFrames);
    await page.evaluate(async () => {
      const place = document.getElementById('place');
      for (let i = 0; place && i < 120; i++) {
        place.scrollTop += 400;
        await new Promise((resolve) => requestAnimationFrame(resolve));
      }
    });
    const scrollMs = await longest();
    const rows = await page.$$eval('.ledger tbody tr', (all) => all.length);

    from = performance.now();
    await page.goto(`${address}/makes/${longMake}`);
    // The shelf shows its picture of it sooner: it is open when its own page takes entries.
    await page.waitForFunction(() => document.getElementById('place')?.innerText.includes('Note'), {
      polling: 20,
      timeout: 60_000,
    });
    const makeMs = performance.now() - from;
    await rest(5000);
    // Whoever looks a field up by its name has the browser build its tree of names, which no maker's browser does.
    const note = await page.waitForSelector('::-p-aria(Note)');
    await note?.type('seen');
    await rest(1500);
    await page.evaluate(watchFrames);
    await page.keyboard.press('Enter');
    await shows('seen');
    await rest(1500);
    const noteMs = await longest();
    const ms = (/** @type {number} */ value) => `${value.toFixed(value < 20 ? 1 : 0)} ms`;
    return [
      ['script a second of the Bench at rest', ms(idleMs), '≤ 5'],
      ['the Daybook of all makes opened', `${ms(daybookMs)}, ${rows} rows drawn`, '≤ 1000'],
      ['the longest frame while it is scrolled', ms(scrollMs), ''],
      ['a make with a day of a probe opened', ms(makeMs), ''],
      ['the longest frame while a note is added to it', ms(noteMs), ''],
    ];
  } finally {
    await browser.close();
  }
}

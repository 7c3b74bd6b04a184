// The part of `npm run bench` about how smooth the page is: frames while a churning's heat is turned, while the churn moves, and
// while a practice goes by at an hour a second.
import { startKitchen } from './throwaway.mjs';
import { startBrowser } from './browser.mjs';

/** As often as a finger moves a slider, and for some seconds. */
const TURNS = 120;
const LOOKS = 240;
/** Of a practice in its fastest pace. */
const FAST = 300;

/**
 * The gaps between frames while something is done in each of them, sorted, ms.
 * @param {import('puppeteer-core').Page} page
 * @param {string | null} slider the beginning of a slider's label; `null` does nothing
 * @param {number} count
 * @returns {Promise<number[]>}
 */
function gaps(page, slider, count) {
  return page.evaluate(
    async (label, frames) => {
      const field =
        label === null
          ? null
          : [...document.querySelectorAll('input[type=range]')].find((e) =>
              /** @type {HTMLInputElement} */ (e).labels?.[0]?.textContent?.startsWith(label),
            );
      if (label !== null && !field) throw new Error(`no slider ${label}`);
      /** @type {number[]} */
      const all = [];
      const frame = () => new Promise((resolve) => requestAnimationFrame(resolve));
      await frame();
      let last = performance.now();
      for (let i = 0; i < frames; i++) {
        if (field) {
          // There and back, half a degree a frame.
          Reflect.set(HTMLInputElement.prototype, 'value', String(10 + Math.abs((i % 24) - 12) / 2), field);
          field.dispatchEvent(new Event('input', { bubbles: true }));
        }
        await frame();
        const at = performance.now();
        all.push(at - last);
        last = at;
      }
      return all.sort((a, b) => a - b);
    },
    slider,
    count,
  );
}

/** @param {number[]} sorted @param {number} share */
const at = (sorted, share) => (sorted[Math.floor(share * (sorted.length - 1))] ?? 0).toFixed(0);

/**
 * @param {(line: string) => void} say
 * @returns {Promise<[string, string, string][]>} rows: what, value, goal
 */
export async function benchFrames(say) {
  say('counting frames of a churning');
  const kitchen = await startKitchen();
  const browser = await startBrowser();
  try {
    const page = await browser.newPage();
    await page.setViewport({ width: 1280, height: 800 });
    await page.goto(`${kitchen.address}/new?make=butter`);
    await page.waitForFunction(() => document.body.innerText.includes('fat lost to buttermilk'));
    // The churn's own part is folded until somebody opens it.
    await page.evaluate(() => {
      for (const part of document.querySelectorAll('summary, button[aria-expanded=false]'))
        if (part.textContent?.startsWith('Churn')) /** @type {HTMLElement} */ (part).click();
    });
    await page.waitForFunction(() =>
      [...document.querySelectorAll('label')].some((label) => label.textContent?.startsWith('Churning temp')),
    );
    const turned = await gaps(page, 'Churning temperature', TURNS);
    /** @param {string} words */
    const press = async (words) => {
      const point = await page.waitForFunction(
        (called) => {
          const button = [...document.querySelectorAll('button')].find(
            (b) => b.innerText.trim() === called && !b.disabled,
          );
          button?.click();
          return button !== undefined;
        },
        {},
        words,
      );
      await point.dispose();
    };
    for (const words of ['Start batch', 'Cream is out', 'Ready to churn']) await press(words);
    await page.waitForFunction(() => document.querySelector('.churn-panel') !== null);
    const moving = await gaps(page, null, LOOKS);
    say('counting frames of a practice');
    // A souring, with the forecast's curve beside what is seen.
    await page.goto(`${kitchen.address}/practice/cold-warmer?n=1`);
    await page.waitForFunction(() => document.querySelector('.curve canvas') !== null);
    await press('1 h');
    const fast = await gaps(page, null, FAST);
    return [
      [
        'a frame while the heat of a churning is turned: median, 95 in 100, longest',
        `${at(turned, 0.5)}, ${at(turned, 0.95)}, ${at(turned, 1)} ms`,
        '≤ 16',
      ],
      [
        'a frame while the churn moves: median, 95 in 100, longest',
        `${at(moving, 0.5)}, ${at(moving, 0.95)}, ${at(moving, 1)} ms`,
        '≤ 16',
      ],
      [
        'a frame of a practice at an hour a second: median, 95 in 100, longest',
        `${at(fast, 0.5)}, ${at(fast, 0.95)}, ${at(fast, 1)} ms`,
        '≤ 16',
      ],
    ];
  } finally {
    await browser.close();
    await kitchen.end();
  }
}

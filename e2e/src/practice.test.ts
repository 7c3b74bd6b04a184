import { afterAll, afterEach, beforeAll, beforeEach, expect, test } from '@jest/globals';
import type { Browser, Page } from 'puppeteer-core';
import { rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  goTo,
  keepSaved,
  openTablet,
  PATIENCE_MS,
  savedText,
  see,
  startBrowser,
  tap,
  upload,
  type Tablet,
} from './browser.ts';
import { createWorld, type World } from './world.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let browser: Browser;
let world: World;
let tablet: Tablet;

beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());
beforeEach(async () => {
  world = await createWorld(START);
});
afterEach(async () => {
  expect(tablet.strayRequests).toEqual([]);
  expect(tablet.faults).toEqual([]);
  await tablet.close();
  // Nothing of a practice is in the database.
  expect(await world.kitchen.rows('event', 'type <> ?', ['kitchen-changed'])).toEqual([]);
  await world.close();
});

const text = (page: Page, selector: string): Promise<string> =>
  page.evaluate((of: string) => document.querySelector<HTMLElement>(of)?.innerText ?? '', selector);

/** Waits for something of the simulation; the clock of the page goes on meanwhile. */
async function until(what: string, is: () => Promise<boolean>): Promise<void> {
  for (const began = Date.now(); Date.now() - began < PATIENCE_MS;) {
    if (await is()) return;
    await new Promise((resolve) => setTimeout(resolve, 40));
  }
  throw new Error(`${what} did not happen`);
}

/** Measures, and reads the number. */
async function measured(page: Page): Promise<number> {
  await tap(page, 'button', 'Thermometer');
  await until('a reading', async () => /\d/.test(await text(page, '.hands-said')));
  return Number.parseFloat(await text(page, '.hands-said'));
}
/** Minutes of the practice's clock since midnight. */
async function minutes(page: Page): Promise<number> {
  const [, hours = '0', rest = '0'] = /(\d+):(\d+)/.exec(await text(page, '.practice-clock')) ?? [];
  return Number(hours) * 60 + Number(rest);
}
/** Lets the clock go for so many minutes at a speed, and stops it; sooner, where it stops by itself. */
async function letGo(page: Page, speed: string, forMin: number): Promise<void> {
  const from = await minutes(page);
  await tap(page, 'button', `${speed} a second`);
  await until(`${forMin} min`, async () => {
    const stopped = await page.evaluate(() => document.querySelector('.practice-stopped') !== null);
    return stopped || (await minutes(page)) >= from + forMin;
  });
  await tap(page, 'button', 'Stop');
}

test('a lesson is failed and then won, on the screens of a batch; this device remembers', async () => {
  tablet = await openTablet(browser, `${world.address}/`);
  const { page } = tablet;
  const posted: string[] = [];
  page.on('request', (request) => {
    if (request.method() === 'POST') posted.push(request.url());
  });
  await tap(page, 'link', 'Practise on a simulated crock');
  await see(page, 'Start the first lesson');
  await goTo(page, '/practice/heat-and-hold?n=2');
  await see(page, 'Bring 2.3 L of milk to 85 °C');
  // Full heat, nobody stirs, nobody looks: the clock stops when it rises.
  await tap(page, 'button', 'Full');
  await tap(page, 'button', '10 min a second');
  await see(page, 'The milk is rising.');
  await see(page, 'It smells caught.');
  await tap(page, 'button', 'End practice');
  await see(page, 'Not every goal was reached.');
  await see(page, 'The burner gave much more than usual.');
  await see(page, 'What cost most');
  await tap(page, 'button', 'Try again');

  await see(page, 'Ends with “Held long enough”.');
  await tap(page, 'button', 'Medium');
  for (let tries = 0; tries < 40; tries++) {
    await tap(page, 'button', 'Stir');
    const celsius = await measured(page);
    if (celsius >= 85) break;
    await letGo(page, '1 min', celsius > 78 ? 1 : 3);
  }
  await tap(page, 'button', 'Hot enough');
  await see(page, 'For 10 min');
  const heldFrom = await minutes(page);
  while ((await minutes(page)) < heldFrom + 11) {
    const celsius = await measured(page);
    await tap(page, 'button', celsius > 86.5 ? 'Off' : celsius < 85.5 ? 'Medium' : 'Low');
    await tap(page, 'button', 'Stir');
    await letGo(page, '1 min', 1);
  }
  await tap(page, 'button', 'Held long enough');
  await see(page, 'You reached every goal.');
  await see(page, 'Go on to “Cool to the right moment”');
  await tap(page, 'link', 'All lessons');
  await see(page, 'Reached, 2 tries');
  await see(page, 'Go on: Cool to the right moment');
  expect(posted).toEqual([]);
});

test('free practice without the server: cream churned too cold, helped by warm water, and stepped back from', async () => {
  tablet = await openTablet(
    browser,
    `${world.address}/practice/free?method=butter&troubles=slow-churn&level=2&n=4`,
  );
  const { page } = tablet;
  await see(page, 'Take the cream out');
  // The worker has its program before the server goes.
  await until('the first picture', () =>
    page.evaluate(() => document.querySelector('.now-look svg') !== null),
  );
  await world.goAway();
  await tap(page, 'button', 'Cream is out');
  // Straight from the fridge into the jar.
  await tap(page, 'button', 'Ready to churn');
  await see(page, 'Stop: cream has broken');
  expect(await measured(page)).toBeLessThan(9);
  await letGo(page, '10 min', 20);
  await tap(page, 'button', 'What would you look at?');
  await until('the coach', async () => (await text(page, '.coach-said')).length > 10);
  await tap(page, 'button', 'Warm water');
  for (let tries = 0; tries < 30 && (await measured(page)) < 12; tries++) await letGo(page, '1 min', 2);
  await tap(page, 'button', 'No water');
  // Step back once: it is in the water again.
  await tap(page, 'button', 'Step back');
  await until('back', () =>
    page.evaluate(() =>
      [...document.querySelectorAll('[aria-pressed="true"]')].some((b) => b.textContent === 'Warm water'),
    ),
  );
  await tap(page, 'button', 'No water');
  // By eye: grains in thin milk.
  const broken = (): Promise<boolean> =>
    page.evaluate(() => document.querySelectorAll('.now-look .churn-drawing circle').length > 10);
  for (let tries = 0; tries < 60 && !(await broken()); tries++) await letGo(page, '1 min', 1);
  await tap(page, 'button', 'Stop: cream has broken');
  await see(page, 'Drained, not weighed');
  await tap(page, 'button', 'End practice');
  await see(page, 'fat left in the buttermilk');
  await see(page, 'You stepped back once. You asked for help once.');
  await see(page, 'This cream took longer to break than usual.');
  await world.comeBack();
});

test('two batches by one clock; the same number is the same world, kept as a file and opened again', async () => {
  tablet = await openTablet(browser, `${world.address}/practice/two-things?n=3`);
  const { page } = tablet;
  await see(page, 'Two things at once.');
  await tap(page, 'button', 'Full');
  await tap(page, 'button', 'Butter');
  await see(page, 'Stop: cream has broken');
  await letGo(page, '1 min', 2);
  const cream = await measured(page);
  await tap(page, 'button', 'Yogurt');
  expect(await measured(page)).toBeGreaterThan(cream);
  const here = await minutes(page);
  await tap(page, 'button', 'End practice');
  await see(page, 'World number 3.');
  const came = await text(page, '.practice-score');
  await keepSaved(page);
  await tap(page, 'button', 'Download practice');
  const file = join(tmpdir(), `practice-${String(process.pid)}.json`);
  writeFileSync(file, await savedText(page));
  await goTo(page, '/practice');
  await see(page, 'Open practice file');
  await upload(page, file);
  await see(page, 'World number 3.');
  // Opened again, it is judged as it was.
  expect(await text(page, '.practice-score')).toBe(came);
  rmSync(file);
  await goTo(page, '/practice');
  // It was tried once, and looked at again.
  await see(page, 'Not reached yet, 1 try');
  await goTo(page, '/practice/two-things?n=3');
  await tap(page, 'button', 'Butter');
  await see(page, 'Stop: cream has broken');
  await letGo(page, '1 min', here - 7 * 60);
  expect(Math.abs((await measured(page)) - cream)).toBeLessThan(1.5);
});

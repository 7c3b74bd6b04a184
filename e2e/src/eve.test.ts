import { afterAll, afterEach, beforeAll, beforeEach, expect, test } from '@jest/globals';
import type { EventOf, EventType } from '@morning-crock/core/contract';
import type { Browser } from 'puppeteer-core';
import { choose, fill, openTablet, see, setClock, startBrowser, tap, type Tablet } from './browser.ts';
import { createWorld, type World } from './world.ts';
import { HOUR_MS } from '@morning-crock/core';

const START = Date.parse('2026-03-02T19:00:00.000Z');
const OPENS = Date.parse('2026-03-03T08:00:00.000Z');
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
  await world.close();
});

const stored = <T extends EventType>(type: T, wanted: number) =>
  world.stored<EventOf<T>['data']>(type, wanted);
test('planned the evening before, the kefir may begin tonight, and the rest in the morning', async () => {
  tablet = await openTablet(browser, `${world.address}/day`);
  const { page } = tablet;
  await fill(page, 'Start on', '03.03.2026', 'textbox');
  await setClock(page, 'at', '08:00');
  for (const method of ['kefir', 'yogurt']) {
    await choose(page, 'Product and method', method);
    await tap(page, 'button', 'Add batch');
  }
  await see(page, /Finished by (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  await tap(page, 'button', 'What would help?');
  await see(page, /Kefir: start it before the rest, on Mon 2 Mar at \d\d:\d\d/);
  await page.evaluate(() =>
    document.querySelector<HTMLElement>('button[aria-label^="Use: Kefir: start it before"]')!.click(),
  );
  await see(page, 'Starts before the rest');
  await see(page, /Finished by (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  await tap(page, 'button', 'Start all batches');
  const begun = await stored('make-started', 2);
  const startsMs = (name: string): number =>
    Date.parse(begun.find(({ data }) => data.plan.name === name)!.data.plan.startAt);
  expect(startsMs('Kefir')).toBeLessThan(START + 4 * HOUR_MS);
  expect(startsMs('Yogurt')).toBeGreaterThanOrEqual(OPENS);
  // Nothing of it is at another time because the day begins in the evening.
  const [day] = await stored('day-changed', 1);
  expect(day!.data).toMatchObject({
    kind: 'laid',
    day: { zeroAt: new Date(startsMs('Kefir')).toISOString() },
  });
  await page.waitForFunction(() => location.pathname === '/');
});

import { afterAll, afterEach, beforeAll, beforeEach, expect, test } from '@jest/globals';
import type { EventOf, EventType } from '@morning-crock/core/contract';
import type { Browser } from 'puppeteer-core';
import { fill, named, openTablet, see, seeNoMore, startBrowser, tap, type Tablet } from './browser.ts';
import { createWorld, type World } from './world.ts';

const START = Date.parse('2026-03-02T08:00:00.000Z');
let browser: Browser;
let world: World;
let tablet: Tablet;

beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());
beforeEach(async () => {
  world = await createWorld(START);
  tablet = await openTablet(browser, `${world.address}/day`);
});
afterEach(async () => {
  expect(tablet.strayRequests).toEqual([]);
  expect(tablet.faults).toEqual([]);
  await tablet.close();
  await world.close();
});

const stored = <T extends EventType>(type: T, wanted: number) =>
  world.stored<EventOf<T>['data']>(type, wanted);
async function putIn(method: string): Promise<void> {
  await (await named(tablet.page, 'Another')).select(method);
  await tap(tablet.page, 'button', 'Put it in');
}
/** The times of all hands as the list tells them. */
const clocks = (): Promise<string[]> =>
  tablet.page.$$eval('.day-list li', (rows) => rows.map((row) => (row as HTMLElement).innerText));

test('two makes are laid out so that no hands are at both, and begun as they were laid out', async () => {
  const { page } = tablet;
  await see(page, 'Put in what you want to make');
  await putIn('yogurt');
  await putIn('yogurt');
  await see(page, 'Yogurt 2');
  await fill(page, 'How much, Yogurt', '3');
  await see(page, /Pour the milk\s+Yogurt 2/);
  await see(page, /Done (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  await see(page, /there is no earlier way|at the very best/);
  await page.evaluate(() =>
    document.querySelector<HTMLElement>('.day-list li:nth-child(2) summary')!.click(),
  );
  await see(page, /As soon as what is before it is over|Hands were at something else until then|As early as/);
  await see(page, /5(\.00)? L milk\s+Yogurt, Yogurt 2/);
  const told = await clocks();
  expect(told.filter((row) => row.includes('Pour the milk'))).toHaveLength(2);
  // What is put together outlives the page.
  await page.reload();
  await see(page, /Pour the milk\s+Yogurt 2/);
  await see(page, /Done (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  const again = await clocks();
  const pours = again.filter((row) => row.includes('Pour the milk'));
  expect(new Set(pours.map((row) => row.slice(0, 5))).size).toBe(2);
  await tap(page, 'button', 'Begin this day');
  const begun = await stored('make-started', 2);
  expect(begun.map(({ data }) => data.plan.name).sort()).toEqual(['Yogurt', 'Yogurt 2']);
  expect(begun.find(({ data }) => data.plan.name === 'Yogurt')!.data.plan.milk.litres).toBeCloseTo(3, 2);
  for (const { data } of begun) {
    const clock = data.plan.startAt.slice(11, 16);
    expect(pours.some((row) => row.startsWith(clock))).toBe(true);
  }
  await stored('planned', 2);
  await page.waitForFunction(() => location.pathname === '/');
});

test('what goes on after the days chosen is told; too much of one is refused beside its field', async () => {
  const { page } = tablet;
  await putIn('washed-curd');
  await see(page, /Cheese goes on: .+ about/);
  await (await named(page, 'Within')).select('1');
  await see(page, /Done (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  await fill(page, 'How much, Cheese', '70');
  await see(page, 'That is more than 60 L.');
  await tap(page, 'button', 'Cheese: take out');
  await seeNoMore(page, 'Begin this day');
  await see(page, 'Put in what you want to make');
});

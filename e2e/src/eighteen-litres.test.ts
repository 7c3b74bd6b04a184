import { afterAll, afterEach, beforeAll, beforeEach, expect, test } from '@jest/globals';
import type { EventOf, EventType } from '@morning-crock/core/contract';
import type { Browser } from 'puppeteer-core';
import { ulid } from 'ulid';
import { draft, intakeDraft } from '@morning-crock/server/testing';
import {
  choose,
  fill,
  openTablet,
  see,
  seeNoMore,
  setClock,
  startBrowser,
  tap,
  unfold,
  type Tablet,
} from './browser.ts';
import { createWorld, type World } from './world.ts';
import { HOUR_MS, MINUTE_MS } from '@morning-crock/core';

/** Eighteen litres in the middle of the day. */
const START = Date.parse('2026-03-09T13:00:00.000Z');
let browser: Browser;
let world: World;
let tablet: Tablet;

beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());
beforeEach(async () => {
  world = await createWorld(START);
  const { kitchenId } = world.kitchen;
  const pot = (name: string, litres: number) => ({ id: ulid(START), name, litres, lossFactor: 1 });
  await world.send(
    draft(kitchenId, START, 'kitchen-changed', {
      section: 'pots',
      value: [pot('Little pan', 2.5), pot('Middle pot', 5), pot('Tall can', 9)],
    }),
  );
  await world.send(
    draft(kitchenId, START, 'kitchen-changed', {
      section: 'cooks',
      value: [{ id: ulid(START), name: 'Wren', sleepFrom: '22:30', sleepTo: '06:00' }],
    }),
  );
  await world.send(
    intakeDraft(ulid(START), 18, START - 3 * HOUR_MS, { name: 'This morning', place: 'cold' }),
  );
  await world.send(
    intakeDraft(ulid(START), 3, START - 30 * HOUR_MS, {
      name: 'Cream pot',
      what: 'cream',
      fatFraction: 0.34,
      place: 'cold',
    }),
  );
  tablet = await openTablet(browser, `${world.address}/larder/wanted`);
});
afterEach(async () => {
  expect(tablet.strayRequests).toEqual([]);
  expect(tablet.faults).toEqual([]);
  await tablet.close();
  await world.close();
});

const stored = <T extends EventType>(type: T, wanted: number) =>
  world.stored<EventOf<T>['data']>(type, wanted);
const batches = (aim: string): Promise<string[]> =>
  tablet.page.$$eval(`[aria-label="Batches: ${aim}"] li`, (rows) =>
    rows.map((row) => (row as HTMLElement).innerText),
  );

test('eighteen litres at one o’clock: what is missing is told, a day is suggested, changed, begun and followed until it is late, put off and put back', async () => {
  const { page } = tablet;
  // The stall takes butter on Thursday; some yogurt should always be there.
  await choose(page, 'Product', 'butter');
  await fill(page, 'Amount to have', '0.7');
  await choose(page, 'Amount to have: unit', 'kg');
  await choose(page, 'When', '4');
  await tap(page, 'button', 'Add');
  await see(page, /Butter\s+700 g\s+every Thursday\s+700 g/);
  await choose(page, 'Product', 'yogurt');
  await fill(page, 'Amount to have', '2');
  await choose(page, 'When', '');
  await tap(page, 'button', 'Add');
  await see(page, /Yogurt\s+2\.00 kg\s+always\s+2\.00 kg/);
  const [, wanted] = (await stored('kitchen-changed', 4)).slice(-2);
  expect(wanted!.data).toMatchObject({
    section: 'wanted',
    value: [
      { product: 'butter', massKg: 0.7, on: 4 },
      { product: 'yogurt', massKg: 2, on: null },
    ],
  });

  // A day is suggested from what stands in the milk room.
  await tap(page, 'link', 'Day');
  await see(page, 'What shall I make?');
  await tap(page, 'button', 'Add hours in the kitchen');
  await setClock(page, 'In the kitchen from', '13:00');
  await setClock(page, 'In the kitchen to', '17:00');
  await tap(page, 'button', 'More products');
  for (const product of ['Kefir', 'Fresh cheese', 'Skyr']) await tap(page, 'checkbox', product);
  await tap(page, 'button', 'Suggest a day');
  await see(page, 'Use everything up');
  const missing = await batches('Make what is missing');
  expect(missing.join()).toMatch(/Butter 1\.\d L of cream \(700 g missing for Thu 12 Mar\)/);
  expect(missing.join()).toMatch(/Yogurt (2|1\.9) L \(2\.00 kg missing\)/);
  const everything = await batches('Use everything up');
  expect(everything.length).toBeGreaterThan(missing.length);
  await see(page, /About \d h( \d+ min)? of work/);
  await see(page, /Gives about .* of yogurt/);
  await tap(page, 'button', 'Use: Use everything up');
  await see(page, /Finished by (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  await page.waitForSelector('[aria-label="Schedule"][aria-busy="false"]');
  // Changed: a little less of one, and the milk follows at once.
  await see(page, /Kefir\s+\d(\.\d+)? L of This morning/);
  await tap(page, 'button', 'Less for Kefir');
  await page.waitForSelector('[aria-label="Schedule"][aria-busy="false"]');
  await tap(page, 'button', 'Start all batches');
  const begun = await stored('make-started', everything.length);
  const litres = begun.reduce(
    (sum, { data }) => sum + (data.plan.product === 'butter' ? 0 : data.plan.milk.litres),
    0,
  );
  expect(litres).toBeLessThanOrEqual(21);
  const butter = begun.find(({ data }) => data.plan.product === 'butter')!;
  expect(butter.data.plan.milk.litres).toBeGreaterThan(1);

  // On the bench the next three stand large; one is put off, all of it moves, and it is taken back.
  // On the bench the next three stand large; as it was laid out it begins, so nothing has another time before anything was done.
  await page.waitForSelector('[aria-label="After that"] li:nth-child(3)');
  const bench = await page.$eval('[aria-label="Day in progress"]', (day) => (day as HTMLElement).innerText);
  expect(bench).not.toContain('new time');
  // One is put off, the rest moves around it, and it is taken back.
  await tap(page, 'button', '15 more minutes');
  await see(page, /15 min later\./);
  const put = (await stored('day-changed', 2)).flatMap(({ data }) =>
    data.kind === 'laid' ? [data.day] : [],
  );
  const fixed = put.flatMap(({ makes }) => makes.flatMap((make) => Object.entries(make.fixed)));
  expect(fixed).toHaveLength(put.length - 1);
  await tap(page, 'button', 'Undo');
  await seeNoMore(page, '15 min later.');
  const back = (await stored('day-changed', 3)).at(-1)!.data;
  if (back.kind !== 'laid') throw new Error('it was laid out');
  expect(back.day.makes.every((make) => Object.keys(make.fixed).length === 0)).toBe(true);

  // The yogurt’s milk is poured three quarters of an hour late; the page says what moved because of it.
  const [yogurt] = begun
    .filter(({ data }) => data.plan.product === 'yogurt')
    .sort((a, b) => (a.data.plan.startAt < b.data.plan.startAt ? -1 : 1));
  const toPour = (Date.parse(yogurt!.data.plan.startAt) - world.kitchen.clock.nowMs) / MINUTE_MS;
  world.advance(Math.max(0, Math.round(toPour)) + 45);
  await world.send(draft(yogurt!.streamId, world.kitchen.clock.nowMs, 'step-done', { step: 'pour' }));
  await see(page, /steps have new times \(.*(later|earlier|not done|undone)/);
  await tap(page, 'link', 'Open schedule');
  await see(page, 'New times.');
  // What is done stands against what was planned when the day began.
  await unfold(page, 'How it goes so far');
  await see(page, /Pour the milk\s+\d\d:\d\d\s+\d\d:\d\d\s+\d\d min later/);
  // In the list a step is done where it stands, by what its own batch calls it.
  await page.waitForSelector('[aria-label="Still to do"] > li.chosen .day-doing');
  await tap(page, 'button', 'Milk is in the pot');
  // What is poured leaves the milk room.
  const [poured] = await stored('milk-poured', 1);
  expect(poured!.data.from.length).toBeGreaterThan(0);
  await see(page, /\d+ of \d+ still to do/);
});

import { afterAll, afterEach, beforeAll, beforeEach, expect, test } from '@jest/globals';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defaultKitchen, defaultPlan, DAY_MS, HOUR_MS } from '@morning-crock/core';
import type { LarderResponse } from '@morning-crock/core/contract';
import { putUpLike } from '@morning-crock/core/fixtures';
import jsQR from 'jsqr';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { PNG } from 'pngjs';
import type { Browser } from 'puppeteer-core';
import { ulid } from 'ulid';
import { draft, intakeDraft } from '@morning-crock/server/testing';
import {
  choose,
  fill,
  goTo,
  keepSaved,
  openTablet,
  savedFile,
  see,
  seeNoMore,
  startBrowser,
  tap,
  upload,
  type Tablet,
} from './browser.ts';
import { later } from './later.ts';
import { createWorld, type World } from './world.ts';

const START = Date.parse('2026-03-05T08:00:00.000Z');
let browser: Browser;
let world: World;
let tablet: Tablet;
let folder: string;

beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());
beforeEach(async () => {
  world = await createWorld(START);
  folder = await mkdtemp(join(tmpdir(), 'larder-'));
  tablet = await openTablet(browser, `${world.address}/larder`);
});
afterEach(async () => {
  expect(tablet.strayRequests).toEqual([]);
  expect(tablet.faults).toEqual([]);
  await tablet.close();
  await world.close();
  await rm(folder, { recursive: true, force: true });
});

const larder = async (): Promise<LarderResponse> =>
  (await world.kitchen.app.inject('/api/larder')).json<LarderResponse>();

/** A yogurt of two litres of a milking, weighed and kept the day before. */
async function made(): Promise<{ makeId: string; lotId: string }> {
  const [makeId, lotId] = [ulid(), ulid()];
  const usual = defaultPlan(defaultKitchen('UTC'), new Date(START - 2 * DAY_MS).toISOString());
  const pour = { lotId, massKg: 2, typed: { value: 2, unit: 'kg' as const } };
  const lot = { lotId, name: 'Evening milk', massKg: 2, costPerKg: 0.5 };
  await world.send(
    intakeDraft(lotId, 5, START - 3 * DAY_MS),
    draft(makeId, START - 2 * DAY_MS, 'make-started', {
      plan: { ...usual, name: 'Plain', milk: { ...usual.milk, lots: [lot] } },
    }),
    draft(makeId, START - 2 * DAY_MS + HOUR_MS, 'milk-poured', { from: [pour] }),
    ...(['heat', 'hold', 'cool'] as const).map((step, i) =>
      draft(makeId, START - 2 * DAY_MS + (2 + i) * (HOUR_MS / 2), 'step-done', { step }),
    ),
    draft(makeId, START - 2 * DAY_MS + 3 * HOUR_MS, 'starter-added', {
      massKg: 0.05,
      statedRatio: null,
      typed: { value: 50, unit: 'g' },
    }),
    draft(makeId, START - 2 * DAY_MS + 8 * HOUR_MS, 'ph-read', {
      ph: 4.5,
      instrument: 'meter',
      sigma: null,
      typed: { value: 4.5, unit: 'pH' },
    }),
    draft(makeId, START - 2 * DAY_MS + 9 * HOUR_MS, 'step-done', { step: 'incubate' }),
    draft(makeId, START - DAY_MS, 'weighed', { massKg: 1.9, typed: { value: 1.9, unit: 'kg' } }),
    draft(makeId, START - DAY_MS, 'finished', { verdict: 'kept', reason: '' }),
  );
  return { makeId, lotId };
}

/** What a square on the screen says to a camera. */
async function scanned(selector: string): Promise<string | undefined> {
  const element = await tablet.page.waitForSelector(selector);
  const png = PNG.sync.read(Buffer.from(await element!.screenshot()));
  return jsQR(new Uint8ClampedArray(png.data), png.width, png.height)?.data;
}

test('a make is put up in jars, labelled, sold, and traced back to its milking and forward again', async () => {
  const { page } = tablet;
  const { lotId } = await made();
  await tap(page, 'link', 'Add to larder');
  await tap(page, 'link', 'Plain');
  await see(page, '1.90 kg in total of 1.90 kg weighed');
  await fill(page, 'Number (pieces)', '4');
  await fill(page, 'Each', '600');
  await choose(page, 'Each: unit', 'g');
  // More than the make gave: said beside it, and nothing is stored.
  await see(page, '2.40 kg in total. That is more than the 1.90 kg from this batch');
  await tap(page, 'button', 'Add to larder');
  expect((await larder()).goods).toHaveLength(0);
  await fill(page, 'Each', '450');
  await see(page, '100 g left to add');
  await tap(page, 'button', 'Add to larder');
  await see(page, '4 × 450 g');
  await world.stored('larder-moved', 1);
  const good = (await larder()).goods[0]!;
  expect(good).toMatchObject({ name: 'Plain', what: 'yogurt', putUpKg: 1.8 });
  // Its starter is reckoned at what such milk costs.
  expect(good.costPerKg).toBeCloseTo((1 + 0.05 * 0.5) / 1.9, 4);
  expect(good.costCounts).toEqual(['milk', 'starter']);

  await tap(page, 'link', 'Print labels');
  await see(page, 'Print 4 labels');
  expect(
    await page.$$eval(
      '.label-page text',
      (all) => all.filter((t) => t.textContent === 'Contains MILK').length,
    ),
  ).toBe(4);
  expect(await scanned('.label-one')).toBe(`${new URL(world.address).origin}/larder/${good.code}`);
  await keepSaved(page);
  await tap(page, 'button', 'Download PDF');
  const bytes = await savedFile(page);
  const pdf = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false }).promise;
  const text = await (await pdf.getPage(1)).getTextContent();
  const words = text.items.flatMap((item) => ('str' in item ? [item.str] : []));
  expect(pdf.numPages).toBe(1);
  expect(words.filter((word) => word === 'Contains MILK')).toHaveLength(4);
  expect(words.filter((word) => word.includes('450 g'))).toHaveLength(4);
  expect(words.filter((word) => /^Use by \d\d\.\d\d\.2026$/.test(word))).toHaveLength(4);
  // A label longer than its place is shortened, not run over.
  await fill(page, 'Your own lines', 'x'.repeat(61));
  await see(page, 'At most 60 characters a line.');
  await fill(page, 'Your own lines', 'Keep cold');
  await see(page, 'Keep cold');

  await goTo(page, `/larder/${good.code}`);
  await tap(page, 'button', 'Take out: 4 × 450 g in the fridge');
  await tap(page, 'radio', 'sold');
  await tap(page, 'button', 'One more');
  await fill(page, 'Price paid (optional)', '8,4o');
  await tap(page, 'button', 'Sold');
  await see(page, '“8,4o” is not a price.');
  await fill(page, 'Price paid (optional)', '8,40');
  await tap(page, 'button', 'Sold');
  await see(page, '2 × 450 g sold for 8.40');
  await see(page, /2 × 450 g\s+in the fridge/);

  await tap(page, 'link', 'Trace origin');
  await see(page, /Made from[\s\S]*Plain[\s\S]*Evening milk/);
  await see(page, '1 item: 900 g in stock, 900 g gone.');
  await goTo(page, `/larder/recall/${lotId}`);
  await see(page, /Batches made from this[\s\S]*Plain/);
  await see(page, /In stock[\s\S]*2 × 450 g in the fridge/);
  await see(page, /Used and sold[\s\S]*2 × 450 g sold for 8.40/);
});

test('butter is frozen and thawed, and what turns first stands first', async () => {
  const { page } = tablet;
  const [butter, cheese] = [ulid(), ulid()];
  const madeAt = new Date(START - 2 * DAY_MS).toISOString();
  await world.send(
    draft(butter, START - 2 * DAY_MS, 'larder-moved', putUpLike({ madeAt })),
    draft(
      cheese,
      START - DAY_MS,
      'larder-moved',
      putUpLike(
        {
          madeAt,
          name: 'Soft round',
          what: 'fresh-cheese',
          code: 'AAAAA1',
          keeps: [{ place: 'cold', days: [3, 5], reason: 'fresh and moist' }],
        },
        1,
        0.4,
      ),
    ),
  );
  const first = (): Promise<string[]> =>
    page.$$eval('.use-first-list li a', (links) => links.map((a) => a.textContent));
  await see(page, 'Butter of the week');
  expect(await first()).toEqual(['Soft round', 'Butter of the week']);
  await goTo(page, '/');
  await see(page, /Use first[\s\S]*Soft round/);
  await goTo(page, '/larder');
  await fill(page, 'Name or code', 'butter');
  expect(await first()).toEqual(['Butter of the week']);
  await tap(page, 'link', 'Butter of the week');
  await tap(page, 'button', 'Freeze: 4 × 250 g in the fridge');
  await tap(page, 'button', 'All');
  await tap(page, 'button', 'Save move');
  await see(page, /4 × 250 g\s+in the freezer/);
  await tap(page, 'button', 'Thaw: 4 × 250 g in the freezer');
  await tap(page, 'button', 'Start thawing');
  await see(page, /3 × 250 g\s+in the freezer/);
  await world.stored('larder-moved', 4);
  const { stocks } = (await larder()).goods.find(({ id }) => id === butter)!;
  expect(stocks.map(({ place, thawed }) => [place, thawed])).toEqual(
    expect.arrayContaining([
      ['freezer', false],
      ['cold', true],
    ]),
  );
  // What was thawed is offered no freezer any more.
  expect(
    await page.$$eval('button', (all) =>
      all.some((b) => b.getAttribute('aria-label')?.startsWith('Freeze: 250 g')),
    ),
  ).toBe(false);
  await tap(page, 'button', 'Take out: 250 g in the fridge');
  await tap(page, 'button', 'Enter weight');
  await fill(page, 'Amount', '900');
  await see(page, 'Only 250 g in stock. If there is more, recount first.');
  await tap(page, 'button', 'Eaten');
  expect((await larder()).lines).toHaveLength(4);
  await fill(page, 'Amount', '100');
  await tap(page, 'button', 'Eaten');
  await see(page, /150 g opened\s+in the fridge/);
  // This tablet takes its last entry back.
  await tap(page, 'button', 'Undo');
  await see(page, /250 g\s+in the fridge/);
});

test('a label scanned by a tablet opens its record; a code that is typed does too', async () => {
  const { page } = tablet;
  const id = ulid();
  await world.send(
    draft(id, START - DAY_MS, 'larder-moved', putUpLike({ madeAt: new Date(START - DAY_MS).toISOString() })),
  );
  await see(page, 'Butter of the week');
  await goTo(page, '/larder/4F7K2Q/labels');
  const label = await page.waitForSelector('.label-one');
  const picture = join(folder, 'label.png');
  await label!.screenshot({ path: picture });
  await goTo(page, '/larder');
  await see(page, 'Scan a label');
  await upload(page, picture);
  await see(page, 'History');
  expect(new URL(page.url()).pathname).toBe('/larder/4F7K2Q');
  await goTo(page, '/larder');
  await fill(page, 'Name or code', '4f7 k2q');
  await page.keyboard.press('Enter');
  await see(page, 'History');
  await goTo(page, '/larder/ZZZZZZ');
  await see(page, 'Nothing in the larder has the code ZZZZZZ.');
});

test('butter is wanted thawed on a day: it is told when it must come out, on the Bench too, until it does', async () => {
  const { page } = tablet;
  const id = ulid();
  const madeAt = new Date(START - 2 * DAY_MS).toISOString();
  await world.send(
    draft(id, START - 2 * DAY_MS, 'larder-moved', putUpLike({ madeAt })),
    draft(id, START - DAY_MS, 'larder-moved', {
      kind: 'carry',
      from: { place: 'cold', size: 0 },
      to: 'freezer',
      massKg: 1,
      count: 4,
      typed: null,
    }),
  );
  await goTo(page, '/larder/4F7K2Q');
  await tap(page, 'button', 'Plan thawing: 4 × 250 g in the freezer');
  await tap(page, 'button', 'One more');
  await see(page, /Move to the fridge by (Fri|Sat) \d\d:\d\d\. Thawing takes up to \d+ h there/);
  await tap(page, 'button', 'Set reminder');
  await see(page, /Take out of the freezer by (Fri|Sat) \d\d:\d\d: .*2 × 250 g, needed Sat 08:00/);
  await world.stored('larder-moved', 3);
  await goTo(page, '/larder');
  await see(page, /Take out of the freezer by/);
  await later(world, 47 * 60, page);
  await see(page, 'Take out of the freezer now:');
  await goTo(page, '/');
  await see(page, /Use first[\s\S]*Take out of the freezer now: Butter of the week, 2 × 250 g/);
  await goTo(page, '/larder');
  await tap(page, 'button', 'Start thawing: Butter of the week');
  await seeNoMore(page, 'Take out of the freezer now:');
  await world.stored('larder-moved', 4);
  const { stocks } = (await larder()).goods[0]!;
  expect(stocks.map(({ place, massKg }) => [place, massKg])).toEqual([
    ['freezer', 0.5],
    ['cold', 0.5],
  ]);
});

/** Markup that would show itself if any page took it for its own. */
const MARKUP = '<img src="/x" onerror="window.hit=1"><svg onload="window.hit=1">';

test('names and notes that are markup stay words: on the label sheet, and in and beside a curve', async () => {
  const { page } = tablet;
  const { makeId } = await made();
  const goodId = ulid();
  const put = putUpLike({ name: MARKUP, note: MARKUP.slice(0, 60), code: '7Q2K4F', makeId: null });
  await world.send(
    draft(goodId, START, 'larder-moved', put),
    draft(makeId, START - DAY_MS, 'noted', { text: MARKUP }),
    draft(makeId, START - 2 * DAY_MS + 4 * HOUR_MS, 'temperature-read', {
      celsius: 42,
      instrument: MARKUP,
      typed: { value: 42, unit: 'C' },
    }),
  );
  const untouched = () =>
    page.evaluate(() => ({
      hit: 'hit' in window,
      ours: document.querySelectorAll('img[src="/x"], svg[onload], [onerror]').length,
    }));
  await goTo(page, `/larder/${goodId}/labels`);
  await see(page, '<img src=');
  expect(await untouched()).toEqual({ hit: false, ours: 0 });
  // As it is printed and saved: the same drawing.
  const drawn = await page.evaluate(() => document.querySelector('.label-page')?.innerHTML ?? '');
  expect(drawn).toContain('&lt;img');
  await goTo(page, `/daybook/${makeId}`);
  await see(page, 'onerror');
  expect(await untouched()).toEqual({ hit: false, ours: 0 });
  // One that is under way has its curve.
  const under = ulid();
  const usual = defaultPlan(defaultKitchen('UTC'), new Date(START - 2 * HOUR_MS).toISOString());
  await world.send(
    draft(under, START - 2 * HOUR_MS, 'make-started', { plan: { ...usual, name: MARKUP } }),
    draft(under, START - HOUR_MS, 'temperature-read', {
      celsius: 42,
      instrument: MARKUP,
      typed: { value: 42, unit: 'C' },
    }),
  );
  await goTo(page, `/makes/${under}`);
  await see(page, 'onerror');
  const curve = await page.waitForSelector('[_echarts_instance_] canvas');
  const box = (await curve!.boundingBox())!;
  for (const share of [0.2, 0.4, 0.6, 0.8])
    await page.mouse.move(box.x + share * box.width, box.y + box.height / 2);
  expect(await untouched()).toEqual({ hit: false, ours: 0 });
});

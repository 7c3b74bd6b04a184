import { afterAll, afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import type { BackupFile, EventType, Factor } from '@morning-crock/core/contract';
import { draft, newKitchenCode, seedDemo, startDraft } from '@morning-crock/server/testing';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser } from 'puppeteer-core';
import { ulid } from 'ulid';
import { fill, goTo, openTablet, see, seeNoMore, startBrowser, tap, type Tablet, upload } from './browser.ts';
import { keptEvents, keptGolden, keptKitchenText } from '@morning-crock/core/kept-kitchen';
import { openDoor, type Door } from './door.ts';
import { createWorld, type World } from './world.ts';
import { MINUTE_MS } from '@morning-crock/core';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let browser: Browser;
let world: World;
let tablet: Tablet;

beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(async () => browser.close());
afterEach(async () => {
  expect(tablet.strayRequests).toEqual([]);
  await tablet.close();
  await world.close();
});

const send: World['send'] = (...events) => world.send(...events);
const count = async (type: EventType): Promise<number> => (await world.entries(type)).length;
const incubating = async (): Promise<string> => {
  const id = ulid();
  world.kitchen.clock.nowMs = START + 240 * MINUTE_MS;
  await send(
    startDraft(id, START),
    ...(['pour', 'heat', 'hold', 'cool'] as const).map((step, i) =>
      draft(id, START + (i + 1) * 25 * MINUTE_MS, 'step-done', { step }),
    ),
    draft(id, START + 120 * MINUTE_MS, 'starter-added', {
      massKg: 0.05,
      statedRatio: null,
      typed: { value: 50, unit: 'g' },
    }),
  );
  return id;
};
async function choose(file: object | string): Promise<void> {
  const path = join(tmpdir(), `kitchen-${ulid()}.json`);
  writeFileSync(path, typeof file === 'string' ? file : JSON.stringify(file));
  await upload(tablet.page, path);
}

describe('what a kitchen’s makes taught', () => {
  test('is told in words, used by the next plan, and can be forgotten', async () => {
    world = await createWorld(START);
    await seedDemo(world.kitchen.db, world.kitchen.kitchenId, START);
    tablet = await openTablet(browser, `${world.address}/kitchen/learned`);
    const { page } = tablet;
    await see(page, /\d+ % faster than usual \(\d+ batches, ± \d+ %\)/, 30_000);
    await see(page, /\d\.\d °C cooler than entered \(\d batches, ± \d\.\d °C\)/);
    const factors = (await world.kitchen.app.inject({ url: '/api/factors' })).json<{ factors: Factor[] }>()
      .factors;
    const rate = factors.find((f) => f.kind === 'rate')!;

    await goTo(page, '/new');
    await see(page, 'Adjusted from your own batches');
    // The culture at hand comes into the plan with its own pace.
    await tap(page, 'button', 'Starter');
    await see(page, /Generation \d+\..* faster than usual/);
    await tap(page, 'button', 'Start batch');
    await see(page, 'Milk is in the pot');
    const begun = await world.entries<{ plan: { factors: { rate: { value: number } } } }>('make-started');
    expect(begun.at(-1)!.data.plan.factors.rate.value).toBeCloseTo(rate.mean, 9);
    await goTo(page, '/kitchen/learned');
    await tap(page, 'button', 'Forget Shelf warmer, temperature');
    await world.stored('learning-reset', 1);
    await seeNoMore(page, 'cooler than entered');
    await see(page, 'faster than usual');
  });
});

describe('a whole kitchen in one file', () => {
  test('is saved, restored into an empty one through the screen, and refused where it does not fit', async () => {
    world = await createWorld(START);
    await incubating();
    const file = (await world.kitchen.app.inject({ url: '/api/backup' })).json<BackupFile>();
    await world.close();
    world = await createWorld(START + 240 * MINUTE_MS);
    tablet = await openTablet(browser, `${world.address}/kitchen/devices`);
    const { page } = tablet;
    await see(page, 'Download back-up');
    await choose('{"format":');
    await see(page, 'cannot be read as a');
    await choose({ ...file, version: 4 });
    await see(page, 'newer version of Morning Crock');
    await choose({ ...file, events: file.events.slice(1) });
    await see(page, 'belongs to a batch whose start is not in the file');
    expect(await count('step-done')).toBe(0);
    await choose(file);
    await see(page, `Restored 1 batch, ${file.events.length} entries`);
    expect(await count('step-done')).toBe(4);
    await tap(page, 'link', 'Bench');
    await see(page, 'Yogurt');
    await goTo(page, '/kitchen/devices');
    await see(page, 'Download back-up');
    await choose(file);
    await see(page, 'This kitchen already has batches');
  });

  test('one saved by an earlier program opens with all it held, and goes on', async () => {
    const last = keptEvents().at(-1)!;
    world = await createWorld(Date.parse(last.receivedAt));
    tablet = await openTablet(browser, `${world.address}/kitchen/devices`);
    const { page } = tablet;
    await see(page, 'Download back-up');
    await choose(keptKitchenText());
    await see(page, `${keptEvents().length} entries`);
    // Nothing of it was rewritten, and all of it is understood.
    expect(await world.kitchen.rows('event', 'version <> 1')).toEqual([]);
    await tap(page, 'link', 'Bench');
    await see(page, 'Stall yogurt');
    await tap(page, 'link', 'Daybook');
    await see(page, 'Warmer off its heat');
    // What is entered now stands beside it.
    await goTo(page, '/');
    await see(page, 'Stall yogurt');
    const under = keptGolden().makes.find((m) => m.summary.status === 'under-way')!;
    await goTo(page, `/makes/${under.id}`);
    await fill(page, 'Note', 'went on');
    await tap(page, 'button', 'Save note');
    const before = keptEvents().filter((e) => e.type === 'noted').length;
    const notes = await world.stored<{ text: string }>('noted', before + 1);
    expect(notes.map((n) => n.data.text)).toContain('went on');
  });
});

describe('a page that opens without its server', () => {
  test('shows what it last had, keeps entries, and sends them later', async () => {
    world = await createWorld(START);
    const id = await incubating();
    tablet = await openTablet(browser, `${world.address}/makes/${id}`, { keepsPage: true });
    const { page } = tablet;
    await see(page, 'Move to fridge');
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    // What came live is kept too, not only what was fetched.
    await send(draft(id, world.kitchen.clock.nowMs, 'noted', { text: 'came over the stream' }));
    await see(page, 'came over the stream');
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await world.goAway();
    await page.reload();
    await see(page, 'Move to fridge', 30_000);
    await see(page, 'came over the stream');
    await fill(page, 'pH reading', '5.4');
    await page.keyboard.press('Enter');
    await see(page, 'waiting to send');
    await see(page, 'On its own since');
    expect(await count('ph-read')).toBe(0);
    await world.comeBack();
    await world.stored('ph-read', 1);
    await see(page, 'pH 5.40 (meter) · saved');
  });

  test('it can be installed', async () => {
    world = await createWorld(START);
    tablet = await openTablet(browser, world.address);
    const manifest = await tablet.page.evaluate(async () => {
      const link = document.querySelector<HTMLLinkElement>('link[rel=manifest]');
      return (await (await fetch(link!.href)).json()) as { name: string; icons: { src: string }[] };
    });
    expect(manifest.name).toBe('Morning Crock');
    for (const { src } of manifest.icons) {
      const icon = await world.kitchen.app.inject({ url: src });
      expect(icon.statusCode).toBe(200);
    }
  });
});

describe('a tablet of the local network', () => {
  let door: Door;
  afterEach(() => door.close());

  test('is asked once for the code, told when it is wrong, joins, and is sent away', async () => {
    world = await createWorld(START, {
      localNetwork: { hosts: ['192.168.7.5'], address: 'http://192.168.7.5:4620' },
    });
    const code = await newKitchenCode(world.kitchen.db, world.kitchen.kitchenId, START);
    door = await openDoor();
    door.leadTo(Number(new URL(world.address).port));
    const address = `http://127.0.0.1:${door.port}`;
    tablet = await openTablet(browser, address);
    const { page } = tablet;
    await see(page, 'Join this kitchen');
    await fill(page, 'Kitchen code', 'AAAA-BBBB');
    await tap(page, 'button', 'Join kitchen');
    await see(page, 'That is not the kitchen code.');
    await fill(page, 'Name of this tablet', 'Dairy shelf');
    await fill(page, 'Kitchen code', code.toLowerCase());
    await tap(page, 'button', 'Join kitchen');
    await see(page, 'Step 1 of 4');
    await goTo(page, '/');
    await see(page, 'What do you want to make?');
    await page.reload();
    await see(page, 'What do you want to make?');

    const here = await openTablet(browser, `${world.address}/kitchen/devices`);
    await see(here.page, 'Dairy shelf');
    await tap(here.page, 'button', 'Show new kitchen code');
    await here.page.waitForSelector('img[alt^="Code to scan"]');
    await tap(here.page, 'button', 'Remove Dairy shelf');
    await seeNoMore(here.page, 'Dairy shelf');
    await here.close();
    await page.reload();
    await see(page, 'Join this kitchen');
    for (let i = 0; i < 10; i++) {
      await page.evaluate(() =>
        fetch('/api/join', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ code: 'AAAA-BBBB', name: 'x' }),
        }).then(() => undefined),
      );
    }
    await fill(page, 'Kitchen code', 'AAAA-BBBB');
    await tap(page, 'button', 'Join kitchen');
    await see(page, 'Too many wrong codes. Wait ten minutes');
  });
});

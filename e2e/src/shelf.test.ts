import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { defaultKitchen, planOfMethod, SHIPPED_METHODS, MINUTE_MS } from '@morning-crock/core';
import type { EventOf, EventType, KeptMethod, Lot, MilkRoomResponse } from '@morning-crock/core/contract';
import { cultureDraft, draft } from '@morning-crock/server/testing';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser } from 'puppeteer-core';
import { ulid } from 'ulid';
import {
  choose,
  fill,
  goTo,
  keepSaved,
  openTablet,
  savedText,
  see,
  seeNoMore,
  startBrowser,
  tap,
  type Tablet,
  upload,
} from './browser.ts';
import { later } from './later.ts';
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
  await world.close();
});

const stored = <T extends EventType>(type: T, wanted: number) =>
  world.stored<EventOf<T>['data']>(type, wanted);
const lots = async (): Promise<Lot[]> =>
  (await world.kitchen.app.inject('/api/milk')).json<MilkRoomResponse>().lots;
const open = async (path: string): Promise<void> => {
  tablet = await openTablet(browser, `${world.address}${path}`);
};
async function passes(minutes: number): Promise<void> {
  // What was tapped last is taken in before.
  await settled();
  await later(world, minutes, tablet.page);
  // Until its times are worked out, nothing stands where it will stand.
  await settled();
}
/** Nothing moves any more: what is tapped is where it was seen. */
async function settled(): Promise<void> {
  await tablet.page.waitForFunction(
    () =>
      new Promise<boolean>((resolve) => {
        const before = document.body.innerText;
        setTimeout(() => resolve(document.body.innerText === before), 250);
      }),
  );
}
/** What rings is heard, so that it lies over nothing. */
async function hear(): Promise<void> {
  for (let n = 0; n < 6; n++) {
    const rings = await tablet.page.evaluate(() => document.querySelector('.alarms button') !== null);
    if (!rings) return;
    await tap(tablet.page, 'button', 'Got it');
    await settled();
  }
}
/** A make by a method of the product, with its first steps done by another tablet, up to one of them. */
async function begunUpTo(method: string, until: string, every: number): Promise<string> {
  const id = ulid();
  const plan = planOfMethod(
    SHIPPED_METHODS.find((m) => m.id === method)!,
    defaultKitchen('UTC'),
    new Date(START).toISOString(),
    4,
  );
  const steps = plan.method.steps.map((step) => step.id);
  const done = steps.slice(0, steps.indexOf(until));
  world.advance((done.length + 1) * every);
  await world.send(
    draft(id, START, 'make-started', { plan }),
    ...done.map((step, i) => draft(id, START + (i + 1) * every * MINUTE_MS, 'step-done', { step })),
  );
  return id;
}

test('one jar of creamy milk becomes sour cream and buttermilk, both of them stock', async () => {
  await open('/methods?method=jar-of-two');
  const { page } = tablet;
  await see(page, 'Do not stir. Stirring mixes the cream back in.');
  await tap(page, 'link', 'Start batch');
  await see(page, /About \d{3} g of sour cream\s+and 1\.\d\d kg of buttermilk/);
  await tap(page, 'button', 'Start batch');
  await tap(page, 'button', 'Milk is in the pot');
  await tap(page, 'button', 'Starter is in');
  await stored('starter-added', 1);
  const [begun] = await stored('make-started', 1);
  expect(begun!.data.plan).toMatchObject({ product: 'jar-of-two', method: { id: 'jar-of-two', version: 1 } });
  await page.evaluate(() => document.querySelector<HTMLElement>('.tags summary')!.click());
  await fill(page, 'Or type numbers', '107, x');
  await see(page, '“x” is not a tag number. Use 1 to 999.');
  await fill(page, 'Or type numbers', '107');
  await tap(page, 'button', 'Save tags');
  await stored('tagged', 1);
  await tap(page, 'button', 'Tag 7');
  expect((await stored('tagged', 2)).at(-1)!.data.tags).toEqual([7, 107]);
  await see(page, 'Tags on these jars: 7, 107');
  await passes(23 * 60);
  await hear();
  await tap(page, 'button', 'set');
  await stored('cue-seen', 1);
  await see(page, 'Set (seen)');
  await hear();
  await tap(page, 'button', 'Move to fridge');
  await passes(10 * 60);
  await hear();
  await tap(page, 'button', 'Chilled through');
  await fill(page, 'Weight of the sour cream', '310');
  await page.keyboard.press('Enter');
  await stored('weighed', 1);
  await see(page, 'Pour off the buttermilk');
  await fill(page, 'Weight of the buttermilk', '1700');
  await page.keyboard.press('Enter');
  await stored('weighed', 2);
  const [sour, milk] = (await lots()).sort((a, b) => a.has.massKg - b.has.massKg);
  expect(sour).toMatchObject({ name: 'Sour cream', role: 'cream', has: { massKg: 0.31 }, soured: true });
  expect(milk).toMatchObject({ name: 'Cultured buttermilk', role: 'buttermilk', has: { massKg: 1.7 } });
  expect(sour!.of.fatFraction).toBeGreaterThan(0.15);
  expect(milk!.of.fatFraction).toBeLessThan(0.06);
});

test('raw cream souring by itself says its caution and a wide band; pasteurised cream alone cannot be begun', async () => {
  await open('/new?method=cultured-cream-raw');
  const { page } = tablet;
  await see(page, 'Raw milk souring by itself can carry germs');
  await see(page, /Ready, mild\s+.*–/);
  await tap(page, 'button', 'Cream');
  await tap(page, 'radio', 'pasteurised');
  await see(page, 'This batch cannot start yet.');
  await see(page, 'to sour without a starter. Choose a starter.');
  expect(
    await page.evaluate(
      () =>
        [...document.querySelectorAll('button')].find((b) => b.innerText.includes('Start batch'))?.disabled,
    ),
  ).toBe(true);
  await tap(page, 'radio', 'raw');
  await tap(page, 'button', 'Start batch');
  await tap(page, 'button', 'Cream is in the pot');
  await see(page, 'Raw milk from any farm can carry germs.');
  await tap(page, 'button', 'Covered');
  await stored('step-done', 2);
  // It comes out of the fridge: hours later it is as warm as the kitchen.
  await passes(12 * 60);
  await see(page, /Warm for \d+\.\d h so far, (48|72) h at most/);
});

test('skyr drained too far is mended with its own whey, and a picture of it stands beside the next one', async () => {
  const strain = await begunUpTo('skyr', 'strain', 20);
  await open(`/makes/${strain}`);
  const { page } = tablet;
  await see(page, /stop between/);
  await hear();
  await passes(6 * 60);
  await hear();
  await see(page, 'too thick');
  await see(page, /Stir about\s+\d+ g\s+of the whey back in/);
  await fill(page, 'All the whey caught so far', '9000');
  await see(page, 'That is more than went into the cloth');
  await fill(page, 'All the whey caught so far', '2700');
  await tap(page, 'button', 'Save weight');
  await stored('drain-weighed', 1);
  await see(page, ', weighed');
  await tap(page, 'button', 'Whey returned');
  await fill(page, 'Whey stirred back in', '480');
  await tap(page, 'button', 'Save weight');
  const [back] = await stored('whey-returned', 1);
  expect(back!.data).toMatchObject({ massKg: 0.48 });
  await see(page, '480 g of whey stirred back in.');

  // A picture, as the tablet's camera would give it; and what only calls itself one.
  const shot = join(tmpdir(), `skyr-${strain}.png`);
  writeFileSync(shot, await page.screenshot({ clip: { x: 0, y: 0, width: 1200, height: 700 } }));
  const script = join(tmpdir(), `skyr-${strain}.jpg`);
  writeFileSync(script, '<script>alert(1)</script>');
  await upload(page, script, '.looks input[type=file]');
  await see(page, 'This browser cannot open');
  await upload(page, shot, '.looks input[type=file]');
  const [picture] = await stored('photographed', 1);
  expect(picture!.data).toMatchObject({ step: 'strain', product: 'skyr', widthPx: 1024 });
  await see(page, /now, \d\d:\d\d/);
  expect(await world.kitchen.count('photo')).toBe(1);

  const next = await begunUpTo('skyr', 'strain', 20);
  await goTo(page, `/makes/${next}`);
  await see(page, 'Compare with earlier batches');
  await see(page, 'Skyr, Mon 2 Mar');
});

test('a method is changed, what is wrong is told, and it goes out as a file and comes back', async () => {
  await open('/methods?method=skyr');
  const { page } = tablet;
  await see(page, 'You need');
  await tap(page, 'button', 'Edit a copy');
  await fill(page, 'Name', 'Skyr of the house');
  await fill(page, 'IMCU per litre of milk (number)', '4000');
  await see(page, 'is too much (300 IMCU');
  expect(
    await page.evaluate(
      () => [...document.querySelectorAll('button')].find((b) => b.innerText === 'Save method')?.disabled,
    ),
  ).toBe(true);
  await fill(page, 'IMCU per litre of milk (number)', '6');
  await tap(page, 'button', 'Remove Inoculating');
  await see(page, 'no starter goes in before it');
  await tap(page, 'button', 'Discard changes');
  await tap(page, 'button', 'Edit a copy');
  await fill(page, 'Name', 'Skyr of the house');
  await fill(page, 'Until, or of the whole (%)', '8,5');
  await tap(page, 'button', 'Add at the end');
  await see(page, 'Resting');
  await tap(page, 'button', 'Save method');
  const [kept] = await stored('method-changed', 1);
  expect(kept!.data).toMatchObject({
    kind: 'saved',
    method: { name: 'Skyr of the house', version: 1, basedOn: { id: 'skyr', version: 1 } },
  });
  await see(page, 'yours, version 1');

  // Beside the one it came from.
  await choose(page, 'Compare with', 'skyr');
  await see(page, 'Differences, line by line');
  await see(page, /for 2 L, started now/);
  await choose(page, 'Compare with', '');

  await keepSaved(page);
  await tap(page, 'button', 'Download method');
  const text = await savedText(page);
  const file = join(tmpdir(), `method-${kept!.streamId}.json`);
  const give = async (content: string): Promise<void> => {
    writeFileSync(file, content);
    await upload(page, file, 'section[aria-label="Import a method"] input[type=file]');
  };
  await give('{"format": "something else"}');
  await see(page, 'is neither a Morning Crock method nor a recipe');
  await give(`{"x":"${'y'.repeat(900_000)}"}`);
  await see(page, 'is over the 200 kB limit for a method');
  expect(await world.entries('method-changed')).toHaveLength(1);
  await give(text);
  await see(page, /Skyr of the house: 13 steps read/);
  await tap(page, 'button', 'Save method');
  await stored('method-changed', 2);
  const { methods } = (await world.kitchen.app.inject('/api/methods')).json<{ methods: KeptMethod[] }>();
  const [a, b] = methods.map((m) => m.versions[0]!.method);
  expect({ ...a, id: '' }).toEqual({ ...b, id: '' });

  await give(
    JSON.stringify({
      '@context': 'https://schema.org',
      '@type': 'Recipe',
      name: 'Kefir of a neighbour',
      recipeIngredient: ['1 litre milk', 'a handful of luck'],
      recipeInstructions: [{ '@type': 'HowToStep', text: 'Leave it for 20 hours.' }],
    }),
  );
  await see(page, 'These lines were not understood. Add them yourself:');
  await see(page, 'a handful of luck');
});

test('a cheese over three days: tried, turned by day, salted in its brine, and aged', async () => {
  const cheese = await begunUpTo('brined', 'coagulate', 15);
  await open(`/makes/${cheese}`);
  const { page } = tablet;
  await see(page, 'Rennet sets sweet milk too, so a set does not prove acid.');
  await see(page, 'Rennet strength is not known');
  await passes(40);
  await hear();
  await tap(page, 'button', 'Record no clean break');
  await stored('break-tried', 1);
  await see(page, 'tested once');
  await seeNoMore(page, 'Still no clean break?');
  await passes(8);
  await hear();
  await tap(page, 'button', 'Record no clean break');
  await stored('break-tried', 2);
  // The second time somebody may want to know why.
  await see(page, 'Still no clean break? Find out why');
  await tap(page, 'button', 'Curd breaks clean');
  await see(page, 'Cut slowly');
  await tap(page, 'button', 'Curd is cut');
  await see(page, 'Cover and leave where it is.');
  await passes(12);
  await hear();
  await tap(page, 'button', 'Rested');
  await passes(21);
  await hear();
  await tap(page, 'button', 'Stirring done');
  await see(page, 'hours to go');
  await passes(140);
  await see(page, 'Turn the cheese');
  await hear();
  await tap(page, 'button', 'Mark as turned');
  await stored('turned', 1);
  // Its acid is measured in the whey.
  await passes(120);
  await hear();
  await tap(page, 'button', 'Add reading');
  await tap(page, 'button', 'pH');
  await fill(page, 'pH', '5,2');
  await tap(page, 'button', 'Save');
  await stored('ph-read', 1);
  await see(page, 'Souring confirmed');
  // Nobody is got out of bed to turn it.
  await passes(8 * 60);
  await hear();
  await tap(page, 'button', 'Take out of mould');
  await see(page, '12 % brine (salt in salt plus water)');
  await passes(4 * 60);
  await hear();
  await tap(page, 'button', 'Take out of brine');
  await fill(page, 'Weight of the cheese', '520');
  await page.keyboard.press('Enter');
  await stored('weighed', 1);
  await see(page, '7 days, turned every 2 days');
  await passes(2 * 24 * 60 + 30);
  await hear();
  await see(page, /[45] days to go|5\s+days to go/);
  await tap(page, 'button', 'Mark as turned');
  await stored('turned', 2);
  await seeNoMore(page, 'Do not taste');
});

describe('kefir, daily', () => {
  test('its grains are taken out, weighed into their register, and go into the next milk', async () => {
    const grains = ulid();
    await world.send(
      cultureDraft(grains, START - 900 * MINUTE_MS, {
        kind: 'kefir-grains',
        name: 'Sill grains',
        massKg: 0.05,
      }),
    );
    await open('/new?make=kefir');
    const { page } = tablet;
    await see(page, 'Sill grains');
    await tap(page, 'button', 'Start batch');
    await tap(page, 'button', 'Milk is in the pot');
    await tap(page, 'button', 'Starter is in');
    const [begun] = await stored('starter-added', 1);
    expect(begun!.data.massKg).toBeGreaterThan(0);
    await passes(26 * 60);
    await hear();
    await tap(page, 'button', 'Sour enough');
    await see(page, 'Take out grains');
    await fill(page, 'Sill grains, drained', '54');
    await tap(page, 'button', 'Save weight');
    const changes = await stored('culture-changed', 2);
    expect(changes.at(-1)).toMatchObject({ streamId: grains, data: { kind: 'weigh', massKg: 0.054 } });
    await settled();
    await tap(page, 'button', 'Grains are out');
    await see(page, 'Chilled through');
    await passes(5 * 60);
    await hear();
    await tap(page, 'button', 'Chilled through');
    await fill(page, 'Weight of the kefir', '2040');
    await page.keyboard.press('Enter');
    await stored('weighed', 1);
    await see(page, 'No tags on these jars yet');
    // The next day, on the same grains.
    await goTo(page, '/new?make=kefir');
    await see(page, 'Sill grains');
    await tap(page, 'button', 'Start batch');
    const makes = await stored('make-started', 2);
    expect(makes.map((m) => m.data.plan.starter.cultureId)).toEqual([grains, grains]);
  });
});

test('tags are printed, and scanned off what was printed', async () => {
  const id = await begunUpTo('yogurt', 'incubate', 20);
  await open('/kitchen/things');
  const { page } = tablet;
  await fill(page, 'Last tag (number)', '90');
  await see(page, 'At most 48 tags fit on a sheet.');
  await fill(page, 'First tag (number)', '41');
  await fill(page, 'Last tag (number)', '44');
  await tap(page, 'button', 'Show tags');
  const tag = await page.waitForSelector('.tag-sheet li:nth-child(2)');
  const picture = join(tmpdir(), `tag-${ulid()}.png`);
  writeFileSync(picture, await tag!.screenshot());
  const page2 = join(tmpdir(), `no-tag-${ulid()}.png`);
  writeFileSync(page2, await page.screenshot({ clip: { x: 0, y: 0, width: 400, height: 300 } }));
  await goTo(page, `/makes/${id}`);
  await see(page, 'No tags on these jars yet');
  await page.evaluate(() => document.querySelector<HTMLElement>('.tags summary')!.click());
  await upload(page, page2, '.tags input[type=file]');
  await see(page, 'No code found in that photo');
  await upload(page, picture, '.tags input[type=file]');
  const [hung] = await stored('tagged', 1);
  expect(hung).toMatchObject({ streamId: id, data: { tags: [42] } });
  await see(page, 'Tags on these jars: 42');
  // A phone that scans it comes to its batch; a tag that hangs nowhere says so.
  await goTo(page, '/');
  await goTo(page, '/tag/42');
  await page.waitForFunction((to: string) => location.pathname === to, {}, `/makes/${id}`);
  await goTo(page, '/tag/77');
  await see(page, 'Tag 77 is on no batch under way.');
});

import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { draft, intakeDraft, startDraft } from '@morning-crock/server/testing';
import type { Browser, Page } from 'puppeteer-core';
import { ulid } from 'ulid';
import { goTo, openTablet, PATIENCE_MS, see, startBrowser, tap, turnTo, type Tablet } from './browser.ts';
import { createWorld, type World } from './world.ts';
import { MINUTE_MS } from '@morning-crock/core';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let browser: Browser;
let world: World;
let tablet: Tablet;
let makeId: string;

beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(async () => browser.close());

/** A make that has just begun: everything about it is still open. */
beforeEach(async () => {
  world = await createWorld(START);
  makeId = ulid();
  await world.send(startDraft(makeId, START));
});
afterEach(async () => {
  expect(tablet.strayRequests).toEqual([]);
  expect(tablet.faults).toEqual([]);
  await tablet.close();
  await world.close();
});

const replanned = async () => (await world.stored('replanned', 1))[0]!.data;
const slide = async (page: Page, index: number, value: string): Promise<void> =>
  turnTo((await page.$$('input[type=range]'))[index]!, value);

describe('a sum filled in from a make, and its answer taken back there', () => {
  test.each<[string, (page: Page) => Promise<void>, string, Record<string, unknown>]>([
    [
      'cool-down',
      (page) => tap(page, 'radio', 'in cold water'),
      'Cool Yogurt in cold water',
      { cooling: { kind: 'bath' }, inoculateC: 44 },
    ],
    [
      'ice-bath',
      (page) => tap(page, 'button', 'Ice: more'),
      'Use for Yogurt',
      { cooling: { kind: 'iced-bath' } },
    ],
    [
      'set-time',
      (page) => slide(page, 1, '3'),
      'Use settings for Yogurt',
      { starter: { massKg: 0.0618 }, place: { setPointC: 43 } },
    ],
    ['dose', (page) => slide(page, 0, '4'), 'Use dose for Yogurt', { starter: { kind: 'fresh-yogurt' } }],
    [
      'powder',
      (page) => slide(page, 1, '80'),
      'Add powder to Yogurt',
      { powder: { kind: 'skim', massKg: 0.08, typed: { value: 80, unit: 'g' } } },
    ],
    [
      'warm-box',
      (page) => slide(page, 2, '4'),
      'Use for Yogurt',
      { place: { kind: 'insulated-box' }, bottles: { celsius: 60 } },
    ],
    [
      'pasteurise',
      (page) => slide(page, 1, '20'),
      'Use for Yogurt',
      { heat: { kind: 'hold', targetC: 85, holdMin: 20 } },
    ],
  ])('%s', async (name, turn, button, expected) => {
    tablet = await openTablet(browser, `${world.address}/sums/${name}?for=${makeId}`);
    const { page } = tablet;
    await see(page, 'Back to Yogurt');
    await turn(page);
    await tap(page, 'button', button);
    expect(await replanned()).toMatchObject(expected);
    // It leads back to the make, which now says so.
    await see(page, 'Milk is in the pot');
    await see(page, /replanned/);
  });

  test('what is past is not offered any more', async () => {
    await world.send(
      ...(['pour', 'heat', 'hold', 'cool'] as const).map((step, i) =>
        draft(makeId, START + i * 1000, 'step-done', { step }),
      ),
    );
    tablet = await openTablet(browser, `${world.address}/sums/ice-bath?for=${makeId}`);
    await see(tablet.page, 'The batch is already cool.');
    await tap(tablet.page, 'link', 'Heat treatment');
    await see(tablet.page, 'The batch is past heating.');
    expect(await tablet.page.$eval('.great', (b) => (b as HTMLButtonElement).disabled)).toBe(true);
  });
});

/** Sums in which nothing is warm or cold. */
const COLD = new Set(['dose', 'powder', 'skim', 'standardise', 'lactation', 'bought']);

describe('sums in other measures', () => {
  test.each(['us', 'imperial'] as const)(
    '%s: °F and that region’s measures, nowhere °C or litres',
    async (measures) => {
      await world.measureIn(measures);
      // A curve of lactation wants days of milk.
      await world.send(
        ...Array.from({ length: 9 }, (_, i) =>
          intakeDraft(ulid(), 12 - i / 4, START - (9 - i) * 24 * 60 * MINUTE_MS),
        ),
      );
      tablet = await openTablet(browser, `${world.address}/sums/cool-down`);
      const { page } = tablet;
      const names = [
        'cool-down',
        'ice-bath',
        'set-time',
        'dose',
        'powder',
        'warm-box',
        'thermometer',
        'pasteurise',
        'skim',
        'standardise',
        'vigour',
        'thaw',
        'lactation',
        'churn',
        'bought',
      ];
      for (const name of names) {
        await goTo(page, `/sums/${name}`);
        const shown = await page.waitForFunction(
          (wanted: string, hot: boolean) => {
            const open = document.querySelector('.sum-names [aria-current=page]')?.getAttribute('href');
            const sum = document.querySelector('.sum');
            const there =
              open?.endsWith(wanted) === true && sum !== null && sum.querySelector('.sum-big') !== null;
            return there && (!hot || sum.textContent.includes('°F')) ? sum.textContent : null;
          },
          { timeout: PATIENCE_MS },
          name,
          !COLD.has(name),
        );
        const text = (await shown.jsonValue())!;
        // A caution may name both degrees; a figure of the sum must not be in the other one.
        const figures = text.replaceAll(/\d+ °C \(\d+ °F\)/g, '');
        expect(figures).not.toMatch(/\d °C|\d L\b|\d mL\b|\d k?g\b/);
      }
    },
  );
});

test('the thermometer sum says what boils where', async () => {
  await world.send(
    draft(world.kitchen.kitchenId, START + MINUTE_MS, 'kitchen-changed', {
      section: 'site',
      value: { zone: 'UTC', altitudeM: 1800, roomC: 18, shortcuts: true },
    }),
  );
  tablet = await openTablet(browser, `${world.address}/sums/thermometer`);
  await see(tablet.page, 'At 1800 m water boils at 94 °C');
});

test('churning: warmer cream breaks sooner and loses more, ultra-heated may not break, a low motor is known least', async () => {
  tablet = await openTablet(browser, `${world.address}/sums/churn`);
  const { page } = tablet;
  const big = (): Promise<string> => page.$eval('.sum-big', (e) => (e as HTMLElement).innerText);
  const minutesOf = (text: string): number => Number(/about (\d+)/.exec(text)![1]);
  await see(page, 'An estimate: churns differ');
  const cool = minutesOf(await big());
  await slide(page, 0, '17');
  await see(page, 'more fat stays in the buttermilk');
  expect(minutesOf(await big())).toBeLessThan(cool);
  await tap(page, 'radio', 'ultra-heated');
  await see(page, 'may not break at all');
  await slide(page, 3, '80');
  await see(page, 'Two loads are faster');
  const churn = await page.$('select');
  await churn!.select('whisk');
  const medium = await big();
  await tap(page, 'radio', 'low');
  await page.waitForFunction(
    (before: string) => document.querySelector<HTMLElement>('.sum-big')!.innerText !== before,
    {},
    medium,
  );
});

test('churning is reached from where the cream stands, with its own fat, and leads back there', async () => {
  const lotId = ulid();
  await world.send(
    intakeDraft(lotId, 2.4, START, { name: 'Cream from the hill', what: 'cream', fatFraction: 0.4 }),
  );
  tablet = await openTablet(browser, `${world.address}/milk?lot=${lotId}`);
  const { page } = tablet;
  await tap(page, 'link', 'When will the cream break?');
  await see(page, 'Fat: 40 %');
  await see(page, 'Cream: 2.4 L');
  await tap(page, 'link', 'Back to Cream from the hill');
  await see(page, 'When will the cream break?');
});

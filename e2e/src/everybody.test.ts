import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { beginPlan, defaultKitchen, MINUTE_MS } from '@morning-crock/core';
import { makePlanOfWaking } from '@morning-crock/core/contract';
import { putUpLike } from '@morning-crock/core/fixtures';
import { cultureDraft, draft, intakeDraft, startDraft } from '@morning-crock/server/testing';
import type { Browser, Page } from 'puppeteer-core';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ulid } from 'ulid';
import {
  fill,
  goTo,
  named,
  openTablet,
  PATIENCE_MS,
  see,
  seeNoMore,
  startBrowser,
  tap,
  type Tablet,
  upload,
} from './browser.ts';
import { violations } from './axe.ts';
import { createWorld, type World } from './world.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let browser: Browser;
let world: World;
const running = ulid();
const finished = ulid();
const waking = ulid();
const goods = ulid();
const ghee = ulid();
const churning = ulid();
const butter = ulid();

beforeAll(async () => {
  browser = await startBrowser();
  world = await createWorld(START + 200 * MINUTE_MS);
  for (const id of [finished, running]) {
    const events = [
      startDraft(id, START),
      ...(['pour', 'heat', 'hold', 'cool'] as const).map((step, i) =>
        draft(id, START + (i + 1) * 20 * MINUTE_MS, 'step-done', { step }),
      ),
      draft(id, START + 90 * MINUTE_MS, 'starter-added', {
        massKg: 0.05,
        statedRatio: null,
        typed: { value: 50, unit: 'g' },
      }),
      draft(id, START + 180 * MINUTE_MS, 'ph-read', {
        ph: 5.9,
        instrument: 'strip',
        sigma: null,
        typed: { value: 5.9, unit: 'pH' },
      }),
      ...(id === finished
        ? [draft(id, START + 190 * MINUTE_MS, 'finished', { verdict: 'kept', reason: 'test' })]
        : []),
    ];
    await world.send(...events);
  }
});
beforeAll(async () => {
  const atMs = START + 60 * MINUTE_MS;
  const plan = beginPlan('butter', defaultKitchen('UTC'), new Date(START).toISOString());
  for (const id of [churning, butter]) {
    await world.send(
      draft(id, START, 'make-started', { plan }),
      draft(id, START + 3 * MINUTE_MS, 'step-done', { step: 'take-out' }),
      draft(id, START + 60 * MINUTE_MS, 'step-done', { step: 'temper' }),
      ...(id === churning
        ? // What rings moves: it would keep every place from standing still.
          ['early-churn', 'step-churn', 'late-froth', 'slow-churning'].map((alarm) =>
            draft(id, START + 100 * MINUTE_MS, 'alarm-acknowledged', { alarm }),
          )
        : [
            draft(id, START + 78 * MINUTE_MS, 'stage-seen', { stage: 'broken' as const }),
            draft(id, START + 79 * MINUTE_MS, 'step-done', { step: 'churn' }),
            draft(id, START + 90 * MINUTE_MS, 'weighed', {
              massKg: 0.38,
              typed: { value: 380, unit: 'g' as const },
            }),
            draft(id, START + 91 * MINUTE_MS, 'finished', { verdict: 'kept' as const, reason: '' }),
          ]),
    );
  }
  const events = [
    intakeDraft(ulid(), 6, atMs - 600 * MINUTE_MS),
    cultureDraft(ulid(), atMs),
    draft(waking, atMs, 'make-started', {
      plan: makePlanOfWaking({
        name: 'Waking',
        cultureId: null,
        kind: 'dried-mesophilic',
        treatment: 'pasteurised',
        cartonLitres: 1,
        firstFeedKg: 0.06,
        growth: 3,
        feeds: 3,
        celsius: 22,
        restBetween: 'cold',
        startAt: new Date(atMs).toISOString(),
      }),
    }),
  ];
  await world.send(
    ...events,
    draft(goods, atMs, 'larder-moved', putUpLike({ name: 'Everyday butter' })),
    draft(ghee, atMs, 'make-started', {
      plan: beginPlan('ghee', defaultKitchen('UTC'), new Date(atMs).toISOString()),
    }),
    ...['early-clarify', 'step-clarify'].map((alarm) =>
      draft(ghee, atMs + 1 * MINUTE_MS, 'alarm-acknowledged', { alarm }),
    ),
  );
});
afterAll(async () => {
  await browser.close();
  await world.close();
});

/** Every place, with words that show that it has come up. */
const PLACES: readonly (readonly [string, () => string, string])[] = [
  ['Bench', () => '/', 'Next 24 hours'],
  ['a make', () => `/makes/${running}`, 'Move to fridge'],
  ['a day', () => '/day', 'add what you want to make yourself'],
  ['a new make', () => '/new', 'Start batch'],
  ['Daybook', () => '/daybook', 'Yield'],
  ['its answers', () => '/daybook/answers', 'Where does your hands-on time go?'],
  ['its costs', () => '/daybook/costs', 'Total'],
  ['a year of it', () => '/daybook/year', 'The year'],
  ['two makes side by side', () => `/daybook/${finished}/beside/${running}`, 'Compare batches'],
  ['what things cost', () => '/kitchen/costs', 'Shop prices'],
  ['a record', () => `/daybook/${finished}`, 'Forecast'],
  ['a complaint to choose', () => '/why', 'What is wrong with it?'],
  ['what went wrong', () => `/why/${running}?complaint=not-set`, 'Estimates, from this batch'],
  ['what went wrong with butter', () => `/why/${butter}?complaint=little-butter`, 'None of these fits'],
  ['Kitchen', () => '/kitchen', 'Altitude'],
  ['Practice', () => '/practice', 'Free practice'],
  ['a practice', () => '/practice/cold-warmer?n=4', 'Ends with “Move to fridge”.'],
  ['a class sheet', () => '/practice/sheet', 'Print sheet'],
  ['Kitchen, things', () => '/kitchen/things', 'Warm places'],
  ['Kitchen, people', () => '/kitchen/people', 'Cooks'],
  ['Kitchen, tablets', () => '/kitchen/devices', 'Download back-up'],
  ['this device', () => '/device', 'What works on this device'],
  ['setting this device up', () => '/device?step=sound', 'Play sound'],
  ['a churning', () => `/makes/${churning}`, 'expected now'],
  ['a record of butter', () => `/daybook/${butter}`, 'fat went'],
  ['New butter', () => '/new?make=butter', 'Wash and salt'],
  ['ghee on the fire', () => `/makes/${ghee}`, 'Weight of pan and butter'],
  ['New ghee', () => '/new?make=ghee', 'Clarify'],
  ['New cultured cream', () => '/new?make=cultured-cream', 'Scald'],
  ['the methods', () => '/methods', 'Your batches so far'],
  ['a method beside another', () => '/methods?method=brined&beside=cheddared', 'Total time'],
  ['a method in the changing', () => '/methods?method=skyr&edit=1', 'Save method'],
  ['a new cheese', () => '/new?make=cheese', 'Start batch'],
  ['a first batch', () => '/new?make=yogurt&first=1', 'When do you want it?'],
  ['help', () => '/help', 'Where things are'],
  ['readings from a file', () => `/makes/${running}/file`, 'Choose logger file'],
  ['the milk room', () => '/milk', 'Skim now'],
  ['milk in', () => '/milk/in', 'Add to milk room'],
  ['enough', () => '/milk/enough', 'Left over'],
  ['the months', () => '/milk/months', 'Import milkings'],
  ['the ledger', () => '/milk/ledger', 'received'],
  ['milkings from a file', () => '/milk/file', 'Choose a file'],
  ['the larder', () => '/larder', 'Everyday butter'],
  ['goods', () => `/larder/${goods}`, 'History'],
  ['labels', () => `/larder/${goods}/labels`, 'Print 4 labels'],
  ['putting up', () => '/larder/put-up', 'Add another product'],
  ['putting something up', () => '/larder/put-up/else', 'Add to larder'],
  ['what left the larder', () => '/larder/left', 'Show'],
  ['what to keep in stock', () => '/larder/wanted', 'Amount to have'],
  ['a trace', () => `/larder/recall/${goods}`, 'In stock'],
  ['the cultures', () => '/cultures', 'Start batch'],
  ['a culture in', () => '/cultures/in', 'Add culture'],
  ['a waking in the planning', () => '/cultures/wake', 'Start waking'],
  ['a waking', () => `/makes/${waking}`, 'Feed 1 is in'],
  ...['skim', 'standardise', 'vigour', 'thaw', 'lactation', 'bought', 'drain', 'rennet', 'cheese'].map(
    (name): readonly [string, () => string, string] => [
      `the sum ${name}`,
      () => `/sums/${name}`,
      name === 'lactation' ? 'five days of recorded milk' : 'Cooling time',
    ],
  ),
  ...['cool-down', 'ice-bath', 'set-time', 'dose', 'powder', 'warm-box', 'thermometer', 'pasteurise'].map(
    (name): readonly [string, () => string, string] => [
      `the sum ${name}`,
      () => `/sums/${name}?for=${running}`,
      'Back to Yogurt',
    ],
  ),
];

/** Another light or another size of the same page, once nothing moves or is being worked out any more. */
async function turn(page: Page, dark: boolean, width: number, height: number): Promise<void> {
  await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: dark ? 'dark' : 'light' }]);
  await page.setViewport({ width, height });
  await settled(page, dark);
}

function settled(page: Page, dark: boolean): Promise<unknown> {
  return page.waitForFunction(
    (scheme: string) =>
      document.documentElement.dataset['mantineColorScheme'] === scheme &&
      document.querySelector('.fading') === null &&
      !document.body.innerText.includes('Working out') &&
      // A churn goes up and down for as long as it is churned.
      document
        .getAnimations()
        .every((a) => a.playState !== 'running' || (a as CSSAnimation).animationName === 'dash'),
    { timeout: PATIENCE_MS, polling: 'raf' },
    dark ? 'dark' : 'light',
  );
}

describe('every place, by day, before dawn and on a phone', () => {
  // One tablet goes from place to place; light and size are changed where it stands.
  let tablet: Tablet;
  beforeAll(async () => {
    tablet = await openTablet(browser, world.address);
  });
  afterAll(() => tablet.close());

  test.each(PLACES)(
    '%s has no axe violation and nothing wider than the screen',
    async (_place, path, words) => {
      const { page } = tablet;
      const widest = (): Promise<number> => page.evaluate(() => document.documentElement.scrollWidth);
      await goTo(page, path());
      await see(page, words);
      await turn(page, false, 1280, 800);
      expect(await violations(page)).toEqual([]);
      expect(await widest()).toBeLessThanOrEqual(1280);
      // Names and structure are the same before dawn; what differs are the colours.
      await turn(page, true, 1280, 800);
      expect(await violations(page, 'color-contrast')).toEqual([]);
      await turn(page, false, 390, 844);
      expect(await violations(page)).toEqual([]);
      expect(await widest()).toBeLessThanOrEqual(390);
      expect(tablet.strayRequests).toEqual([]);
      expect(tablet.faults).toEqual([]);
    },
  );
});

describe.each([
  ['day', false],
  ['dark', true],
])('opened further, %s', (_name, dark) => {
  test('planning back with its offers has no axe violation', async () => {
    const tablet = await openTablet(browser, `${world.address}/new`, { dark });
    try {
      await see(tablet.page, 'Start batch');
      for (const line of ['Method', 'Milk', 'Heat', 'Starter', 'Warm place', 'Result', 'Start'])
        await tap(tablet.page, 'button', line);
      await tap(tablet.page, 'radio', 'back from a finish time');
      await tap(tablet.page, 'button', 'Find options');
      await see(tablet.page, 'Use this plan');
      expect(await violations(tablet.page)).toEqual([]);
    } finally {
      await tablet.close();
    }
  });

  test('a word is explained where it stands, by keyboard too, and leads to all words', async () => {
    const tablet = await openTablet(browser, `${world.address}/new`, { dark });
    try {
      const { page } = tablet;
      await see(page, 'of the whey protein unfolds');
      await (await named(page, 'whey protein: what it means', 'button')).focus();
      await page.keyboard.press('Enter');
      await see(page, 'The protein that stays in the whey unless milk was heated.');
      expect(await violations(page)).toEqual([]);
      await tap(page, 'link', 'All words');
      await see(page, 'Where things are');
      await page.waitForFunction(() => document.activeElement?.id === 'word-whey-protein');
      await fill(page, 'Find a word', 'rennet');
      await see(page, 'IMCU');
      await seeNoMore(page, 'Back-slop');
    } finally {
      await tablet.close();
    }
  });

  test('a file as it is understood, with rows left out, has no axe violation', async () => {
    const tablet = await openTablet(browser, `${world.address}/makes/${running}/file`, { dark });
    try {
      await see(tablet.page, 'Choose logger file');
      const file = join(tmpdir(), `axe-${running}.csv`);
      writeFileSync(file, 'time;°C\n2026-03-02 07:00;43,1\n2026-03-02 07:01;ERR\n2026-03-02 07:02;43,0\n');
      await upload(tablet.page, file);
      await see(tablet.page, 'Line 3: “ERR” is not a number.');
      expect(await violations(tablet.page)).toEqual([]);
    } finally {
      await tablet.close();
    }
  });
});

describe('keyboard only', () => {
  test('from the Bench to a new make, a reading and its undo', async () => {
    const tablet = await openTablet(browser, world.address);
    const { page } = tablet;
    const press = (key: Parameters<Page['keyboard']['press']>[0]) => page.keyboard.press(key);
    const focused = () =>
      page.evaluate(() =>
        (
          document.activeElement?.getAttribute('aria-label') ??
          document.activeElement?.textContent ??
          ''
        ).trim(),
      );
    const tabTo = async (name: string): Promise<void> => {
      for (let i = 0; i < 90; i++) {
        if ((await focused()) === name) return;
        await press('Tab');
      }
      throw new Error(`could not reach ${name} by keyboard, stopped at ${await focused()}`);
    };
    const events = (type: string): Promise<number> => world.kitchen.count('event', 'type = ?', [type]);
    try {
      await see(page, 'Next 24 hours');
      await press('?');
      await see(page, 'show these shortcuts');
      await press('Escape');
      await page.waitForFunction(() => !document.body.innerText.includes('show these shortcuts'));
      await press('n');
      await see(page, 'Start batch');
      await tabTo('Start batch');
      const started = await events('make-started');
      await press('Enter');
      await see(page, 'Milk is in the pot');
      expect(await events('make-started')).toBe(started + 1);
      await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
      await press('d');
      await see(page, 'Hot enough');
      await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
      for (const key of ['4', '1'] as const) await press(key);
      await press('Enter');
      await see(page, '41.0 °C · saved');
      await press('u');
      await see(page, 'pouring done · saved');
    } finally {
      await tablet.close();
    }
  });
});

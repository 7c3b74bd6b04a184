import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { draft, intakeDraft, startDraft } from '@morning-crock/server/testing';

import type { Browser, HTTPRequest } from 'puppeteer-core';
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
  setClock,
  startBrowser,
  tap,
  turnTo,
  type Tablet,
  upload,
} from './browser.ts';
import { createWorld, type World } from './world.ts';
import { MINUTE_MS } from '@morning-crock/core';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let browser: Browser;
let world: World;
let tablet: Tablet;
let makeId: string;

const send: World['send'] = (...events) => world.send(...events);
const count = (type: string): Promise<number> => world.kitchen.count('event', 'type = ?', [type]);
async function until(type: string, wanted: number): Promise<void> {
  for (let i = 0; i < 120 && (await count(type)) < wanted; i++)
    await new Promise((resolve) => setTimeout(resolve, 50));
  expect(await count(type)).toBe(wanted);
}

beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(async () => browser.close());

/** A make that is incubating since two hours, on one tablet. */
beforeEach(async () => {
  world = await createWorld(START);
  makeId = ulid();
  world.kitchen.clock.nowMs = START + 4 * 60 * MINUTE_MS;
  await send(
    startDraft(makeId, START),
    ...(['pour', 'heat', 'hold', 'cool'] as const).map((step, i) =>
      draft(makeId, START + (i + 1) * 25 * MINUTE_MS, 'step-done', { step }),
    ),
    draft(makeId, START + 120 * MINUTE_MS, 'starter-added', {
      massKg: 0.05,
      statedRatio: null,
      typed: { value: 50, unit: 'g' },
    }),
  );
  tablet = await openTablet(browser, `${world.address}/makes/${makeId}`);
  await see(tablet.page, 'Move to fridge');
});
afterEach(async () => {
  expect(tablet.strayRequests).toEqual([]);
  await tablet.close();
  await world.close();
});

describe('more than one tablet', () => {
  test('a second browser is told of an event, it does not ask', async () => {
    const other = await openTablet(browser, `${world.address}/makes/${makeId}`);
    await see(other.page, 'Move to fridge');
    const asked: string[] = [];
    other.page.on('request', (request) => asked.push(new URL(request.url()).pathname));
    await tap(tablet.page, 'button', 'trembles');
    await see(other.page, /trembles\s+Edit/);
    expect(asked).not.toContain(`/api/makes/${makeId}`);
    expect(asked).not.toContain('/api/events');
    await see(other.page, 'Nothing to undo on this tablet');
    await other.close();
  });

  test('what was missed while the server was away comes without gaps', async () => {
    await world.goAway();
    await world.comeBack();
    await send(draft(makeId, world.kitchen.clock.nowMs, 'noted', { text: 'first while away' }));
    await send(draft(makeId, world.kitchen.clock.nowMs, 'noted', { text: 'second while away' }));
    await see(tablet.page, 'second while away');
    await see(tablet.page, 'first while away');
  });
});

describe('what fails ends in words and a way on', () => {
  test('a make begun while the server was away, and refused when it is back: why, and its plan to change', async () => {
    const { page } = tablet;
    const lot = ulid();
    await send(intakeDraft(lot, 3, world.kitchen.clock.nowMs - 60 * MINUTE_MS));
    await goTo(page, `/new?from=${lot}`);
    await see(page, 'Start batch');
    await see(page, 'Evening milk');
    await tap(page, 'button', 'Start');
    await fill(page, 'Name', 'Sunday yogurt');
    await world.goAway();
    await tap(page, 'button', 'Start batch');
    await see(page, 'Milk is in the pot');
    await see(page, 'On its own since');
    // Somebody at the kitchen's own computer takes the milk meanwhile.
    const meanwhile = await world.kitchen.reopen();
    const taken = await meanwhile.app.inject({
      method: 'POST',
      url: '/api/events',
      payload: {
        events: [
          draft(lot, world.kitchen.clock.nowMs, 'milk-moved', {
            kind: 'give',
            to: 'animals',
            massKg: 2.9,
            typed: { value: 2900, unit: 'g' },
            note: '',
          }),
        ],
      },
    });
    expect(taken.statusCode).toBe(200);
    await meanwhile.app.close();
    await world.comeBack();
    await see(page, 'Sunday yogurt did not start');
    await see(page, 'There is not enough milk.');
    expect(await count('make-started')).toBe(1);
    await tap(page, 'button', 'Edit plan');
    await see(page, 'Start batch');
    await tap(page, 'button', 'Start');
    const name = await named(page, 'Name', 'textbox');
    expect(await name.evaluate((field) => (field as HTMLInputElement).value)).toBe('Sunday yogurt');
    await seeNoMore(page, 'Not accepted');
  });

  test('times that cannot be worked out: entries are taken all the same, and another attempt may succeed', async () => {
    const other = await openTablet(browser, `${world.address}/milk`, { keepsPage: true });
    const { page } = other;
    try {
      await see(page, 'Milk room');
      let blocked = true;
      // What the browser keeps of the page by now would answer in place of the network.
      await page.setBypassServiceWorker(true);
      await page.setRequestInterception(true);
      page.on('request', (request) => {
        void (blocked && request.url().includes('kitchen.worker') ? request.abort() : request.continue());
      });
      await page.goto(`${world.address}/makes/${makeId}`);
      await see(page, 'This device cannot work out the times right now');
      await fill(page, 'pH reading', '5.6');
      await page.keyboard.press('Enter');
      await until('ph-read', 1);
      await see(page, 'pH 5.60 (meter) · saved');
      blocked = false;
      await tap(page, 'button', 'Try again');
      await see(page, 'Set (about)');
    } finally {
      await other.close();
    }
  });
});

describe('interruptions', () => {
  test('the Bench shows the times last known at once, and rings by them where they cannot be worked out anew', async () => {
    const { page } = tablet;
    await goTo(page, '/');
    await see(page, /ready \d\d:\d\d–\d\d:\d\d/);
    const known = await page.$eval('.tag', (tag) => tag.textContent);
    const withoutWorker = (request: HTTPRequest): void =>
      void (request.url().includes('kitchen.worker') ? request.abort() : request.continue());
    await page.setRequestInterception(true);
    page.on('request', withoutWorker);
    try {
      // Long after it should have been looked at.
      world.advance(150);
      await page.reload();
      await page.waitForSelector('.tag');
      expect(await page.$eval('.tag', (tag) => tag.textContent)).toBe(known);
      await page.waitForSelector('.ringing', { timeout: PATIENCE_MS });
    } finally {
      page.off('request', withoutWorker);
      await page.setRequestInterception(false);
    }
  });

  test('a reload in mid-step loses nothing', async () => {
    await fill(tablet.page, 'pH reading', '5.6');
    await tablet.page.keyboard.press('Enter');
    await see(tablet.page, 'pH 5.60 (meter) · saved');
    await tablet.page.reload();
    await see(tablet.page, 'pH 5.60 (meter) · saved');
    await see(tablet.page, 'Move to fridge');
  });

  test('server away: entries show as kept here, survive a reload of the page, and go out in order once', async () => {
    const { page } = tablet;
    await page.waitForSelector('.curve canvas');
    await world.goAway();
    await fill(page, 'pH reading', '5.7');
    await page.keyboard.press('Enter');
    await tap(page, 'button', 'liquid');
    await see(page, 'On its own since');
    await see(page, 'liquid · waiting to send');
    await see(page, '2 entries are safe');
    expect(await count('ph-read')).toBe(0);
    await world.comeBack();
    await page.reload();
    await until('ph-read', 1);
    await until('cue-seen', 1);
    await see(page, 'liquid · saved');
    await seeNoMore(page, 'On its own since');
    const order = await world.kitchen.rows<{ type: string }>('event', "type IN ('ph-read', 'cue-seen')");
    expect(order.map((r) => r.type)).toEqual(['ph-read', 'cue-seen']);
  });

  test('two quick taps on one control count once', async () => {
    await tablet.page.$$eval('.chip', (chips) => {
      const chip = chips[0] as HTMLElement;
      chip.click();
      chip.click();
    });
    await until('cue-seen', 1);
  });
});

describe('wrong input', () => {
  const refused = async (
    kind: string,
    field: string,
    text: string,
    words: string | RegExp,
  ): Promise<void> => {
    const { page } = tablet;
    const before = (await count('temperature-read')) + (await count('ph-read')) + (await count('weighed'));
    await tap(page, 'button', kind);
    await fill(page, field, text);
    await page.keyboard.press('Enter');
    await see(page, words);
    // What was typed is still there, and nothing was stored.
    expect(await page.$eval('.pad-input', (input) => (input as HTMLInputElement).value)).toBe(text);
    expect((await count('temperature-read')) + (await count('ph-read')) + (await count('weighed'))).toBe(
      before,
    );
  };

  test('unit slips, absurd and unreadable numbers are told beside the field and kept', async () => {
    await refused('°C', 'Temperature, °C', '180', '180 °F is 82 °C');
    await refused('°C', 'Temperature, °C', '-20', 'Milk is frozen at');
    await refused('°C', 'Temperature, °C', 'warm', 'is not a number.');
    await refused('pH', 'pH reading', '45', 'is not possible for milk');
    await refused('pH', 'pH reading', '1,000', 'could mean 1 or 1000');
    await refused('Weight', 'Weight of the yogurt', '0', 'above 0');
  });

  test('a time in the future is refused, an earlier one is accepted and placed', async () => {
    const { page } = tablet;
    await fill(page, 'pH reading', '5.9');
    await setClock(page, 'Time of reading (leave empty for now)', '11:30');
    await tap(page, 'button', 'Save');
    await see(page, 'is in the future');
    expect(await count('ph-read')).toBe(0);
    await setClock(page, 'Time of reading (leave empty for now)', '09:15');
    await tap(page, 'button', 'Save');
    await until('ph-read', 1);
    const rows = await world.kitchen.rows<{ at: Date }>('event', "type = 'ph-read'");
    expect(rows[0]!.at.toISOString()).toBe('2026-03-02T09:15:00.000Z');
  });

  test('a new make explains what cannot be and does not start', async () => {
    const { page } = tablet;
    await goTo(page, '/new');
    await see(page, 'Start batch');
    await fill(page, 'Amount', '-3');
    await see(page, 'Enter an amount above 0');
    await fill(page, 'Amount', '2000');
    await see(page, 'Did you mean millilitres?');
    await see(page, 'Correct the marked field first.');
    expect(await page.$eval('.great', (b) => (b as HTMLButtonElement).disabled)).toBe(true);
    await fill(page, 'Amount', '5.4');
    await see(page, 'too full and would boil over');
    await fill(page, 'Amount', '2');
    await seeNoMore(page, 'too full');
    await tap(page, 'button', 'Warm place');
    await turnTo(await named(page, 'Dial setting: 43.0 °C'), '80');
    await see(page, '80 °C is too hot to incubate');
    await turnTo(await named(page, 'Dial setting: 80 °C'), '27');
    await see(page, '27.0 °C is too cool for yogurt');
    expect(await count('make-started')).toBe(1);
  });

  test.each([
    ['another program’s file', '{"batches":[]}', 'not a Morning Crock export'],
    ['a newer version', '{"format":"morning-crock-daybook","version":7}', 'newer version of Morning Crock'],
    ['broken JSON', '{"format":', 'cannot be read as a JSON file'],
  ])('importing %s says so and changes nothing', async (_name, content, words) => {
    const { page } = tablet;
    await goTo(page, '/daybook');
    const before = await world.kitchen.count('event');
    const file = join(tmpdir(), `wrong-${ulid()}.json`);
    writeFileSync(file, content);
    await upload(page, file);
    await see(page, words);
    expect(await world.kitchen.count('event')).toEqual(before);
  });

  test('a kitchen’s absurd room heat is refused beside the field', async () => {
    const { page } = tablet;
    await goTo(page, '/kitchen');
    await fill(page, 'Room temperature (°C)', '70');
    await see(page, 'That looks like °F');
    await tap(page, 'button', 'Save');
    await see(page, 'Not saved');
    expect(await count('kitchen-changed')).toBe(0);
    await fill(page, 'Room temperature (°C)', '21');
    await tap(page, 'button', 'Save');
    await until('kitchen-changed', 1);
  });
});

describe('units', () => {
  test('the whole make switches to °F', async () => {
    const { page } = tablet;
    await goTo(page, '/kitchen');
    await tap(page, 'radio', '°F');
    await tap(page, 'radio', 'US');
    await tap(page, 'button', 'Save');
    await until('kitchen-changed', 1);
    await goTo(page, `/makes/${makeId}`);
    await see(page, '109 °F');
    await see(page, '2.11 qt (US)');
    await tap(page, 'button', '°F');
    await fill(page, 'Temperature, °F', '108');
    await page.keyboard.press('Enter');
    await until('temperature-read', 1);
    const rows = await world.kitchen.rows<{ data: { celsius: number; typed: unknown } }>(
      'event',
      "type = 'temperature-read'",
    );
    expect(rows[0]!.data.celsius).toBeCloseTo(42.22, 2);
    expect(rows[0]!.data.typed).toEqual({ value: 108, unit: 'F' });
  });
});

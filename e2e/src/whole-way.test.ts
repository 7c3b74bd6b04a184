import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { EventType, StoredEvent } from '@morning-crock/core/contract';
import { readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser } from 'puppeteer-core';
import {
  fill,
  openTablet,
  PATIENCE_MS,
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
  world = await createWorld(START);
  tablet = await openTablet(browser, world.address);
});
afterAll(async () => {
  expect(tablet.strayRequests).toEqual([]);
  expect(tablet.faults).toEqual([]);
  await browser.close();
  await world.close();
});

interface Row {
  readonly type: string;
  readonly data: Record<string, unknown>;
}
const rows = (): Promise<Row[]> => world.kitchen.rows<Row>('event', "type <> 'kitchen-changed'");
const latest = async (type: EventType): Promise<Record<string, unknown>> => {
  const all = await world.entries(type);
  expect(all.length).toBeGreaterThan(0);
  return all.at(-1)!.data;
};
const passes = (minutes: number): Promise<void> => later(world, minutes, tablet.page);

describe('the whole way of one pot', () => {
  test('an empty kitchen leads to the first make', async () => {
    const { page } = tablet;
    await see(page, 'There is nothing to set up');
    await see(page, /Yogurt\s+Milk and live plain yogurt\s+about \d+ h/);
    await tap(page, 'button', 'More to make');
    await see(page, /Ghee\s+Butter\s+about/);
    await (await page.waitForSelector('a[href="/new?make=yogurt&first=1"]'))!.click();
    await see(page, 'Make yogurt');
    await see(page, 'How much milk?');
    await see(page, 'Which starter?');
    await see(page, 'as soon as possible');
  });

  test('nothing but the litres is typed; the forecast follows', async () => {
    const { page } = tablet;
    await see(page, /Ready, classic\s+\d\d:\d\d–\d\d:\d\d/);
    const before = await page.evaluate(() => document.querySelector('.outlook .facts')?.textContent);
    await fill(page, 'Amount', '3,4');
    await page.waitForFunction(
      (old) => document.querySelector('.outlook .facts')?.textContent !== old,
      {},
      before,
    );
    await see(page, '70 g');
    await tap(page, 'button', 'Start batch');
    await see(page, 'Milk is in the pot');
    await world.stored('planned', 1);
    const { plan } = (await latest('make-started')) as { plan: { milk: { litres: number; typed: unknown } } };
    expect(plan.milk).toMatchObject({ litres: 3.4, typed: { value: 3.4, unit: 'L' } });
    const { forecast } = (await latest('planned')) as {
      forecast: { set: { p10: number; p90: number }; members: number };
    };
    expect(forecast.members).toBe(1000);
    expect(forecast.set.p90).toBeGreaterThan(forecast.set.p10);
  });

  test('heating: readings fill the meter and move the time', async () => {
    const { page } = tablet;
    world.advance(4);
    await tap(page, 'button', 'Milk is in the pot');
    await see(page, 'Hot enough');
    await world.stored('step-done', 1);
    await passes(12);
    await fill(page, 'Temperature, °C', '48.5');
    await page.keyboard.press('Enter');
    await see(page, '48.5 °C · saved');
    await passes(10);
    await fill(page, 'Temperature, °C', '85');
    await page.keyboard.press('Enter');
    await world.stored('temperature-read', 2);
    await tap(page, 'button', 'Hot enough');
    await world.stored('step-done', 2);
    await passes(10);
    await see(page, /Whey protein unfolded: about (8[5-9]|9\d) %/);
    await tap(page, 'button', 'Held long enough');
    await see(page, 'Cool enough');
    await world.stored('step-done', 3);
    expect(await latest('temperature-read')).toEqual({
      celsius: 85,
      instrument: 'hand',
      typed: { value: 85, unit: 'C' },
    });
  });

  test('cooling is refitted from the second reading on', async () => {
    const { page } = tablet;
    const coolAt = async (): Promise<string> => {
      await see(page, 'Cool enough');
      await page.waitForFunction(() => /To 44\.0 °C, in about/.test(document.body.innerText), {
        timeout: PATIENCE_MS,
      });
      return page.$eval('.bead.current .when', (e) => e.textContent);
    };
    await passes(1);
    await coolAt();
    await fill(page, 'Temperature, °C', '80');
    await page.keyboard.press('Enter');
    await world.stored('temperature-read', 3);
    await passes(20);
    const before = await coolAt();
    await fill(page, 'Temperature, °C', '66');
    await page.keyboard.press('Enter');
    await world.stored('temperature-read', 4);
    await page.waitForFunction(
      (old) => document.querySelector('.bead.current .when')?.textContent !== old,
      { timeout: PATIENCE_MS },
      before,
    );
    await passes(45);
    await tap(page, 'button', 'Cool enough');
    await world.stored('step-done', 4);
  });

  test('inoculating with the real dose', async () => {
    const { page } = tablet;
    await see(page, 'Starter is in');
    await fill(page, 'Starter added', '82');
    await page.keyboard.press('Enter');
    await see(page, 'Move to fridge');
    await world.stored('starter-added', 1);
    expect(await latest('starter-added')).toMatchObject({ massKg: 0.082, typed: { value: 82, unit: 'g' } });
  });

  const readySpan = async (): Promise<number> => {
    const { page } = tablet;
    await see(page, /Ready \d\d:\d\d–\d\d:\d\d/);
    const text = await page.evaluate(
      () => /Ready (\d\d):(\d\d)–(\d\d):(\d\d)/.exec(document.body.innerText)?.slice(1).map(Number) ?? [],
    );
    return (text[2]! - text[0]!) * 60 + text[3]! - text[1]!;
  };

  test('a pH reading narrows the band and a cue is stored', async () => {
    const { page } = tablet;
    await passes(150);
    const before = await readySpan();
    await fill(page, 'pH reading', '5.42');
    await page.keyboard.press('Enter');
    await world.stored('ph-read', 1);
    await page.waitForFunction(
      (wide) => {
        const m = /Ready (\d\d):(\d\d)–(\d\d):(\d\d)/.exec(document.body.innerText)?.slice(1).map(Number);
        return m && (m[2]! - m[0]!) * 60 + m[3]! - m[1]! < wide;
      },
      { timeout: PATIENCE_MS },
      before,
    );
    await tap(page, 'button', 'trembles');
    await world.stored('cue-seen', 1);
  });

  test('alarms ring when due and are silenced on every tablet', async () => {
    const { page } = tablet;
    await passes(75);
    await see(page, 'Check for souring');
    const second = await openTablet(browser, world.address);
    await see(second.page, 'Check for souring');
    await tap(page, 'button', 'Got it');
    await seeNoMore(page, 'Check for souring');
    await seeNoMore(second.page, 'Check for souring');
    await see(second.page, 'Check now');
    await tap(second.page, 'button', 'Got it');
    await seeNoMore(page, 'Check now');
    await second.close();
    expect(await latest('alarm-acknowledged')).toEqual({ alarm: 'look-now' });
  });

  test('a reading that cannot be believed is said in words, and undone', async () => {
    const { page } = tablet;
    await fill(page, 'pH reading', '6.6');
    await tap(page, 'button', 'Save');
    await see(page, /starter weak/);
    await tap(page, 'button', 'Undo');
    await world.stored('voided', 1);
    await seeNoMore(page, 'tired starter');
  });

  test('set, chilled, weighed, tasted, some kept, finished', async () => {
    const { page } = tablet;
    await tap(page, 'button', 'set');
    await see(page, 'Souring was confirmed in time');
    await tap(page, 'button', 'Move to fridge');
    await world.stored('step-done', 5);
    await passes(300);
    await tap(page, 'button', 'Chilled through');
    await fill(page, 'Weight of the yogurt', '3420');
    await page.keyboard.press('Enter');
    await see(page, 'Save taste');
    await tap(page, 'radio', 'firm');
    await fill(page, 'Notes', 'Clean, stands well.');
    await tap(page, 'button', 'Save taste');
    await fill(page, 'Kept for next time', '60');
    await page.keyboard.press('Enter');
    await tap(page, 'button', 'Finish batch');
    await see(page, 'This batch is finished.');
    await world.stored('finished', 1);
    expect(await latest('weighed')).toMatchObject({ massKg: 3.42 });
    expect(await latest('tasted')).toEqual({
      sourness: 'classic',
      texture: 'firm',
      text: 'Clean, stands well.',
    });
    expect(await latest('reserved')).toMatchObject({ massKg: 0.06 });
  });

  test('the Daybook shows forecast against real, mass in and out', async () => {
    const { page } = tablet;
    await tap(page, 'link', 'Daybook');
    await see(page, '3.42 kg');
    await see(page, /kept, classic, firm/);
    await tap(page, 'link', 'Yogurt');
    await see(page, 'Forecast');
    await see(page, /Yield\s+3\.42 kg/);
    await see(page, /min (later|earlier)|on time/);
    await see(page, 'Clean, stands well.');
  });

  test('a correction changes what is shown and keeps what was entered', async () => {
    const { page } = tablet;
    await tap(page, 'button', 'Edit: weighed 3.42 kg');
    await fill(page, 'Value (g)', '3402');
    await tap(page, 'button', 'Save changes');
    await see(page, /Yield\s+3\.40 kg/);
    await world.stored('corrected', 1);
    expect(await latest('weighed')).toMatchObject({ massKg: 3.42 });
  });

  test('exported and imported into an empty kitchen: the same daybook', async () => {
    const file = join(tmpdir(), `daybook-${process.pid}.json`);
    const answer = await fetch(`${world.address}/api/export`);
    writeFileSync(file, await answer.text());
    const other = await createWorld(world.kitchen.clock.nowMs);
    const empty = await openTablet(browser, `${other.address}/daybook`);
    try {
      await see(empty.page, 'No batches yet');
      await upload(empty.page, file);
      await see(empty.page, /1 batch read\. \d+ entries added/);
      await see(empty.page, '3.40 kg');
      const there = await other.kitchen.count('event', "type <> 'kitchen-changed'");
      expect(there).toBe((await rows()).length);
      const { makes } = JSON.parse(readFileSync(file, 'utf8')) as { makes: { events: StoredEvent[] }[] };
      expect(makes[0]!.events.length).toBe((await rows()).length);
    } finally {
      await empty.close();
      await other.close();
    }
  });

  test('making it again takes two taps from the Bench', async () => {
    const { page } = tablet;
    await tap(page, 'link', 'Bench');
    await tap(page, 'link', 'Repeat Yogurt');
    await see(page, 'Repeat Yogurt');
    await tap(page, 'button', 'Start batch');
    await see(page, 'Milk is in the pot');
    await world.stored('make-started', 2);
    expect((await latest('make-started'))['plan']).toMatchObject({ milk: { litres: 3.4 } });
  });
});

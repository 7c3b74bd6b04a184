import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { EventType } from '@morning-crock/core/contract';
import { draft, startDraft } from '@morning-crock/server/testing';
import { truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser } from 'puppeteer-core';
import { ulid } from 'ulid';
import {
  fill,
  named,
  goTo,
  openTablet,
  see,
  seeNoMore,
  startBrowser,
  tap,
  setClock,
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
const dataOf = async (type: EventType) => (await world.entries(type)).map((entry) => entry.data);
/** What so many entries of a type hold, once they are in the database. */
async function stored(type: EventType, count: number): Promise<Record<string, unknown>[]> {
  const all = await world.stored(type, count);
  expect(all).toHaveLength(count);
  return all.map((entry) => entry.data);
}
const total = async (): Promise<unknown> =>
  Promise.all([world.kitchen.count('event'), world.kitchen.count('trace_chunk')]);

beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(async () => browser.close());

/** A make that has been held hot and is about to cool. */
beforeEach(async () => {
  world = await createWorld(START);
  makeId = ulid();
  world.kitchen.clock.nowMs = START + 80 * MINUTE_MS;
  await send(
    startDraft(makeId, START),
    ...(['pour', 'heat', 'hold'] as const).map((step, i) =>
      draft(makeId, START + (i + 1) * 20 * MINUTE_MS, 'step-done', { step }),
    ),
  );
});
afterEach(async () => {
  expect(tablet.strayRequests).toEqual([]);
  expect(tablet.faults).toEqual([]);
  await tablet.close();
  await world.close();
});
const inoculate = (): Promise<void> => {
  world.kitchen.clock.nowMs = START + 300 * MINUTE_MS;
  return send(
    draft(makeId, START + 100 * MINUTE_MS, 'step-done', { step: 'cool' }),
    draft(makeId, START + 105 * MINUTE_MS, 'starter-added', {
      massKg: 0.05,
      statedRatio: null,
      typed: { value: 50, unit: 'g' },
    }),
  );
};

describe('instruments', () => {
  test('a checked thermometer: its readings are set right, what it said is kept', async () => {
    tablet = await openTablet(browser, `${world.address}/sums/thermometer`);
    const { page } = tablet;
    await fill(page, 'Name', 'Stem');
    await fill(page, 'In ice slush (°C)', '30');
    await see(page, 'off for melting ice');
    await fill(page, 'In ice slush (°C)', '0,8');
    await see(page, 'reads 0.8 °C too high');
    await tap(page, 'button', 'Save check');
    const [change] = await stored('kitchen-changed', 1);
    expect(change).toMatchObject({
      section: 'thermometers',
      value: [{ name: 'Stem', iceC: 0.8, boilingC: null }],
    });
    await goTo(page, `/makes/${makeId}`);
    await see(page, 'Too hot kills the culture');
    const select = await named(page, 'Thermometer');
    await select.select(((change as { value: { id: string }[] }).value[0] as { id: string }).id);
    await fill(page, 'Temperature, °C', '61');
    await page.keyboard.press('Enter');
    await see(page, /60 °C \(Stem, thermometer read 61 °C\) · saved/);
    const [reading] = await stored('temperature-read', 1);
    expect(reading).toMatchObject({
      celsius: 60.2,
      rawC: 61,
      instrument: 'Stem',
      typed: { value: 61, unit: 'C' },
    });
  });

  test('a titration counts as acidity', async () => {
    await inoculate();
    tablet = await openTablet(browser, `${world.address}/makes/${makeId}`);
    const { page } = tablet;
    await see(page, 'Move to fridge');
    await tap(page, 'button', 'Acidity');
    await fill(page, '0.1 N NaOH used, mL', '90');
    await tap(page, 'button', 'Save');
    await see(page, 'more than a burette holds');
    expect(await dataOf('titrated')).toEqual([]);
    await fill(page, '0.1 N NaOH used, mL', '8,1');
    await fill(page, 'Sample titrated with 0.1 N NaOH, g', '9');
    await tap(page, 'button', 'Save');
    await see(page, 'titratable acidity 0.81 % (8.1 mL lye on 9 g) · saved');
    const [entry] = await stored('titrated', 1);
    expect(entry).toMatchObject({ naohMl: 8.1, sampleG: 9 });
    await see(page, 'Souring was confirmed in time');
  });
});

describe('a logger’s file', () => {
  const rowsFrom = (fromMs: number, count: number): string[] =>
    Array.from({ length: count }, (_, i) => {
      const at = new Date(fromMs + i * 10_000).toISOString();
      return `${at.slice(8, 10)}.${at.slice(5, 7)}.${at.slice(0, 4)} ${at.slice(11, 19)};${(43 + (i % 7) / 10).toFixed(1).replace('.', ',')}`;
    });
  const write = (content: string | Buffer): string => {
    const file = join(tmpdir(), `log-${ulid()}.csv`);
    writeFileSync(file, content);
    return file;
  };
  async function choose(file: string): Promise<void> {
    await upload(tablet.page, file);
  }
  beforeEach(async () => {
    await inoculate();
    tablet = await openTablet(browser, `${world.address}/makes/${makeId}/file`);
    await see(tablet.page, 'Choose logger file');
  });

  test('is understood, shown with its bad rows, and stored only when confirmed; again it changes nothing', async () => {
    const { page } = tablet;
    const lines = ['Zeit;Fühler °C', ...rowsFrom(START - 5 * 10_000, 605)];
    lines[10] = '02.03.2026 06:00:40;ERR';
    lines[20] = 'no time here;43,0';
    // As an older logger writes it: Western European, not UTF-8.
    const file = write(Buffer.from(lines.join('\r\n'), 'latin1'));
    const before = await total();
    await choose(file);
    await see(page, 'Western European');
    await see(page, 'Line 11: “ERR” is not a number.');
    await see(page, 'Line 21: “no time here” does not fit the time format');
    await see(page, '5 rows are from before the batch started');
    await see(page, 'Save 598 readings');
    expect(await total()).toEqual(before);
    await fill(page, 'Name', 'Box logger');
    await tap(page, 'button', 'Save 598 readings');
    await see(page, '598 readings saved, 5 outside this batch left out');
    const [trace] = await stored('trace-imported', 1);
    expect(trace).toMatchObject({ rows: 598, unit: 'C', instrument: 'Box logger', quantity: 'temperature' });
    const after = await total();
    await choose(file);
    await fill(page, 'Name', 'Box logger');
    await tap(page, 'button', 'Save 598 readings');
    await see(page, 'Nothing new. All these readings are already saved.');
    expect(await total()).toEqual(after);
    await tap(page, 'link', 'Open readings');
    await see(page, '598 readings from Box logger');
  });

  test('a wrong guess is put right before anything is stored', async () => {
    const { page } = tablet;
    await choose(
      write(
        [
          't,v',
          ...rowsFrom(START + 10 * MINUTE_MS, 50).map((r) => r.replace(',', '.').replace(';', ',')),
        ].join('\n'),
      ),
    );
    await see(page, 'does not say °C or °F');
    await tap(page, 'radio', '°F');
    await see(page, '6.1 °C');
    await tap(page, 'radio', '°C');
    await see(page, '43.0 °C');
    await tap(page, 'button', 'Save 50 readings');
    const [trace] = await stored('trace-imported', 1);
    expect(trace).toMatchObject({ unit: 'C', rows: 50 });
  });

  test.each([
    ['an empty file', (): string => write(''), 'The file is empty'],
    ['a picture', (): string => write(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 1, 2])), 'not a text file'],
    ['a letter', (): string => write('Dear friends,\nthe yogurt is good.\n'), 'No time column with values'],
    [
      'a huge one',
      (): string => {
        const file = write('time,°C\n');
        truncateSync(file, 65 * 1024 * 1024);
        return file;
      },
      'The limit is 64 MB',
    ],
  ])('%s is refused with what to do, and nothing is stored', async (_name, file, words) => {
    const before = await total();
    await choose(file());
    await see(tablet.page, words);
    await see(tablet.page, 'Nothing was changed');
    expect(await total()).toEqual(before);
  });

  test('a file of another day has no reading of this make', async () => {
    await choose(write(['time;°C', ...rowsFrom(START - 9 * 24 * 60 * MINUTE_MS, 30)].join('\n')));
    await see(tablet.page, 'No readings for this batch');
    expect(await dataOf('trace-imported')).toEqual([]);
  });
});

describe('more of the pot', () => {
  test('in a hurry: a cold bath on the cooling step, and its time follows', async () => {
    tablet = await openTablet(browser, `${world.address}/makes/${makeId}`);
    const { page } = tablet;
    await see(page, /uncovered\s+about \d+ min/);
    const buttons = await page.$$('.ways button');
    // Uncovered, under its lid, in cold water, in iced water.
    await buttons[2]!.click();
    const [change] = await stored('replanned', 1);
    expect(change).toMatchObject({ cooling: { kind: 'bath' }, why: 'in cold water' });
    await see(page, 'Stand the pot in cold water');
    await see(page, /To 44\.0 °C, in about \d+ min|To 44\.0 °C, about now/);
    await tap(page, 'link', 'Open Ice bath');
    await see(page, 'Back to Yogurt');
    await see(page, 'ice needed');
    await tap(page, 'button', 'Ice: more');
    await tap(page, 'button', 'Use for Yogurt');
    const changes = await stored('replanned', 2);
    expect(changes[1]).toMatchObject({ cooling: { kind: 'iced-bath' } });
    await see(page, 'iced water');
  });

  test('jars of the kitchen are filled, and finish apart', async () => {
    const jars = [
      { id: ulid(), name: 'Tall', litres: 1, count: 2 },
      { id: ulid(), name: 'Small', litres: 0.3, count: 3 },
    ];
    await send(draft(world.kitchen.kitchenId, START, 'kitchen-changed', { section: 'jars', value: jars }));
    tablet = await openTablet(browser, `${world.address}/new`);
    const { page } = tablet;
    await see(page, 'Start batch');
    await tap(page, 'button', 'Warm place');
    await tap(page, 'button', 'Fill my jars');
    await see(page, 'Everything fits');
    await tap(page, 'button', 'Start batch');
    await see(page, 'Milk is in the pot');
    const [, started] = await stored('make-started', 2);
    const planned = (started as { plan: { jars: { id: string; name: string }[] } }).plan.jars;
    expect(planned.map((j) => j.name)).toEqual(['Tall 1', 'Tall 2', 'Small 1']);
    const own = (await world.entries('make-started')).at(-1)!.streamId;
    const at = world.kitchen.clock.nowMs;
    await send(
      ...(['pour', 'heat', 'hold', 'cool'] as const).map((step, i) =>
        draft(own, at + i * 1000, 'step-done', { step }),
      ),
      draft(own, at + 5000, 'starter-added', {
        massKg: 0.05,
        statedRatio: null,
        typed: { value: 50, unit: 'g' },
      }),
    );
    world.advance(300);
    await goTo(page, `/makes/${own}`);
    await tap(page, 'button', 'Move Small 1 to fridge');
    await see(page, /in the fridge since/);
    expect(await stored('jar-chilled', 1)).toEqual([{ jar: planned[2]!.id }]);
    await see(page, 'Move to fridge');
    await tap(page, 'button', 'Move Tall 1 to fridge');
    await tap(page, 'button', 'Move Tall 2 to fridge');
    await stored('jar-chilled', 3);
    await see(page, 'Chilled through');
  });

  test('powder from the sums goes into the new make that asked', async () => {
    tablet = await openTablet(browser, `${world.address}/new`);
    const { page } = tablet;
    await see(page, 'Start batch');
    await fill(page, 'Amount', '3');
    await tap(page, 'button', 'Milk');
    await tap(page, 'link', 'Add milk or milk powder');
    await see(page, /probably/);
    await turnTo((await page.$$('input[type=range]'))[1]!, '90');
    await see(page, '90 g');
    await tap(page, 'button', 'Use milk for Yogurt');
    await see(page, 'with 90 g milk powder');
    await tap(page, 'button', 'Start batch');
    await see(page, 'Whisk in the milk powder while the milk is cold');
    const all = await stored('make-started', 2);
    expect(all[1]).toMatchObject({ plan: { milk: { litres: 3, powder: { kind: 'skim', massKg: 0.09 } } } });
  });
});

describe('planning backwards', () => {
  test('ready to eat tomorrow at seven: a way is taken and starts when it says', async () => {
    tablet = await openTablet(browser, `${world.address}/new`);
    const { page } = tablet;
    await see(page, 'Start batch');
    await tap(page, 'button', 'Start');
    await tap(page, 'radio', 'back from a finish time');
    await tap(page, 'button', 'Find options');
    await see(page, /Start \d\d:\d\d/);
    await see(page, 'as planned');
    const offered = await page.$eval('.offer-time', (e) => e.textContent.replace('Start ', ''));
    await tap(page, 'button', 'Use this plan');
    await see(page, `Starts ${offered}, as suggested.`);
    await tap(page, 'button', 'Start batch');
    const all = await stored('make-started', 2);
    const { startAt } = (all[1] as { plan: { startAt: string } }).plan;
    expect(startAt.slice(11, 16)).toBe(offered);
    const [planned] = await stored('planned', 1);
    const pickUp = (planned as { forecast: { pickUp: { p90: number } } }).forecast.pickUp.p90;
    expect(pickUp + 4 * 60 * MINUTE_MS).toBeLessThanOrEqual(Date.parse('2026-03-03T07:00:00.000Z'));
  });

  test('too soon: none, with the reason and the earliest', async () => {
    tablet = await openTablet(browser, `${world.address}/new`);
    const { page } = tablet;
    await see(page, 'Start batch');
    await tap(page, 'button', 'Start');
    await tap(page, 'radio', 'back from a finish time');
    const day = await named(page, 'Day', 'combobox');
    await day.select('0');
    await setClock(page, 'By', '10:00');
    await tap(page, 'button', 'Find options');
    await see(
      page,
      /cannot be ready by then with the changes you allow\. The earliest time is about \d\d:\d\d/,
    );
    expect(await dataOf('make-started')).toHaveLength(1);
  });

  test('a late make: what is left is planned anew', async () => {
    tablet = await openTablet(browser, `${world.address}/makes/${makeId}`);
    const { page } = tablet;
    await see(page, 'Cool enough');
    await tap(page, 'button', 'Replan batch');
    await setClock(page, 'By', '13:30');
    await tap(page, 'button', 'Find options');
    await see(page, 'Use this plan');
    await tap(page, 'button', 'Use this plan');
    const [change] = await stored('replanned', 1);
    expect((change as { why: string }).why.length).toBeGreaterThan(3);
    await seeNoMore(page, 'Use this plan');
    await see(page, /replanned/);
  });
});

import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type {
  Culture,
  CulturesResponse,
  EventType,
  Lot,
  LotFacts,
  MilkRoomResponse,
} from '@morning-crock/core/contract';
import { cultureDraft, draft, intakeDraft } from '@morning-crock/server/testing';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser } from 'puppeteer-core';
import { ulid } from 'ulid';
import {
  fill,
  goTo,
  named,
  openEntry,
  openTablet,
  PATIENCE_MS,
  see,
  seeNoMore,
  setClock,
  startBrowser,
  tap,
  type Tablet,
  upload,
} from './browser.ts';
import { later } from './later.ts';
import { createWorld, type World } from './world.ts';
import { HOUR_MS, MINUTE_MS } from '@morning-crock/core';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let browser: Browser;
let world: World;
let tablet: Tablet;

beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(async () => browser.close());
beforeEach(async () => {
  world = await createWorld(START);
});
afterEach(async () => {
  expect(tablet.strayRequests).toEqual([]);
  expect(tablet.faults).toEqual([]);
  await tablet.close();
  await world.close();
});

const send: World['send'] = (...events) => world.send(...events);
/** Everything a stored entry of these journeys may carry. */
interface Data {
  readonly kind: string;
  readonly massKg: number;
  readonly litres: number;
  readonly typed: unknown;
  readonly lot: LotFacts;
  readonly from: readonly { readonly lotId: string; readonly massKg: number }[];
  readonly plan: { readonly starter: { readonly cultureId: string; readonly turn: number } };
}
const stored = (type: EventType, wanted: number) => world.stored<Data>(type, wanted);
const lots = async (): Promise<Lot[]> =>
  (await world.kitchen.app.inject('/api/milk')).json<MilkRoomResponse>().lots;
const cultures = async (): Promise<Culture[]> =>
  (await world.kitchen.app.inject('/api/cultures')).json<CulturesResponse>().cultures;
/** The page at an address, at the kitchen's present time. */
const go = (path: string) => goTo(tablet.page, path);

const intake = (id: string, litres: number, facts: Partial<LotFacts> = {}, atMs = START - 14 * HOUR_MS) =>
  intakeDraft(id, litres, atMs, facts);

describe('from the milking to the next turn', () => {
  test('intake, settle, skim, pool, pour into a make, reserve, next turn', async () => {
    tablet = await openTablet(browser, `${world.address}/milk`);
    const { page } = tablet;
    await see(page, 'No milk yet');
    await tap(page, 'link', 'Add milk');
    await fill(page, 'Animal, herd or shop', 'Fern');
    await fill(page, 'Amount', '8,4');
    await tap(page, 'radio', 'raw');
    await tap(page, 'button', 'Add to milk room');
    await see(page, 'Skim now');
    const [came] = await stored('milk-moved', 1);
    expect(came!.data).toMatchObject({ typed: { value: 8.4, unit: 'L' }, lot: { treatment: 'raw' } });
    expect(came!.data.litres).toBeCloseTo(8.4, 6);

    world.advance(14 * 60);
    await go('/milk');
    await see(page, 'Undisturbed for about 14 h.');
    await see(page, 'Skim in 6 h');
    await tap(page, 'button', 'Skim cream');
    await tap(page, 'button', 'Save skimming');
    await see(page, 'Cream pot');
    await stored('milk-moved', 3);
    const room = await lots();
    const pot = room.find((l) => l.role === 'pot')!;
    const rest = room.find((l) => l.role === 'skimmed')!;
    expect(pot.portions).toHaveLength(1);
    expect(pot.has.massKg + rest.has.massKg).toBeCloseTo(8.4 * 1.0302, 1);
    expect((pot.has.fatKg + rest.has.fatKg) / (pot.has.massKg + rest.has.massKg)).toBeCloseTo(0.037, 6);
    await go(`/milk?lot=${pot.id}`);
    await see(page, 'Add your churns in Kitchen.');

    // The kitchen's clock stands still between steps, a page's goes on: what is poured after a reload must be later than
    // what was skimmed before it.
    world.advance(2);
    await go(`/milk?lot=${rest.id}`);
    await tap(page, 'link', 'Use in a batch');
    await see(page, 'raw, 1.');
    await tap(page, 'button', 'Start batch');
    await see(page, 'Milk is in the pot');
    expect((await lots()).find((l) => l.id === rest.id)?.spokenForKg).toBeGreaterThan(2);
    await tap(page, 'button', 'Milk is in the pot');
    const [poured] = await stored('milk-poured', 1);
    expect(poured!.data.from[0]!.lotId).toBe(rest.id);
    await see(page, 'Hot enough');
    const after = (await lots()).find((l) => l.id === rest.id)!;
    expect(after.has.massKg).toBeCloseTo(rest.has.massKg - poured!.data.from[0]!.massKg, 6);
    expect(after.spokenForKg).toBe(0);

    const make = poured!.streamId;
    world.advance(10 * 60);
    const nowMs = world.kitchen.clock.nowMs;
    await send(
      ...(['heat', 'hold', 'cool'] as const).map((step, i) =>
        draft(make, nowMs - (9 - i) * HOUR_MS, 'step-done', { step }),
      ),
      draft(make, nowMs - 6 * HOUR_MS, 'starter-added', { massKg: 0.04, statedRatio: null, typed: null }),
      draft(make, nowMs - HOUR_MS, 'cue-seen', { cue: 'set', cleanSmell: true }),
      draft(make, nowMs - 30 * MINUTE_MS, 'step-done', { step: 'incubate' }),
      draft(make, nowMs - 10 * MINUTE_MS, 'step-done', { step: 'chill' }),
      draft(make, nowMs - 5 * MINUTE_MS, 'weighed', { massKg: 1.9, typed: { value: 1.9, unit: 'kg' } }),
    );
    await go('/cultures');
    await see(page, 'Keep a spoonful for the next batch before you eat the rest.');
    await tap(page, 'link', 'Yogurt');
    await see(page, 'No starter is set aside for the next batch');
    await send(draft(make, nowMs, 'tasted', { sourness: 'classic', texture: 'spoonable', text: '' }));
    await fill(page, 'Kept for next time', '60');
    await page.keyboard.press('Enter');
    await stored('reserved', 1);
    const [turn] = await cultures();
    expect(turn).toMatchObject({ turn: 1, massKg: 0.06, bornOf: make });

    await go('/cultures');
    await see(page, 'generation 1, made today, in the fridge');
    await seeNoMore(page, 'Keep a spoonful for the next batch');
    await tap(page, 'link', 'Start batch');
    await see(page, 'generation 1,');
    await tap(page, 'button', 'Starter');
    await see(page, 'Dose to match a fresh starter (2 %):');
    await tap(page, 'button', 'Start batch');
    await see(page, 'Milk is in the pot');
    const started = await stored('make-started', 2);
    expect(started[1]!.data.plan.starter).toMatchObject({ cultureId: turn!.id, lineId: turn!.id, turn: 1 });
  });

  test('two tablets plan the last litre at once: one gets it, the other is told and keeps its plan', async () => {
    const lot = ulid();
    await send(intake(lot, 4));
    tablet = await openTablet(browser, `${world.address}/new?from=${lot}:3`);
    const other = await openTablet(browser, `${world.address}/new?from=${lot}:3`);
    try {
      await Promise.all([tablet, other].map((t) => see(t.page, 'raw, 4.0 % fat')));
      await Promise.all([tablet, other].map((t) => tap(t.page, 'button', 'Start batch')));
      await stored('planned', 1);
      const texts = async (): Promise<string[]> =>
        Promise.all([tablet, other].map((t) => t.page.evaluate(() => document.body.innerText)));
      for (let i = 0; i < 100; i++) {
        const [a, b] = await texts();
        if (/Not started/.test(a! + b!) && /Milk is in the pot/.test(a! + b!)) break;
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
      const [told] = (await texts()).filter((t) => t.includes('did not start'));
      expect(told).toMatch(
        /Evening milk: 2\.92 L needed, 4 L in stock, 2\.92 L of it set aside for other batches/,
      );
      expect((await texts()).filter((t) => t.includes('Milk is in the pot'))).toHaveLength(1);
      expect(await world.entries('make-started')).toHaveLength(1);
      expect((await lots())[0]).toMatchObject({ spokenForKg: 3 });
    } finally {
      await other.close();
    }
  });

  test('what cannot be is told beside its field, keeps what was typed, and changes nothing', async () => {
    const lot = ulid();
    await send(intake(lot, 4));
    tablet = await openTablet(browser, `${world.address}/milk?lot=${lot}`);
    const { page } = tablet;
    await see(page, 'Skim now');
    await tap(page, 'button', 'Skim cream');
    await tap(page, 'radio', 'weighed');
    await fill(page, 'Cream', '5000');
    await see(page, 'Only 4.11 kg in this jar. If there is more, recount first.');
    await fill(page, 'Cream', '-2');
    await see(page, 'Enter an amount of 0 or more.');
    await fill(page, 'Cream', 'much');
    await see(page, '“much” is not a number.');
    await tap(page, 'button', 'Save skimming');
    await see(page, '“much” is not a number.');
    expect(await world.entries('milk-moved')).toHaveLength(1);
    await go('/milk/in');
    await fill(page, 'Animal, herd or shop', 'Fern');
    await tap(page, 'button', 'Add to milk room');
    await see(page, 'Enter an amount.');
    await fill(page, 'Day', '03.03.2027', 'textbox');
    await fill(page, 'Amount', '3');
    await tap(page, 'button', 'Add to milk room');
    await see(page, 'This time is in the future. Check the day and time.');
    expect(await world.entries('milk-moved')).toHaveLength(1);
  });
});

describe('cream', () => {
  test('a thaw plan: into the fridge by a time, and thawing from then on', async () => {
    const [portion, pot] = [ulid(), ulid()];
    await send(
      intake(portion, 0.6, { what: 'cream', fatFraction: 0.3, name: 'Saved cream' }, START - 240 * HOUR_MS),
      draft(portion, START - 239 * HOUR_MS, 'milk-moved', {
        kind: 'pool',
        into: { lotId: pot, name: 'Frozen cream', place: 'freezer' },
        massKg: 0.5,
        soured: false,
        typed: null,
      }),
    );
    tablet = await openTablet(browser, `${world.address}/milk?lot=${pot}`);
    const { page } = tablet;
    await see(page, 'Portions (the oldest sets how long the pot keeps)');
    await see(
      page,
      /Too late for Tue 09:00\. Move it to the fridge now and it is liquid about \w\w\w \d\d:\d\d/,
    );
    await fill(page, 'Thawed by', '05.03.2026');
    await see(page, /Move to the fridge by \w\w\w \d\d:\d\d to be ready Thu 09:00/);
    await fill(page, 'Amount', '200');
    await tap(page, 'button', 'Move to fridge');
    await see(page, /Thawing. Liquid about/);
    const rows = await stored('milk-moved', 3);
    expect(rows[2]!.data).toMatchObject({ kind: 'thaw', massKg: 0.2 });
    const now = await lots();
    expect(now.find((l) => l.id === pot)?.has.massKg).toBeCloseTo(0.3, 6);
    expect(now.find((l) => l.thawed)?.has.massKg).toBeCloseTo(0.2, 6);
    await tap(page, 'button', 'Undo');
    await seeNoMore(page, 'Thawing. Liquid about');
    expect((await lots()).some((l) => l.thawed)).toBe(false);
  });

  test('a sum is filled in from the jar and taken back to it', async () => {
    const lot = ulid();
    await send(intake(lot, 6));
    tablet = await openTablet(browser, `${world.address}/milk?lot=${lot}`);
    const { page } = tablet;
    await tap(page, 'link', 'Try other times');
    await see(page, 'Time unmoved in the fridge: 14 h');
    await see(page, 'Milk: 6 L');
    await tap(page, 'button', 'Skimming depth: more');
    await tap(page, 'link', 'Back to Evening milk');
    await see(page, 'Skimming depth: 10 % deeper');
  });
});

describe('milkings', () => {
  test('come in from a file with its bad rows told, once, and go out again', async () => {
    tablet = await openTablet(browser, `${world.address}/milk/file`);
    const { page } = tablet;
    const path = join(tmpdir(), `milkings-${ulid()}.csv`);
    writeFileSync(
      path,
      'date;time;animal;amount;unit\n2026-02-20;06:30;Fern;8,4;L\n2026-02-21;06:40;Fern;8,1;L\n2026-02-22;;Fern;-3;L\n2026-02-23;06:10;Fern;7;bucket\n2026-02-24;06:20;Fern;7,9;L\n',
    );
    const choose = async (): Promise<void> => {
      await upload(page, path);
    };
    await choose();
    await see(page, '3 milkings, 24.4 L in total');
    await see(page, 'line 4: -3 is not an amount of milk');
    await see(page, 'line 5: “bucket” is not a known unit');
    expect(await world.entries('milk-moved')).toHaveLength(0);
    await tap(page, 'button', 'Save these 3 milkings');
    await see(page, '3 added, 0 already here.');
    await choose();
    await see(page, '3 milkings, 24.4 L in total');
    await tap(page, 'button', 'Save these 3 milkings');
    await see(page, '0 added, 3 already here.');
    expect(await world.entries('milk-moved')).toHaveLength(3);
    const csv = (await world.kitchen.app.inject('/api/milk/milkings.csv')).body.split('\n');
    expect(csv[1]).toBe('2026-02-20,06:30,Fern,cow-lean,8.4,L,,');
    expect(await lots()).toEqual([]);
    await go('/milk/months');
    await see(page, 'needs five days of records');
  });
});

describe('an entry that was wrong', () => {
  const count = async (type: EventType): Promise<number> => (await world.entries(type)).length;
  const open = (words: string) => openEntry(tablet.page, words);

  test('twenty litres, not two: corrected in the ledger, as far as what was skimmed off it since allows', async () => {
    const [lot, cream, rest] = [ulid(), ulid(), ulid()];
    await send(
      intake(lot, 2),
      draft(lot, START - HOUR_MS, 'milk-moved', {
        kind: 'skim',
        cream: { lotId: cream, name: 'Cream from Fern' },
        rest: { lotId: rest, name: 'Skimmed of Fern' },
        creamKg: 0.25,
        fatFraction: 0.2,
        weighed: true,
        typed: { value: 250, unit: 'g' },
      }),
    );
    tablet = await openTablet(browser, `${world.address}/milk/ledger`);
    const { page } = tablet;
    await see(page, '+2 L');
    await open('Edit: Evening milk, received');
    await fill(page, 'Animal, herd or shop', 'Fern and Dot');
    await fill(page, 'Amount', '20');
    await tap(page, 'button', 'Save changes');
    const [corrected] = await stored('corrected', 1);
    expect(corrected!.data).toMatchObject({
      data: { litres: 20, typed: { value: 20, unit: 'L' }, lot: { source: 'Fern and Dot' } },
    });
    await seeNoMore(page, 'Edit entry');
    await see(page, '+20 L');
    expect((await lots()).find((l) => l.id === rest)?.has.massKg).toBeCloseTo(20 * 1.03 - 0.25, 1);

    // The time is corrected, then the amount again: both stay.
    await open('Edit: Evening milk, received');
    await setClock(page, 'Time', '15:10');
    await tap(page, 'button', 'Save changes');
    await stored('corrected', 2);
    await seeNoMore(page, 'Edit entry');
    await see(page, '15:10');
    await open('Edit: Evening milk, received');
    await fill(page, 'Amount', '21');
    await tap(page, 'button', 'Save changes');
    await stored('corrected', 3);
    await seeNoMore(page, 'Edit entry');
    await see(page, '+21 L');
    await see(page, '15:10');

    await open('Edit: Evening milk, received');
    await tap(page, 'button', 'Undo entry');
    await see(page, 'Later entries depend on this one.');
    await see(page, /would contradict a later entry: Skimmed, 2026-03-0\d/);
    await fill(page, 'Amount', '0.1');
    await tap(page, 'button', 'Save changes');
    await see(page, 'is more than the');
    const typed = await named(page, 'Amount');
    expect(await typed.evaluate((field) => (field as HTMLInputElement).value)).toBe('0.1');
    expect([await count('corrected'), await count('voided')]).toEqual([3, 0]);
    await page.keyboard.press('Escape');
    await seeNoMore(page, 'Edit entry');
    await see(page, '+21 L');

    // The skimming itself is the latest entry: it can be taken back.
    await open('Edit: Evening milk, cream skimmed off');
    await tap(page, 'button', 'Undo entry');
    await stored('voided', 1);
    await seeNoMore(page, 'cream skimmed off');
    expect((await lots()).map((l) => l.id)).toEqual([lot]);
  });

  test('what was written down of a culture is corrected and taken back where it stands', async () => {
    const id = ulid();
    await send(
      cultureDraft(id, START - 40 * HOUR_MS, { name: 'Old lien' }),
      draft(id, START - 20 * HOUR_MS, 'culture-changed', {
        kind: 'weigh',
        massKg: 1.5,
        typed: { value: 1500, unit: 'g' },
      }),
      draft(id, START - HOUR_MS, 'culture-changed', { kind: 'sign', sign: 'gas', note: 'the wrong jar' }),
    );
    tablet = await openTablet(browser, `${world.address}/cultures`);
    const { page } = tablet;
    await see(page, 'Entries (3)');
    await page.locator('details.more-about summary').click();
    await open('Edit: Sign noted');
    await tap(page, 'button', 'Undo entry');
    await stored('voided', 1);
    await seeNoMore(page, 'the wrong jar');
    await open('Edit: Weighed');
    await fill(page, 'Amount', '150');
    await tap(page, 'button', 'Save changes');
    await stored('corrected', 1);
    await open('Edit: Culture added');
    await fill(page, 'Name', '');
    await tap(page, 'button', 'Save changes');
    await see(page, 'Enter a name.');
    await fill(page, 'Name', 'Old line');
    await tap(page, 'button', 'Save changes');
    await stored('corrected', 2);
    await see(page, 'Old line');
    await see(page, '150 g left');
    expect(await cultures()).toMatchObject([{ name: 'Old line', massKg: 0.15, signs: [] }]);
  });
});

describe('a waking', () => {
  test('feeds fitted to the day, a late one moves the rest, and what wakes is a culture', async () => {
    const packet = ulid();
    await send(
      cultureDraft(packet, START - HOUR_MS, {
        name: 'Grey line, dried',
        kind: 'dried-mesophilic',
        massKg: null,
        packet: { lot: '7', useBy: null, statedLitres: 1, packets: 1, openedLeft: 0 },
      }),
    );
    tablet = await openTablet(browser, `${world.address}/cultures/wake`);
    const { page } = tablet;
    await see(page, 'Ready');
    await see(page, 'One carton is not enough. You need 3.');
    for (let i = 0; i < 2; i++) await tap(page, 'button', 'Feeds: less');
    await see(page, '240 g of milk in total');
    await tap(page, 'button', 'Start waking');
    await see(page, 'Scald the milk. Let it cool');
    await stored('make-started', 1);
    await stored('planned', 1);
    const secondFeed = '.wake-table tbody tr:nth-child(2) td:nth-child(3)';
    const before = await page.$eval(secondFeed, (td) => td.textContent);
    // The first feed is given nine hours late.
    await later(world, 9 * 60, page);
    await see(page, '60 g of milk');
    await tap(page, 'button', 'Feed 1 is in');
    await stored('fed', 1);
    await see(page, 'Set (about)');
    await page.waitForFunction(
      (cell: string, old: string) => document.querySelector(cell)?.textContent !== old,
      { timeout: PATIENCE_MS, polling: 50 },
      secondFeed,
      before,
    );
    await go('/');
    await see(page, 'Feed 1 has set');
    await later(world, 17 * 60, page);
    await tap(page, 'link', 'Open batch');
    await see(page, 'see if the milk has set');
    const lookAt = await page.$eval(
      '.wake-table tbody tr:nth-child(1) td:nth-child(5)',
      (td) => td.textContent,
    );
    await tap(page, 'button', 'liquid');
    await stored('cue-seen', 1);
    await page.waitForFunction(
      (was: string) =>
        document.querySelector('.wake-table tbody tr:nth-child(1) td:nth-child(5)')?.textContent !== was,
      {},
      lookAt,
    );
    await tap(page, 'button', 'Feed 1 has set');
    await stored('step-done', 1);
    // Another amount than planned is typed on the pad.
    await see(page, '180 g of milk');
    await fill(page, 'Milk added', '200');
    await tap(page, 'button', 'Save');
    const fed = (await stored('fed', 2))[1]!.data;
    expect(fed).toMatchObject({ step: 'feed-2', massKg: 0.2, typed: { value: 200, unit: 'g' } });
    await see(page, 'fed 2, 200 g');
    await later(world, 10 * 60, page);
    await tap(page, 'button', 'Feed 2 has set');
    await see(page, 'Keep a spoonful');
    await fill(page, 'Kept for next time', '100');
    await tap(page, 'button', 'Save');
    await stored('reserved', 1);
    await tap(page, 'button', 'Finish batch');
    await stored('finished', 1);
    const all = await cultures();
    expect(all.find((c) => c.id === packet)?.packet?.packetsLeft).toBe(0);
    expect(all.find((c) => c.parents.includes(packet))).toMatchObject({
      kind: 'cultured-buttermilk',
      heirloom: true,
      massKg: 0.1,
    });
    await go('/daybook');
    await see(page, 'Waking Grey line, dried');
  });
});

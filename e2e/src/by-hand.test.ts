import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { Culture, CulturesResponse, Lot, MilkRoomResponse } from '@morning-crock/core/contract';
import { cultureDraft, draft, intakeDraft } from '@morning-crock/server/testing';
import type { Browser } from 'puppeteer-core';
import { ulid } from 'ulid';
import {
  choose,
  fill,
  focused,
  openEntry,
  goTo,
  openTablet,
  see,
  seeNoMore,
  startBrowser,
  tap,
  type Tablet,
} from './browser.ts';
import { later } from './later.ts';
import { createWorld, type World } from './world.ts';
import { HOUR_MS } from '@morning-crock/core';

/** What a maker does by hand to a jar or a culture, each in its own form. */

const START = Date.parse('2026-03-02T06:00:00.000Z');
type Data = Readonly<Record<string, unknown>>;
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
const moved = async (wanted: number): Promise<Data> =>
  (await world.stored<Data>('milk-moved', wanted)).at(-1)!.data;
const changed = async (wanted: number): Promise<Data> =>
  (await world.stored<Data>('culture-changed', wanted)).at(-1)!.data;
const lot = async (id: string): Promise<Lot | undefined> =>
  (await world.kitchen.app.inject('/api/milk')).json<MilkRoomResponse>().lots.find((l) => l.id === id);
const cultures = async (): Promise<Culture[]> =>
  (await world.kitchen.app.inject('/api/cultures')).json<CulturesResponse>().cultures;

describe('milk in', () => {
  test('each field says what it lacks, and the form goes on as soon as it has it', async () => {
    tablet = await openTablet(browser, `${world.address}/milk/in`);
    const { page } = tablet;
    await see(page, 'When and where');
    await tap(page, 'button', 'Add to milk room');
    await see(page, 'Enter a name.');
    await see(page, 'Enter an amount.');
    expect(await focused(page)).toBe('Animal, herd or shop');
    await fill(page, 'Animal, herd or shop', `The red cow of the ${'far '.repeat(15)}hill`);
    await fill(page, 'Amount', '400');
    await tap(page, 'button', 'Add to milk room');
    await see(page, 'It is more than 300 L in one lot.');
    await fill(page, 'Amount', '0.01');
    await see(page, 'It is less than 50 mL.');
    await fill(page, 'Amount', '4');
    await page.locator('details.more-about summary').click();
    await tap(page, 'radio', 'known');
    await fill(page, 'Fat', '35', 'textbox');
    await tap(page, 'button', 'Add to milk room');
    await see(page, 'is cream, not milk');
    await fill(page, 'Fat', 'rich', 'textbox');
    await fill(page, 'Cost', 'dear');
    await tap(page, 'button', 'Add to milk room');
    await see(page, '“rich” is not a number.');
    await fill(page, 'Fat', '4,1', 'textbox');
    await tap(page, 'button', 'Add to milk room');
    await see(page, '“dear” is not a number.');
    expect(await world.entries('milk-moved')).toHaveLength(0);
    await fill(page, 'Cost', '');
    await tap(page, 'button', 'Add to milk room');
    const data = await moved(1);
    expect(data).toMatchObject({
      typed: { value: 4, unit: 'L' },
      lot: { fatFraction: expect.closeTo(0.041, 9) as unknown, costPerLitre: null },
    });
    expect((data['lot'] as { name: string }).name).toMatch(/^The red cow of the .*, Mon morning$/);
  });
});

describe('a jar', () => {
  test('two milkings in one can, its line measured, carried, counted, taken out of, frozen', async () => {
    const [evening, morning] = [ulid(), ulid()];
    await send(
      intakeDraft(evening, 4, START - 14 * HOUR_MS),
      intakeDraft(morning, 3, START - 2 * HOUR_MS, { name: 'Morning milk' }),
    );
    tablet = await openTablet(browser, `${world.address}/milk?lot=${morning}`);
    const { page } = tablet;
    await see(page, 'Skim now');
    await tap(page, 'button', 'Combine jars');
    await see(page, 'Pouring mixes the risen cream back in');
    await fill(page, 'Amount', '');
    await tap(page, 'button', 'Combine jars');
    await see(page, 'Enter an amount.');
    expect(await focused(page)).toBe('Amount');
    await fill(page, 'Amount', '2,5');
    await tap(page, 'button', 'Combine jars');
    expect(await moved(3)).toMatchObject({
      kind: 'pool',
      into: { lotId: evening },
      typed: { value: 2.5, unit: 'L' },
    });
    await see(page, '6.5 L');
    await see(page, 'No cream yet');
    expect((await lot(evening))!.settledH).toBe(0);

    await later(world, 12 * 60, page);
    await see(page, 'Undisturbed for about 12 h.');
    await tap(page, 'button', 'Measure cream line');
    await fill(page, 'Height of the cream', '1,8');
    await tap(page, 'button', 'Save cream line');
    await see(page, 'Enter a number.');
    expect(await focused(page)).toBe('Total height, cream included');
    await fill(page, 'Total height, cream included', '2');
    await see(page, 'More than half cream?');
    await fill(page, 'Total height, cream included', '18');
    await tap(page, 'button', 'Save cream line');
    expect(await moved(4)).toMatchObject({
      creamHeight: 0.1,
      heights: { cream: 1.8, all: 18, unit: 'cm' },
    });
    await see(page, 'Estimated from the cream line you measured.');

    await tap(page, 'button', 'Move');
    await tap(page, 'button', 'Save move');
    expect(await moved(5)).toMatchObject({ kind: 'move', place: 'counter' });
    await see(page, 'on the counter');

    await tap(page, 'button', 'Take out');
    await fill(page, 'Amount', '7');
    await see(page, 'Recount the jar');
    await fill(page, 'Amount', '1,5');
    await tap(page, 'radio', 'fed to animals');
    await tap(page, 'button', 'Take out');
    expect(await moved(6)).toMatchObject({ kind: 'give', to: 'animals', typed: { value: 1.5, unit: 'L' } });
    await see(page, '5 L');

    await tap(page, 'button', 'Recount');
    await fill(page, 'Actual amount', 'half');
    await tap(page, 'button', 'Save count');
    await see(page, '“half” is not a number.');
    expect(await world.entries('milk-moved')).toHaveLength(6);
    await fill(page, 'Actual amount', '4,8');
    await tap(page, 'button', 'Save count');
    await moved(7);
    expect((await lot(evening))!.has.massKg).toBeCloseTo(4.8 * 1.03, 1);

    await tap(page, 'button', 'Freeze');
    await moved(8);
    await see(page, 'frozen');
    expect((await lot(evening))!.place).toBe('freezer');
    await see(page, 'Thaw plan');
    await fill(page, 'Amount', '2');
    await tap(page, 'button', 'Move to fridge');
    expect(await moved(9)).toMatchObject({ kind: 'thaw', typed: { value: 2, unit: 'L' } });
    await see(page, 'Thawing. Liquid about');
    await see(page, 'Use in a batch');
    await goTo(page, `/milk?lot=${evening}`);
    await see(page, 'Thaw plan');
    await tap(page, 'link', 'Open ledger');
    await see(page, 'cream line measured, 1.8 of 18 cm');
    await see(page, 'added from another');
  });

  test('a churning weighed by an earlier program is still learned from, and each of its weights can be corrected', async () => {
    const cream = ulid();
    const grams = (value: number) => ({ value, unit: 'g' as const });
    await send(
      intakeDraft(cream, 2, START - 20 * HOUR_MS, {
        what: 'cream',
        fatFraction: 0.25,
        name: 'Cream from Fern',
      }),
      draft(cream, START - HOUR_MS, 'milk-moved', {
        kind: 'churn',
        massKg: 1.2,
        butterKg: 0.44,
        buttermilkKg: 0.75,
        typed: grams(440),
        typedCream: grams(1200),
        typedButtermilk: grams(750),
      }),
    );
    tablet = await openTablet(browser, `${world.address}/milk?lot=${cream}`);
    const { page } = tablet;
    // New churnings are makes.
    await see(page, 'Make butter');
    const factor = async (): Promise<number> =>
      (await world.kitchen.app.inject('/api/milk')).json<MilkRoomResponse>().creamFactors[0]!.mean;
    const before = await factor();
    expect(before).toBeGreaterThan(0.1);

    await goTo(page, '/milk/ledger');
    await openEntry(page, 'Edit: Cream from Fern, churned');
    await fill(page, 'Butter', 'lots');
    await tap(page, 'button', 'Save changes');
    await see(page, '“lots” is not a number.');
    await fill(page, 'Butter', '400');
    await tap(page, 'button', 'Save changes');
    const [corrected] = await world.stored<{ data: Data }>('corrected', 1);
    expect(corrected!.data.data).toMatchObject({
      massKg: 1.2,
      butterKg: 0.4,
      buttermilkKg: 0.75,
      typed: grams(400),
      typedCream: grams(1200),
    });
    await seeNoMore(page, 'Edit entry');
    expect(await factor()).toBeLessThan(before);
  });

  test('in US measures the line is measured in inches and cream weighed in ounces', async () => {
    const id = ulid();
    await world.measureIn('us');
    await send(intakeDraft(id, 4, START - 14 * HOUR_MS));
    tablet = await openTablet(browser, `${world.address}/milk?lot=${id}`);
    const { page } = tablet;
    await see(page, /4\.2\d qt/);
    await tap(page, 'button', 'Measure cream line');
    await fill(page, 'Height of the cream', '0.7');
    await fill(page, 'Total height, cream included', '7');
    await tap(page, 'button', 'Save cream line');
    expect(await moved(2)).toMatchObject({ heights: { cream: 0.7, all: 7, unit: 'in' } });
    await tap(page, 'button', 'Skim cream');
    await tap(page, 'radio', 'weighed');
    await fill(page, 'Cream', '14');
    await tap(page, 'button', 'Save skimming');
    const skimmed = (await world.stored<Data>('milk-moved', 4))[2]!.data;
    expect(skimmed).toMatchObject({ kind: 'skim', weighed: true, typed: { value: 14, unit: 'oz' } });
    expect(skimmed['creamKg']).toBeCloseTo(14 * 0.0283495, 5);
  });
});

describe('culture', () => {
  test('what cannot be read is not stored, and what may stay empty may be emptied again', async () => {
    tablet = await openTablet(browser, `${world.address}/cultures/in`);
    const { page } = tablet;
    await see(page, 'Heirloom: can be kept');
    await choose(page, 'Kind', 'kefir-grains');
    await fill(page, 'Amount (optional)', 'a handful');
    await tap(page, 'button', 'Add culture');
    await see(page, '“a handful” is not a number.');
    expect(await focused(page)).toBe('Amount (optional)');
    expect(await world.entries('culture-changed')).toHaveLength(0);
    await fill(page, 'Amount (optional)', '');
    await seeNoMore(page, 'Enter a number.');
    await fill(page, 'Amount (optional)', '40');
    await tap(page, 'button', 'Add culture');
    expect(await changed(1)).toMatchObject({
      culture: { name: 'Kefir grains', kind: 'kefir-grains', massKg: 0.04 },
      typed: { value: 40, unit: 'g' },
    });
    await see(page, '40 g left');

    await later(world, 48 * 60, page);
    await tap(page, 'button', 'Feed culture');
    await tap(page, 'button', 'Save feed');
    await see(page, 'Enter an amount.');
    expect(await focused(page)).toBe('Fresh milk');
    await fill(page, 'Fresh milk', '0,5');
    await fill(page, 'Weight of the grains (optional)', '44.1');
    await tap(page, 'button', 'Save feed');
    expect(await changed(2)).toMatchObject({
      kind: 'feed',
      massKg: 0.0441,
      typed: { value: 0.5, unit: 'L' },
      typedGrains: { value: 44.1, unit: 'g' },
    });
    await see(page, 'grows 5.0 % a day');

    await tap(page, 'button', 'Split culture');
    await fill(page, 'Name', 'For the neighbour');
    await fill(page, 'Amount (optional)', '-3');
    await tap(page, 'button', 'Split culture');
    await see(page, 'Enter an amount of 0 or more.');
    await fill(page, 'Amount (optional)', '14.1');
    await tap(page, 'button', 'Split culture');
    await changed(3);
    await see(page, '30 g left');
    await see(page, 'grows 5.0 % a day');
    expect(await cultures()).toHaveLength(2);

    // A typing slip in a feed is put right where it was written down.
    await page.locator('details.more-about summary').click();
    await openEntry(page, 'Edit: Fed');
    await fill(page, 'Weight of the grains', '42');
    await tap(page, 'button', 'Save changes');
    await world.stored('corrected', 1);
    await seeNoMore(page, 'Edit entry');
    await see(page, 'grows 2.5 % a day');
  });

  test('stirred together with another, seen to be bad, and discarded', async () => {
    const [one, other] = [ulid(), ulid()];
    await send(
      cultureDraft(one, START - 30 * HOUR_MS, { name: 'Hill line' }),
      cultureDraft(other, START - 30 * HOUR_MS, { name: 'Valley line' }),
    );
    tablet = await openTablet(browser, `${world.address}/cultures?culture=${one}`);
    const { page } = tablet;
    await tap(page, 'button', 'Merge cultures');
    await fill(page, 'Name', '');
    await tap(page, 'button', 'Merge cultures');
    await see(page, 'Enter a name.');
    await fill(page, 'Name', 'Both lines');
    await tap(page, 'button', 'Merge cultures');
    await changed(3);
    await see(page, 'Both lines');
    expect((await cultures()).find((c) => c.name === 'Both lines')).toMatchObject({ parents: [one, other] });

    await tap(page, 'button', 'Report bad sign');
    await tap(page, 'radio', 'pink or orange streaks');
    await see(page, 'Do not taste it.');
    await tap(page, 'button', 'Save bad sign');
    expect(await changed(4)).toMatchObject({ kind: 'sign', sign: 'pink' });
    await seeNoMore(page, 'Start batch');
    await tap(page, 'button', 'Discard culture');
    await tap(page, 'button', 'Discard culture');
    expect(await changed(5)).toMatchObject({ kind: 'discard', reason: 'pink' });
    await see(page, 'Discarded');
    await tap(page, 'button', 'Undo');
    await seeNoMore(page, 'Discarded');
  });

  test('a make that asks for more than there is of it is told so, and can be begun all the same', async () => {
    const id = ulid();
    await send(cultureDraft(id, START - 30 * HOUR_MS, { massKg: 0.015 }));
    tablet = await openTablet(browser, `${world.address}/new?culture=${id}`);
    const { page } = tablet;
    await see(page, /Only 15 g of this culture is on record\. This batch needs \d\d g\./);
    await tap(page, 'button', 'Starter');
    await fill(page, 'Dose', '14');
    await seeNoMore(page, 'on record');
    await fill(page, 'Dose', '40');
    await see(page, 'This batch needs 40 g.');
    await tap(page, 'button', 'Start batch');
    await see(page, 'Milk is in the pot');
    const [started] = await world.stored<{ plan: { starter: Data } }>('make-started', 1);
    expect(started!.data.plan.starter).toMatchObject({ cultureId: id, massKg: 0.04 });
  });
});

import { afterAll, afterEach, beforeAll, beforeEach, expect, test } from '@jest/globals';
import { defaultKitchen, defaultPlan, DAY_MS, HOUR_MS } from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import type { Browser } from 'puppeteer-core';
import { ulid } from 'ulid';
import { draft, intakeDraft } from '@morning-crock/server/testing';
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
} from './browser.ts';
import { createWorld, type World } from './world.ts';

const START = Date.parse('2026-03-05T08:00:00.000Z');
let browser: Browser;
let world: World;
let tablet: Tablet;

beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());
beforeEach(async () => {
  world = await createWorld(START);
  tablet = await openTablet(browser, world.address);
});
afterEach(async () => {
  expect(tablet.strayRequests).toEqual([]);
  expect(tablet.faults).toEqual([]);
  await tablet.close();
  await world.close();
});

/** A yogurt that was made on some day before, of a turn of a culture, set after some hours. */
async function made(of: {
  readonly name: string;
  readonly daysAgo: number;
  readonly turn: number;
  readonly setAfterH: number;
  readonly pot?: string;
  readonly discarded?: string;
}): Promise<string> {
  const makeId = ulid();
  const atMs = START - of.daysAgo * DAY_MS;
  const usual = defaultPlan(defaultKitchen('UTC'), new Date(atMs).toISOString());
  const plan: MakePlan = {
    ...usual,
    name: of.name,
    starter: { ...usual.starter, turn: of.turn },
    pot: { ...usual.pot, name: of.pot ?? usual.pot.name },
  };
  await world.send(
    draft(makeId, atMs, 'make-started', { plan }),
    ...(['pour', 'heat', 'hold', 'cool'] as const).map((step, i) =>
      draft(makeId, atMs + ((i + 1) * HOUR_MS) / 2, 'step-done', { step }),
    ),
    draft(makeId, atMs + 3 * HOUR_MS, 'starter-added', {
      massKg: 0.05,
      statedRatio: null,
      typed: { value: 50, unit: 'g' },
    }),
    draft(makeId, atMs + (3 + of.setAfterH) * HOUR_MS, 'cue-seen', { cue: 'set', cleanSmell: true }),
    draft(makeId, atMs + (3.1 + of.setAfterH) * HOUR_MS, 'step-done', { step: 'incubate' }),
    ...(of.discarded === undefined
      ? [draft(makeId, atMs + 16 * HOUR_MS, 'weighed', { massKg: 1.9, typed: { value: 1.9, unit: 'kg' } })]
      : []),
    draft(makeId, atMs + 17 * HOUR_MS, 'finished', {
      verdict: of.discarded === undefined ? 'kept' : 'discarded',
      reason: of.discarded ?? '',
    }),
  );
  return makeId;
}

test('prices are told to the kitchen; a make keeps those it began with when they change', async () => {
  const { page } = tablet;
  const lotId = ulid();
  await world.send(intakeDraft(lotId, 5, START - DAY_MS / 2, { costPerLitre: 0.6 }));
  await goTo(page, '/kitchen/costs');
  await fill(page, 'Burner energy, per kWh', '1,000');
  await see(page, '1 or 1000? Type the number without the comma.');
  await tap(page, 'button', 'Save');
  await see(page, 'Not saved');
  expect(await world.entries('kitchen-changed')).toHaveLength(0);
  await fill(page, 'Burner energy, per kWh', '0,3');
  await fill(page, 'Yogurt', '4,50');
  await tap(page, 'button', 'Save');
  await see(page, 'Saved');
  await world.stored('kitchen-changed', 1);

  await goTo(page, '/milk');
  await page.evaluate((id: string) => history.pushState(null, '', `/milk?lot=${id}`), lotId);
  await page.reload();
  await tap(page, 'link', 'Use in a batch');
  await see(page, 'Start batch');
  await fill(page, 'Amount', '3');
  await tap(page, 'button', 'Start batch');
  await see(page, 'Milk is in the pot');
  await tap(page, 'button', 'Milk is in the pot');
  const [begun] = await world.stored<{ plan: MakePlan }>('make-started', 1);
  expect(begun!.data.plan.prices).toMatchObject({ energyPerKwh: 0.3, shopPerKg: 4.5, handsPerHour: null });
  const [poured] = await world.stored('milk-poured', 1);
  const makeId = poured!.streamId;
  world.advance(12 * 60);
  const nowMs = world.kitchen.clock.nowMs;
  await world.send(
    draft(makeId, nowMs - 11 * HOUR_MS, 'step-done', { step: 'heat' }),
    draft(makeId, nowMs - 10.8 * HOUR_MS, 'step-done', { step: 'hold' }),
    draft(makeId, nowMs - 9 * HOUR_MS, 'step-done', { step: 'cool' }),
    draft(makeId, nowMs - HOUR_MS, 'weighed', { massKg: 2.9, typed: { value: 2.9, unit: 'kg' } }),
    draft(makeId, nowMs - HOUR_MS / 2, 'finished', { verdict: 'kept', reason: '' }),
  );
  await goTo(page, `/daybook/${makeId}`);
  await see(page, /Cost 0\.\d\d\/kg, \d\.\d\d\/kg less than the shop price, about \d+ min hands-on/);
  const costs = (): Promise<string> =>
    page.$eval('[aria-label="Cost by item"]', (table) => (table as HTMLElement).innerText);
  const before = await costs();
  // Three litres at 0.60, to the cent of their weight.
  expect(before).toMatch(/milk and cream\s+3\.\d\d kg\s+1\.80/);
  expect(before).toMatch(/burner\s+about \d\.\d kW·h\s+0\.\d\d/);
  expect(before).toMatch(/hands\s+about \d+ min\s+–/);

  await goTo(page, '/kitchen/costs');
  await fill(page, 'Burner energy, per kWh', '3');
  await fill(page, 'Your time, per hour', '10');
  await tap(page, 'button', 'Save');
  await see(page, 'Saved');
  await world.stored('kitchen-changed', 2);
  await goTo(page, `/daybook/${makeId}`);
  await see(page, 'Cost');
  expect(await costs()).toBe(before);

  await goTo(page, '/daybook/costs');
  await see(page, /for 1 batch with a milk price\. \d+\.\d\d less than at shop prices/);
  await keepSaved(page);
  await tap(page, 'button', 'Download CSV');
  const [head, line] = (await savedText(page)).split('\n');
  expect(head).toBe('month,product,makes,litres_in,kg_out,cost,cost_per_kg,saved,minutes_of_hands,kwh');
  expect(line).toMatch(/^2026-03,Yogurt,1,3,2\.9,/);

  await goTo(page, `/larder/put-up/${makeId}`);
  await fill(page, 'Number (pieces)', '4');
  await fill(page, 'Each', '500');
  await choose(page, 'Each: unit', 'g');
  await tap(page, 'button', 'Add to larder');
  await see(page, /cost 0\.\d\d\/kg \(milk and cream, starter, burner\)/);
});

test('the Daybook answers; it is looked at by pot and by words; two makes stand side by side; a year is summed up', async () => {
  const { page } = tablet;
  const ids: string[] = [];
  for (let i = 0; i < 8; i++)
    ids.push(
      await made({
        name: `Plain ${i}`,
        daysAgo: 60 - 6 * i,
        turn: i,
        setAfterH: 4 + 0.3 * i,
        pot: i % 2 === 0 ? 'the wide pan' : 'the can',
      }),
    );
  await made({
    name: 'Lost one',
    daysAgo: 5,
    turn: 8,
    setAfterH: 8,
    pot: 'the can',
    discarded: 'Cracked jar',
  });
  await goTo(page, '/daybook/answers');
  await see(page, 'Yes. Each generation sets about 18 min slower.');
  // These were begun as by another tablet, without a forecast.
  await see(page, 'No batch has both a forecast and a recorded set yet.');
  await see(page, /Main reason: “cracked jar”/);
  await see(page, /Yogurt \(8 batches weighed\)/);
  await keepSaved(page);
  await tap(page, 'button', 'Download CSV');
  expect((await savedText(page)).split('\n').slice(0, 2)).toEqual([
    'make,turn,hours_to_set',
    expect.stringMatching(/^Lost one,8,8$/),
  ]);

  await tap(page, 'button', 'Filter');
  await choose(page, 'Pot', 'the wide pan');
  await see(page, 'Too few to tell yet');
  await see(page, 'Nothing was thrown away.');
  expect(new URL(page.url()).searchParams.get('pot')).toBe('the wide pan');
  await tap(page, 'link', 'Batches');
  await see(page, 'Plain 6');
  await seeNoMore(page, 'Plain 7');
  await fill(page, 'Search', 'plain 2');
  await seeNoMore(page, 'Plain 6');
  await tap(page, 'link', 'Plain 2');
  await see(page, 'Cost');
  await see(page, 'Cost not known. Enter prices for the ingredients.');
  await choose(page, 'Compare with', ids[7]!);
  await see(page, 'Compare batches');
  await see(page, /Pot\s+the wide pan\s+the can/);
  await keepSaved(page);
  await tap(page, 'button', 'Download CSV');
  expect(await savedText(page)).toMatch(/\nPot,the wide pan,the can\n/);

  await goTo(page, '/daybook/year');
  await see(page, 'The year 2026');
  await see(page, /Made most often: yogurt, 9 times/);
  await see(page, /Thrown away: .*“cracked jar”/);
  // On paper it stands alone.
  await page.emulateMediaType('print');
  expect(
    await page.evaluate(() => {
      const seen = (of: string) => {
        const element = document.querySelector(of);
        return element !== null && getComputedStyle(element).visibility === 'visible';
      };
      return [seen('.year-sheet h2'), seen('nav[aria-label="Daybook"]')];
    }),
  ).toEqual([true, false]);
  await page.emulateMediaType('screen');
});

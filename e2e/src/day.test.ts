import { afterAll, afterEach, beforeAll, beforeEach, expect, test } from '@jest/globals';
import type { EventOf, EventType } from '@morning-crock/core/contract';
import type { Browser } from 'puppeteer-core';
import ICAL from 'ical.js';
import { ulid } from 'ulid';
import { draft, intakeDraft } from '@morning-crock/server/testing';
import {
  PATIENCE_MS,
  choose,
  fill,
  goTo,
  keepSaved,
  named,
  openTablet,
  savedText,
  see,
  seeNoMore,
  setClock,
  startBrowser,
  tap,
  type Tablet,
} from './browser.ts';
import { createWorld, type World } from './world.ts';
import { HOUR_MS } from '@morning-crock/core';
import { putUpLike } from '@morning-crock/core/fixtures';

const START = Date.parse('2026-03-02T08:00:00.000Z');
let browser: Browser;
let world: World;
let tablet: Tablet;

beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());
beforeEach(async () => {
  world = await createWorld(START);
  tablet = await openTablet(browser, `${world.address}/day`);
});
afterEach(async () => {
  expect(tablet.strayRequests).toEqual([]);
  expect(tablet.faults).toEqual([]);
  await tablet.close();
  await world.close();
});

const stored = <T extends EventType>(type: T, wanted: number) =>
  world.stored<EventOf<T>['data']>(type, wanted);
async function putIn(method: string): Promise<void> {
  await choose(tablet.page, 'Product and method', method);
  await tap(tablet.page, 'button', 'Add batch');
}
/** The times of all hands as the list tells them. */
const clocks = (): Promise<string[]> =>
  tablet.page.$$eval('.day-list li', (rows) => rows.map((row) => (row as HTMLElement).innerText));

test('two makes are laid out so that no hands are at both, and begun as they were laid out', async () => {
  const { page } = tablet;
  await see(page, 'add what you want to make yourself');
  await putIn('yogurt');
  await putIn('yogurt');
  await see(page, 'Yogurt 2');
  await fill(page, 'Amount, Yogurt', '3');
  await see(page, /Pour the milk\s+Yogurt 2/);
  await see(page, /Finished by (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  await page.evaluate(() => document.querySelector<HTMLElement>('.day-list li:nth-child(2) button')!.click());
  await see(
    page,
    /Starts as soon as the step before ends|Everyone is busy until then|Earliest possible start/,
  );
  await see(page, /5(\.00)? L milk\s+Yogurt, Yogurt 2/);
  const told = await clocks();
  expect(told.filter((row) => row.includes('Pour the milk'))).toHaveLength(2);
  // What is put together outlives the page.
  await page.reload();
  await see(page, /Pour the milk\s+Yogurt 2/);
  await see(page, /Finished by (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  const again = await clocks();
  const pours = again.filter((row) => row.includes('Pour the milk'));
  expect(new Set(pours.map((row) => row.slice(0, 5))).size).toBe(2);
  await tap(page, 'button', 'Start all batches');
  const begun = await stored('make-started', 2);
  expect(begun.map(({ data }) => data.plan.name).sort()).toEqual(['Yogurt', 'Yogurt 2']);
  expect(begun.find(({ data }) => data.plan.name === 'Yogurt')!.data.plan.milk.litres).toBeCloseTo(3, 2);
  for (const { data } of begun) {
    const clock = data.plan.startAt.slice(11, 16);
    expect(pours.some((row) => row.startsWith(clock))).toBe(true);
  }
  await stored('planned', 2);
  await page.waitForFunction(() => location.pathname === '/');
});

test('what goes on after the days chosen is told; too much of one is refused beside its field', async () => {
  const { page } = tablet;
  await putIn('washed-curd');
  await see(page, /Cheese continues: .+ about/);
  await choose(page, 'Finish within', '1');
  await see(page, /Finished by (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  await fill(page, 'Amount, Cheese', '70');
  await see(page, 'Enter 60 L or less.');
  await tap(page, 'button', 'Remove Cheese');
  await seeNoMore(page, 'Start all batches');
  await see(page, 'add what you want to make yourself');
});

test('butter of the larder goes into the ghee of a day: weighed, no more than there is, and taken when it begins', async () => {
  const { page } = tablet;
  const goodId = ulid();
  await world.send(
    draft(goodId, START - HOUR_MS, 'larder-moved', putUpLike({ name: 'Barrel butter' }, 3, 0.25)),
  );
  await putIn('ghee');
  await choose(page, 'Ghee: made from', `${goodId} cold 0`);
  await see(page, /750 g Barrel butter, already here\s+Ghee/);
  await fill(page, 'Amount, Ghee', '900');
  await see(page, 'Only 750 g of Barrel butter is here. Enter less.');
  await fill(page, 'Amount, Ghee', '500');
  await see(page, /500 g Barrel butter, already here\s+Ghee/);
  await see(page, /Clarify\s+Ghee/);
  // Butter on the fire is never left alone.
  const minutes = Number(/(\d+) min/.exec(await rowOf('Clarify', 'Ghee'))?.[1]);
  expect(minutes).toBeGreaterThan(8);
  await page.reload();
  await see(page, /500 g Barrel butter, already here\s+Ghee/);
  await tap(page, 'button', 'Start all batches');
  const [begun] = await stored('make-started', 1);
  expect(begun!.data.plan.milk.goods).toEqual([
    { goodId, name: 'Barrel butter', place: 'cold', size: 0, massKg: expect.closeTo(0.5, 6) },
  ]);
  const moved = await stored('larder-moved', 2);
  expect(moved[1]!.data).toMatchObject({
    kind: 'take',
    for: 'made-into',
    massKg: expect.closeTo(0.5, 6),
    into: begun!.streamId,
  });
  const [day] = await stored('day-changed', 1);
  expect(day!.data).toMatchObject({
    kind: 'laid',
    day: { makes: [{ goods: { goodId, place: 'cold', size: 0 }, makeId: begun!.streamId }] },
  });
});

/** Rows of the list of one step, as the list tells them. */
const rowOf = async (step: string, make: string): Promise<string> =>
  (await clocks()).find((row) => row.includes(step) && row.includes(make)) ?? '';
const settled = async (): Promise<void> => {
  await tablet.page.waitForFunction(
    () => document.querySelector('section[aria-label="Schedule"]')?.getAttribute('aria-busy') === 'false',
    // A full day is searched for long; how long, the bench says.
    { timeout: 3 * PATIENCE_MS },
  );
};

test('a block drawn elsewhere and one moved by buttons come to the same; let go, it goes back', async () => {
  const { page } = tablet;
  await putIn('yogurt');
  await see(page, /Pour the milk\s+Yogurt/);
  await settled();
  const before = await rowOf('Pour the milk', 'Yogurt');
  await page.evaluate(() => document.querySelector<HTMLElement>('.day-list li button')!.click());
  await see(page, 'Earliest possible start');
  await tap(page, 'button', '60 min later');
  await see(page, 'pinned');
  await settled();
  const byButton = await rowOf('Pour the milk', 'Yogurt');
  expect(byButton).not.toBe(before);
  expect(byButton).toContain('pinned');
  await tap(page, 'button', 'Unpin this time');
  await seeNoMore(page, 'pinned');
  await settled();
  expect(await rowOf('Pour the milk', 'Yogurt')).toBe(before);
  // The same hour by hand: as many pixels as an hour is wide.
  const [x, y, perHour] = await page.evaluate(() => {
    const block = document.querySelector('[data-block$=" pour"]')!;
    block.scrollIntoView({ block: 'center' });
    const box = block.getBoundingClientRect();
    const svg = block.closest('svg')!.getBoundingClientRect();
    const texts = [...block.closest('svg')!.querySelectorAll('text')].filter((t) =>
      /\d\d:00$/.test(t.textContent),
    );
    const [a, b] = texts.map((t) => ({
      at: Number(t.getAttribute('x')),
      hour: Number(t.textContent.slice(-5, -3)),
    }));
    const hours = (b!.hour - a!.hour + 24) % 24;
    return [box.x + 2, box.y + box.height / 2, (((b!.at - a!.at) / hours) * svg.width) / 640];
  });
  await page.mouse.move(x!, y!);
  await page.mouse.down();
  await page.mouse.move(x! + perHour! / 2, y!, { steps: 4 });
  await page.mouse.move(x! + perHour!, y!, { steps: 4 });
  await page.mouse.up();
  await see(page, 'pinned');
  await settled();
  expect(await rowOf('Pour the milk', 'Yogurt')).toBe(byButton);
});

test('a batch added to a day in progress is as much as was typed, of the milk that is here, and gets its times', async () => {
  const { page } = tablet;
  const milk = ulid();
  await world.send(intakeDraft(milk, 6, START - 2 * HOUR_MS, { name: 'Fern, morning', fatFraction: 0.045 }));
  await page.reload();
  await putIn('yogurt');
  await settled();
  await tap(page, 'button', 'Start all batches');
  await stored('make-started', 1);
  await page.waitForFunction(() => location.pathname === '/');
  await goTo(page, '/day');
  await see(page, 'in progress');
  await choose(page, 'Product and method', 'buttermilk');
  await fill(page, 'Amount to add', '70');
  await see(page, 'Enter 60 L or less.');
  await fill(page, 'Amount to add', '1.5');
  await tap(page, 'button', 'Add and start batch');
  const begun = await stored('make-started', 2);
  const { plan } = begun.find(({ data }) => data.plan.name === 'Buttermilk')!.data;
  expect(plan.milk.litres).toBeCloseTo(1.5, 2);
  expect(plan.milk.lots?.map(({ lotId }) => lotId)).toEqual([milk]);
  await page.waitForFunction(() =>
    /Inoculate\s+Buttermilk/.test(document.querySelector<HTMLElement>('.day-list')?.innerText ?? ''),
  );
  // What is left of it, as it is now, on paper and in a calendar.
  await page.evaluate(() => {
    window.print = () => {
      dispatchEvent(new Event('beforeprint'));
      const sheet = document.querySelector('.day-going-sheet')!;
      document.body.dataset['printed'] = (sheet as HTMLElement).textContent;
    };
  });
  await tap(page, 'button', 'Print what is left');
  const printed = await page.evaluate(() => document.body.dataset['printed'] ?? '');
  const rows = await page.$$eval('.day-list li', (items) => items.length);
  expect(printed.match(/☐/g)).toHaveLength(rows);
  expect(printed).toContain('Day, what is left');
  // As the list says it, with what to do; nothing of the steps that are done.
  expect(printed).toMatch(/Inoculate[^☐]*Starter: [\d.]+ g[^☐]*Buttermilk/);
  expect(printed).toMatch(/Move to fridge[^☐]*Put the batch in the fridge[^☐]*Buttermilk/);
  expect(await page.$('.day-going-sheet')).toBeNull();
  await keepSaved(page);
  await tap(page, 'button', 'Add what is left to calendar');
  const events = new ICAL.Component(ICAL.parse(await savedText(page)) as string).getAllSubcomponents(
    'vevent',
  );
  expect(events).toHaveLength(rows);
});

test('hours kept free are kept and priced; two wishes that cannot be are said', async () => {
  const { page } = tablet;
  await putIn('yogurt');
  await see(page, /Pour the milk\s+Yogurt/);
  await tap(page, 'button', 'Add time off');
  await setClock(page, 'Time off 1, from', '05:00');
  await setClock(page, 'Time off 1, to', '12:00');
  await see(page, /Without this time off: .*each batch ready .+ sooner on average/);
  await settled();
  for (const row of await clocks()) {
    const hour = Number(/(\d\d):\d\d/.exec(row)![1]);
    expect(hour >= 5 && hour < 12).toBe(false);
  }
  // Nobody there at all: the wish is given up, and it says so.
  await setClock(page, 'Time off 1, from', '00:00');
  await setClock(page, 'Time off 1, to', '23:55');
  await see(page, 'The schedule does not fit with this time off. Change or remove it.');
});

test('what cannot be is said in a sentence, and what was put in stays', async () => {
  const { page } = tablet;
  await putIn('yogurt');
  await setClock(page, 'Yogurt: finish by (optional)', '10:00');
  // Long before it can be: as near to it as it goes, and how much later that is.
  await see(page, /Finished by (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  await see(page, /later than you asked/);
  const { settings } = (await world.kitchen.app.inject('/api/kitchen')).json<{
    settings: { cooks: { id: string }[] };
  }>();
  await world.send(
    draft(world.kitchen.kitchenId, START, 'kitchen-changed', {
      section: 'absences',
      value: settings.cooks.flatMap(({ id: cookId }) =>
        [
          ['00:00', '12:00'],
          ['12:00', '23:59'],
        ].map(([from, to]) => ({
          id: ulid(START),
          cookId,
          name: 'Away',
          days: [0, 1, 2, 3, 4, 5, 6],
          from: from!,
          to: to!,
        })),
      ),
    }),
  );
  await see(page, 'Nobody is there in that time.');
  expect(
    await tablet.page.$$eval('button', (all) =>
      all.some((b) => b.textContent === 'Start all batches' && !b.disabled),
    ),
  ).toBe(false);
  await see(page, 'Yogurt');
  expect(await stored('make-started', 0)).toHaveLength(0);
});

test('a week’s milk is split, what lacks is said with the ways out, and skimming solves it', async () => {
  const { page } = tablet;
  const [milk, morning, cream] = [ulid(), ulid(), ulid()];
  await world.send(
    intakeDraft(milk, 12, START - 20 * HOUR_MS, { name: 'Fern, evening', fatFraction: 0.045 }),
    intakeDraft(morning, 3, START - 2 * HOUR_MS, { name: 'Fern, morning', fatFraction: 0.045 }),
    intakeDraft(cream, 0.5, START - 20 * HOUR_MS, {
      what: 'cream',
      fatFraction: 0.3,
      name: 'Cream from Fern',
    }),
  );
  await page.reload();
  await putIn('yogurt');
  await putIn('cultured-cream');
  await fill(page, 'Amount, Cultured cream', '1.2');
  await see(page, /short of \d+ mL of cream/);
  await see(page, /or buy \d+/);
  const skim = await page.$$eval('.day-want button', (all) =>
    all.map((b) => b.innerText).find((text) => text.startsWith('Skim Fern, evening')),
  );
  await tap(page, 'button', skim!);
  await see(page, /Skim Fern, evening at/);
  await see(page, /Skim Fern, evening\s+Milk room/);
  await seeNoMore(page, 'missing');
  // Skimmed, the evening's milk is no whole milk any more: the yogurt is of the morning's.
  await see(page, /Yogurt\s+2(\.00)? L of Fern, morning/);
  await see(page, /Left over: .*1(\.00?)? L of Fern, morning\./);
  await see(page, /Cultured cream\s+.*Cream from Fern, evening, ready/);
  await settled();
  await tap(page, 'button', 'Start all batches');
  const begun = await stored('make-started', 2);
  const yogurt = begun.find(({ data }) => data.plan.name === 'Yogurt')!.data.plan;
  expect(yogurt.milk.lots?.map(({ lotId }) => lotId)).toEqual([morning]);
});

test('the day goes into a calendar another program reads, and onto a sheet of paper', async () => {
  const { page } = tablet;
  await putIn('washed-curd');
  await see(page, /Cheese continues: .+ about/);
  await settled();
  await keepSaved(page);
  await tap(page, 'button', 'Add to calendar');
  const file = await savedText(page);
  const events = new ICAL.Component(ICAL.parse(file) as string)
    .getAllSubcomponents('vevent')
    .map((event) => new ICAL.Event(event));
  const rows = await clocks();
  expect(events.length).toBeGreaterThan(rows.length);
  expect(events[0]!.startDate.toJSDate().toISOString().slice(11, 16)).toBe(rows[0]!.slice(0, 5));
  expect(events.every((event) => event.summary.endsWith(', Cheese'))).toBe(true);
  await page.emulateMediaType('print');
  const sheet = await page.$eval('.day-sheet', (e) => ({
    shown: getComputedStyle(e).display !== 'none' && getComputedStyle(e).visibility === 'visible',
    rows: e.querySelectorAll('tr').length,
  }));
  expect(sheet).toEqual({ shown: true, rows: rows.length });
  expect(await page.$eval('nav', (e) => getComputedStyle(e).visibility)).toBe('hidden');
  await page.emulateMediaType();
});

test('a day is kept for every Thursday and taken again with its amounts', async () => {
  const { page } = tablet;
  await putIn('yogurt');
  await fill(page, 'Amount, Yogurt', '3.4');
  await fill(page, 'Plan name', 'For the stall');
  await choose(page, 'Repeat this plan', '4');
  await see(page, /Finished by (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  await tap(page, 'button', 'Save plan');
  const [kept] = await stored('day-changed', 1);
  expect(kept!.data).toMatchObject({ kind: 'laid', day: { name: 'For the stall', every: 4, begunAt: null } });
  await tap(page, 'button', 'Remove Yogurt');
  await see(page, /For the stall every Thursday, Yogurt/);
  await tap(page, 'button', 'Use plan');
  await see(page, /Pour the milk\s+Yogurt/);
  expect(
    await (await named(page, 'Amount, Yogurt', 'textbox')).evaluate((e) => (e as HTMLInputElement).value),
  ).toMatch(/^3[.,]4/);
});

test('something slow: a new timetable on both tablets, and what moved is said', async () => {
  const { page } = tablet;
  await putIn('yogurt');
  await putIn('yogurt-boiled');
  await see(page, /Pour the milk\s+Yogurt 2/);
  await see(page, /Finished by (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  await settled();
  await tap(page, 'button', 'Start all batches');
  await stored('day-changed', 1);
  const other = await openTablet(browser, `${world.address}/`);
  await see(other.page, 'Open schedule');
  await see(page, 'Open schedule');
  const begun = await stored('make-started', 2);
  const first = begun
    .map(({ data, streamId }) => ({ streamId, at: data.plan.startAt }))
    .sort((a, b) => (a.at < b.at ? -1 : 1))[0]!;
  // Poured an hour late: everything of it is an hour later.
  world.advance(60);
  await world.send(draft(first.streamId, world.kitchen.clock.nowMs, 'step-done', { step: 'pour' }));
  const laid = await stored('day-changed', 2);
  const anew = laid.at(-1)!.data;
  if (anew.kind !== 'laid') throw new Error('it was laid out anew');
  expect(anew.day.version).toBe(2);
  expect(anew.day.moved.length).toBeGreaterThan(0);
  for (const { was, now } of anew.day.moved) expect(now).toBeGreaterThan(was);
  await see(page, /steps? ha(s a|ve) new times?/);
  await see(other.page, /steps? ha(s a|ve) new times?/);
  // Of two tablets that lay it out at once one timetable stands, and neither keeps a refusal.
  const versions = (await stored('day-changed', 2)).map(({ data }) =>
    data.kind === 'laid' ? data.day.version : 0,
  );
  expect(new Set(versions).size).toBe(versions.length);
  await tap(page, 'link', 'Open schedule');
  await see(page, /Day, in progress/);
  await see(page, /was \d\d:\d\d/);
  await other.close();
});

test('an afternoon of many things: laid into the hours in the kitchen, each in a pot that holds it, and what is slow moves the rest', async () => {
  const { page } = tablet;
  await world.send(
    draft(world.kitchen.kitchenId, START, 'kitchen-changed', {
      section: 'pots',
      value: [
        { id: ulid(START), name: 'Little pan', litres: 2.5, lossFactor: 1 },
        { id: ulid(START), name: 'Middle pot', litres: 5, lossFactor: 1 },
        { id: ulid(START), name: 'Tall can', litres: 9, lossFactor: 1 },
      ],
    }),
  );
  await tap(page, 'button', 'Add hours in the kitchen');
  await setClock(page, 'In the kitchen from', '08:00');
  await setClock(page, 'In the kitchen to', '13:00');
  for (const method of ['yogurt', 'butter', 'acid-set', 'kefir']) await putIn(method);
  await fill(page, 'Amount, Yogurt', '4');
  await fill(page, 'Amount, Fresh cheese', '2');
  await see(page, /Finished by (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  await settled();
  // Four litres and two: each stands in the smallest pot that holds it.
  await see(page, /Middle pot\s+Yogurt/);
  await see(page, /Little pan\s+Fresh cheese/);
  await see(page, /then wash the pot\s+Yogurt/);
  await see(page, 'Also assumed: 2 colanders');
  await see(
    page,
    /Outside your hours in the kitchen, only short jobs|min of work outside your hours in the kitchen, besides short jobs/,
  );
  // What would help is worked out when it is asked for; taken, it is said at the batch, and is given back with one tap.
  await putIn('yogurt');
  await settled();
  await tap(page, 'button', 'What would help?');
  await see(page, /sooner on average|less outside your hours/);
  const towels = await page.$$eval('[aria-label="What would help"] button', (all) =>
    all.map((b) => b.getAttribute('aria-label') ?? '').filter((label) => label.includes('in a towel')),
  );
  // Two yogurts want the one warm place: one of them may stand in a towel.
  const offered = towels.find((label) =>
    /^Use: Yogurt( 2)?: keep warm in a towel instead of the warm place$/.test(label),
  )!;
  expect(offered).toBeDefined();
  const own = /^Use: (Yogurt(?: 2)?):/.exec(offered)![1]!;
  await tap(page, 'button', offered);
  await see(page, 'Kept warm in a towel.');
  await settled();
  await tap(page, 'button', `${own}: as the method says`);
  await seeNoMore(page, 'Kept warm in a towel.');
  await tap(page, 'button', 'Remove Yogurt 2');
  await settled();
  // More than any pot holds is said with what does; what was typed stays.
  await fill(page, 'Amount, Yogurt', '12');
  await see(page, 'needs a pot for');
  await see(page, 'The largest here holds 9');
  await fill(page, 'Amount, Yogurt', '4');
  await settled();
  await tap(page, 'button', 'Start all batches');
  const [laid] = await stored('day-changed', 1);
  expect(laid!.data).toMatchObject({ kind: 'laid', day: { session: { from: '08:00', to: '13:00' } } });
  const begun = await stored('make-started', 4);
  const potOf = (name: string): string | undefined =>
    begun.find(({ data }) => data.plan.name === name)?.data.plan.pot.name;
  expect([potOf('Yogurt'), potOf('Fresh cheese')]).toEqual(['Middle pot', 'Little pan']);
  // The yogurt’s milk is poured three quarters of an hour late: it says so, and nothing else has begun.
  const yogurt = begun.find(({ data }) => data.plan.name === 'Yogurt')!;
  const planned = (Date.parse(yogurt.data.plan.startAt) - world.kitchen.clock.nowMs) / 60_000;
  world.advance(Math.round(planned) + 45);
  await world.send(draft(yogurt.streamId, world.kitchen.clock.nowMs, 'step-done', { step: 'pour' }));
  const anew = (await stored('day-changed', 2)).at(-1)!.data;
  if (anew.kind !== 'laid') throw new Error('it was laid out anew');
  expect(anew.day.moved.length).toBeGreaterThan(0);
  await see(page, /steps have new times/);
  await tap(page, 'link', 'Open schedule');
  await see(page, 'New times.');
});

import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { defaultKitchen, planOfMethod, SHIPPED_METHODS, HOUR_MS } from '@morning-crock/core';
import type { EventOf, EventType, LarderResponse } from '@morning-crock/core/contract';
import { putUpLike } from '@morning-crock/core/fixtures';
import { draft, intakeDraft } from '@morning-crock/server/testing';
import type { Browser } from 'puppeteer-core';
import { ulid } from 'ulid';
import {
  choose,
  fill,
  goTo,
  named,
  openTablet,
  see,
  startBrowser,
  tap,
  turnTo,
  type Tablet,
} from './browser.ts';
import { later } from './later.ts';
import { createWorld, type World } from './world.ts';

/** What makers do without instruments, with what they have: as the screens take it. */

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

const stored = async <T extends EventType>(type: T, wanted: number): Promise<EventOf<T>['data'][]> =>
  (await world.stored<EventOf<T>['data']>(type, wanted)).map(({ data }) => data);
const passes = (minutes: number): Promise<void> => later(world, minutes, tablet.page);
const larder = async (): Promise<LarderResponse> =>
  (await world.kitchen.app.inject('/api/larder')).json<LarderResponse>();

test('yogurt by eye and finger: no thermometer, no scales', async () => {
  tablet = await openTablet(browser, `${world.address}/new`);
  const { page } = tablet;
  await tap(page, 'button', 'Heat');
  await see(page, 'Burner setting');
  await see(page, /uncovered, about \d+ min/);
  await see(page, /lid on, about \d/);
  await tap(page, 'button', 'Start batch');
  await tap(page, 'button', 'Milk is in the pot');
  await see(page, 'Heat the milk on medium heat.');
  await passes(20);
  await tap(page, 'button', 'steams');
  expect(await stored('heat-felt', 1)).toEqual([{ cue: 'steams' }]);
  await see(page, 'steams, no thermometer');
  await passes(9);
  await tap(page, 'button', 'small bubbles at the rim');
  await stored('heat-felt', 2);
  await tap(page, 'button', 'Hot enough');
  await stored('step-done', 2);
  await passes(10);
  await tap(page, 'button', 'Held long enough');
  await stored('step-done', 3);
  await see(page, /Let the milk cool uncovered/);
  await passes(38);
  await tap(page, 'button', 'a finger bears it 10 s');
  await stored('heat-felt', 3);
  await tap(page, 'button', 'Cool enough');
  await tap(page, 'button', 'Starter is in');
  await stored('starter-added', 1);
  await see(page, 'Yogurt maker, not checked');
  await passes(6 * 60);
  await tap(page, 'button', 'set');
  await tap(page, 'button', 'Move to fridge');
  await stored('step-done', 5);
  await passes(6 * 60);
  await tap(page, 'button', 'Chilled through');
  await stored('step-done', 6);
  // Nobody weighed it: the pot is full to a third of what it holds, by a ruler.
  await page.locator('::-p-text(No scales? Tell by level)').click();
  await fill(page, 'Or depth by ruler (cm, optional)', '5,2');
  await see(page, /About 1\.9\d kg, give or take/);
  await tap(page, 'button', 'Save estimate');
  const [weighed] = await stored('weighed', 1);
  expect(weighed).toMatchObject({ byLevel: true });
  await see(page, /by level, about 1\.9\d kg/);
  await tap(page, 'button', 'grainy');
  await see(page, 'Usually the starter was not whisked in');
  await tap(page, 'button', 'Save taste');
  expect(await stored('tasted', 1)).toMatchObject([{ defects: ['grainy'] }]);
  expect(await world.entries('temperature-read')).toEqual([]);
});

describe('from anything here to anything made', () => {
  test('a clabber churned whole, ghee from its butter, traced back to the milking', async () => {
    const [lotId, clabberId, clabberGood, butterGood] = [ulid(), ulid(), ulid(), ulid()];
    const at = START - 4 * 24 * HOUR_MS;
    const method = SHIPPED_METHODS.find(({ id }) => id === 'clabber-spoon')!;
    const plan = planOfMethod(method, defaultKitchen('UTC'), new Date(at).toISOString(), 2);
    const poured = { lotId, massKg: 2, typed: { value: 2, unit: 'kg' as const } };
    const madeAt = new Date(at + 30 * HOUR_MS).toISOString();
    const milk = { kind: 'cow-lean' as const, raw: true };
    await world.send(
      intakeDraft(lotId, 5, at - HOUR_MS, { name: 'Marrow, evening' }),
      draft(clabberId, at, 'make-started', {
        plan: {
          ...plan,
          name: 'Clabber of Marrow',
          milk: { ...plan.milk, lots: [{ lotId, name: 'Marrow, evening', massKg: 2, costPerKg: null }] },
        },
      }),
      draft(clabberId, at + HOUR_MS / 4, 'milk-poured', { from: [poured] }),
      draft(clabberId, at + HOUR_MS / 2, 'starter-added', {
        massKg: 0.06,
        statedRatio: null,
        typed: { value: 60, unit: 'g' },
      }),
      draft(clabberId, at + 24 * HOUR_MS, 'cue-seen', { cue: 'set', cleanSmell: true }),
      draft(clabberId, at + 24 * HOUR_MS, 'step-done', { step: 'incubate' }),
      draft(clabberId, at + 28 * HOUR_MS, 'weighed', { massKg: 2, typed: { value: 2, unit: 'kg' } }),
      draft(clabberId, at + 30 * HOUR_MS, 'finished', { verdict: 'kept', reason: '' }),
      draft(
        clabberGood,
        at + 30 * HOUR_MS,
        'larder-moved',
        putUpLike(
          { madeAt, makeId: clabberId, name: 'Clabber of Marrow', what: 'clabber', code: 'AAAAA1', milk },
          1,
          2,
        ),
      ),
    );
    tablet = await openTablet(browser, `${world.address}/new?make=butter`);
    const { page } = tablet;
    await choose(page, 'From', `${clabberGood} cold 0`);
    await see(page, /whole soured milk from Clabber of Marrow/);
    await see(page, 'a quarter to half of its fat may stay in the buttermilk');
    await tap(page, 'button', 'Start batch');
    const started = await world.stored<EventOf<'make-started'>['data']>('make-started', 2);
    const butterId = started[1]!.streamId;
    // The page goes to the new batch by itself: only then is it led elsewhere.
    await see(page, /in the pot, started/);
    expect(started[1]!.data.plan.milk).toMatchObject({ wholeCurd: true, soured: true, treatment: 'raw' });
    await world.stored('larder-moved', 2);
    expect((await larder()).goods.find(({ id }) => id === clabberGood)!.stocks).toEqual([]);
    await world.send(
      draft(butterId, world.kitchen.clock.nowMs + 1, 'weighed', {
        massKg: 0.06,
        typed: { value: 60, unit: 'g' },
      }),
      draft(
        butterGood,
        world.kitchen.clock.nowMs + 2,
        'larder-moved',
        putUpLike(
          {
            madeAt: new Date(START).toISOString(),
            makeId: butterId,
            name: 'Curd butter',
            code: 'AAAAA2',
            milk,
          },
          1,
          0.06,
        ),
      ),
    );
    await goTo(page, '/new?make=ghee');
    await choose(page, 'From', `${butterGood} cold 0`);
    await see(page, /60 g butter from Curd butter/);
    await tap(page, 'button', 'Start batch');
    await world.stored('larder-moved', 4);
    const ghee = (await world.stored<EventOf<'make-started'>['data']>('make-started', 3))[2]!;
    expect(ghee.data.plan.milk.goods).toMatchObject([{ goodId: butterGood, massKg: 0.06 }]);
    // From the milking on: the clabber, its butter, and the ghee.
    await goTo(page, `/larder/recall/${lotId}`);
    await see(page, /Batches made from this[\s\S]*Clabber of Marrow[\s\S]*Butter[\s\S]*Ghee/);
  });

  test('butter is a part of a day', async () => {
    tablet = await openTablet(browser, `${world.address}/day`);
    const { page } = tablet;
    for (const method of ['butter', 'yogurt']) {
      await choose(page, 'Product and method', method);
      await tap(page, 'button', 'Add batch');
    }
    await see(page, /Take the cream out\s+/);
    await see(page, /Pour the milk\s+/);
    await see(page, /Finished by (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
    const hands = await page.$$eval('.day-list li', (rows) =>
      rows.map((row) => (row as HTMLElement).innerText),
    );
    expect(hands.filter((row) => row.includes('Churn'))).toHaveLength(1);
    expect(hands.filter((row) => row.includes('Pour the milk'))).toHaveLength(1);
  });
});

test('a new mixer on its lowest setting: asked early, told why, and an hour is within what was said', async () => {
  await world.send(
    draft(world.kitchen.kitchenId, START, 'kitchen-changed', {
      section: 'churns',
      value: [{ id: ulid(), name: 'New mixer', litres: 3, kind: 'whisk', settings: 6 }],
    }),
  );
  tablet = await openTablet(browser, `${world.address}/new?make=butter`);
  const { page } = tablet;
  await tap(page, 'button', 'Cream');
  await fill(page, 'Fat', '25');
  await tap(page, 'button', 'Churn');
  await turnTo(await named(page, 'Setting: 3 of 6'), '1');
  await see(page, /New mixer at 12\.0 °C, setting 1 of 6/);
  await tap(page, 'button', 'Start batch');
  await tap(page, 'button', 'Cream is out');
  await tap(page, 'button', 'Ready to churn');
  await see(page, 'What temperature is the cream? Until you enter it, 12.0 °C is assumed.');
  await passes(15);
  await see(page, 'Still liquid?');
  await fill(page, 'Cream temperature', '9');
  await tap(page, 'button', 'Save temperature');
  await see(page, '9.0 °C. The cream is too cold.');
  await tap(page, 'button', 'froth');
  await stored('stage-seen', 1);
  await passes(45);
  await tap(page, 'button', 'Stop: cream has broken');
  await see(page, 'Weight of the buttermilk');
  expect((await stored('stage-seen', 2)).map((s) => s.stage)).toEqual(['froth', 'broken']);
});

test('a yogurt maker is checked with water: reminded, read twice, and known from then on', async () => {
  tablet = await openTablet(browser, `${world.address}/kitchen/things`);
  const { page } = tablet;
  // What is being edited beside it is not the check's to lose.
  await fill(page, 'Time constant (h)', '0,9');
  await tap(page, 'button', 'Check Yogurt maker');
  await fill(page, 'Water (L)', '90');
  await fill(page, 'Water temperature now (°C)', '25');
  await tap(page, 'button', 'Start check');
  await see(page, 'is more than 60 L');
  expect(await stored('kitchen-changed', 0)).toEqual([]);
  await fill(page, 'Water (L)', '1');
  await tap(page, 'button', 'Start check');
  await see(page, 'Read the water about 07:00.');
  expect(
    await (await named(page, 'Time constant (h)')).evaluate((field) => 'value' in field && field.value),
  ).toBe('0.9');
  await passes(60);
  await see(page, /now\s+Read the water, Yogurt maker/);
  await fill(page, 'Water temperature', '37,2');
  await tap(page, 'button', 'Add reading');
  await see(page, 'Read the water about 09:00.');
  await passes(120);
  await fill(page, 'Water temperature', '40,2');
  await tap(page, 'button', 'Add reading');
  await see(page, /Yogurt maker, checked .*: holds about 40\.\d °C/);
  const changes = await stored('kitchen-changed', 3);
  const last = changes.at(-1)!;
  const place = last.section === 'places' ? last.value.find(({ name }) => name === 'Yogurt maker')! : null;
  expect(place!.biasC!).toBeLessThan(-2);
  expect(place!.check).toBeUndefined();
  await goTo(page, '/new');
  await see(page, 'Start batch');
  expect(await page.evaluate(() => document.body.innerText.includes('has not been checked'))).toBe(false);
});

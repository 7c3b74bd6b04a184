import { afterAll, afterEach, beforeAll, beforeEach, expect, test } from '@jest/globals';
import {
  beginPlan,
  defaultKitchen,
  planOfMethod,
  SHIPPED_METHODS,
  HOUR_MS,
  MINUTE_MS,
} from '@morning-crock/core';
import type { EventOf, EventType, LarderResponse, MilkRoomResponse } from '@morning-crock/core/contract';
import { draft, intakeDraft } from '@morning-crock/server/testing';
import type { Browser } from 'puppeteer-core';
import { ulid } from 'ulid';
import { choose, goTo, named, openTablet, see, startBrowser, tap, turnTo, type Tablet } from './browser.ts';
import { createWorld, type World } from './world.ts';

/** Everything here goes into everything it can: batches under way, loads of butter, soured lots of the milk room. */

const START = Date.parse('2026-03-02T06:00:00.000Z');
const KITCHEN = defaultKitchen('UTC');
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

const stored = async <T extends EventType>(type: T, wanted: number) =>
  world.stored<EventOf<T>['data']>(type, wanted);
const ask = async <T>(path: string): Promise<T> => (await world.kitchen.app.inject(path)).json<T>();

test('a clabber that was seen set is churned whole, straight from its crock', async () => {
  const [lotId, clabberId] = [ulid(), ulid()];
  const at = START - 30 * HOUR_MS;
  const method = SHIPPED_METHODS.find(({ id }) => id === 'clabber-spoon')!;
  const plan = planOfMethod(method, KITCHEN, new Date(at).toISOString(), 2);
  await world.send(
    intakeDraft(lotId, 5, at - HOUR_MS, { name: 'Marrow, evening' }),
    draft(clabberId, at, 'make-started', {
      plan: {
        ...plan,
        name: 'Clabber of Marrow',
        milk: { ...plan.milk, lots: [{ lotId, name: 'Marrow, evening', massKg: 2, costPerKg: null }] },
      },
    }),
    draft(clabberId, at + HOUR_MS / 4, 'milk-poured', {
      from: [{ lotId, massKg: 2, typed: { value: 2, unit: 'kg' } }],
    }),
    draft(clabberId, at + HOUR_MS / 2, 'starter-added', {
      massKg: 0.06,
      statedRatio: null,
      typed: { value: 60, unit: 'g' },
    }),
  );
  tablet = await openTablet(browser, `${world.address}/makes/${clabberId}`);
  const { page } = tablet;
  await see(page, 'Clabber of Marrow');
  expect(await page.evaluate(() => document.body.innerText.includes('Make butter from this'))).toBe(false);
  await tap(page, 'button', 'set');
  await stored('cue-seen', 1);
  await tap(page, 'link', 'Make butter from this');
  await see(page, /whole soured milk from Clabber of Marrow/);
  await see(page, 'Starting this batch uses up Clabber of Marrow and finishes it.');
  await tap(page, 'button', 'Start batch');
  await see(page, /in the pot, started/);
  const butterId = (await stored('make-started', 2))[1]!.streamId;
  const moved = (await stored('larder-moved', 2)).map(({ data }) => data);
  expect(moved).toMatchObject([
    { kind: 'put-up', good: { what: 'clabber', makeId: clabberId, milk: { raw: true } } },
    { kind: 'take', for: 'made-into', into: butterId },
  ]);
  expect(await stored('finished', 1)).toMatchObject([
    { streamId: clabberId, data: { verdict: 'kept', reason: 'used in Butter' } },
  ]);
  // Nothing of it is left to be counted twice.
  expect((await ask<LarderResponse>('/api/larder')).goods.map(({ stocks }) => stocks)).toEqual([[]]);
  await goTo(page, `/larder/recall/${lotId}`);
  await see(page, /Batches made from this[\s\S]*Clabber of Marrow[\s\S]*Butter/);
});

test('one load of three is finished for ghee, and goes into the pan', async () => {
  const butterId = ulid();
  const begun = beginPlan('butter', KITCHEN, new Date(START).toISOString());
  const plan = {
    ...begun,
    milk: { ...begun.milk, litres: 3, typed: { value: 3, unit: 'L' as const } },
    method: {
      ...begun.method,
      steps: begun.method.steps.map((step) => (step.kind === 'churn' ? { ...step, loads: 3 } : step)),
    },
  };
  const at = START - 4 * HOUR_MS;
  await world.send(
    draft(butterId, at, 'make-started', { plan: { ...plan, startAt: new Date(at).toISOString() } }),
    draft(butterId, at + 2 * MINUTE_MS, 'step-done', { step: 'take-out' }),
    draft(butterId, at + 60 * MINUTE_MS, 'step-done', { step: 'temper' }),
    draft(butterId, at + 80 * MINUTE_MS, 'stage-seen', { stage: 'broken' }),
    draft(butterId, at + 84 * MINUTE_MS, 'load-begun', { load: 2 }),
    draft(butterId, at + 104 * MINUTE_MS, 'stage-seen', { stage: 'broken' }),
    draft(butterId, at + 108 * MINUTE_MS, 'load-begun', { load: 3 }),
    draft(butterId, at + 128 * MINUTE_MS, 'stage-seen', { stage: 'broken' }),
    draft(butterId, at + 129 * MINUTE_MS, 'step-done', { step: 'churn' }),
    draft(butterId, at + 135 * MINUTE_MS, 'step-done', { step: 'drain' }),
  );
  tablet = await openTablet(browser, `${world.address}/makes/${butterId}`);
  const { page } = tablet;
  await page.locator('::-p-text(Finish part of the butter another way)').click();
  await tap(page, 'radio', '1 load of 3');
  await tap(page, 'radio', 'for ghee');
  await see(page, /About \d+ g of butter becomes a batch of its own/);
  await tap(page, 'button', 'Split batch');
  await stored('split-off', 2);
  await see(page, 'Butter, part');
  const part = (await stored('make-started', 2))[1]!;
  expect(part.data.plan.splitFrom).toBe(butterId);
  expect(part.data.plan.method.steps.find((s) => s.kind === 'wash')).toMatchObject({ washes: 0 });
  // For ghee nothing is washed: the water boils off anyway. The rest is washed as it was planned.
  await see(page, 'Butter is worked');
  await tap(page, 'link', 'Make ghee from this');
  await see(page, /butter from Butter, part/);
  await see(page, 'Starting this batch uses up Butter, part and finishes it.');
  await tap(page, 'button', 'Start batch');
  const ghee = (await stored('make-started', 3))[2]!;
  await see(page, /, started Mon/);
  await see(page, 'Clarify');
  expect(ghee.data.plan.product).toBe('ghee');
  expect(await stored('finished', 1)).toMatchObject([{ streamId: part.streamId }]);
  await goTo(page, `/makes/${butterId}`);
  await see(page, 'Record clear wash');
});

test('cream that just turned sour is recorded so; a soured lot is the starter of the next batch', async () => {
  const sourId = ulid();
  await world.send(
    intakeDraft(sourId, 0.5, START - 30 * HOUR_MS, {
      name: 'Ripe cream',
      what: 'cream',
      fatFraction: 0.3,
      soured: true,
    }),
  );
  tablet = await openTablet(browser, `${world.address}/milk?lot=${sourId}`);
  const { page } = tablet;
  await tap(page, 'button', 'Move');
  await tap(page, 'radio', 'just sour');
  await turnTo(await named(page, 'pH, if you measured it: 5.7'), '5.6');
  await tap(page, 'button', 'Save move');
  await stored('milk-moved', 2);
  const before = (await ask<MilkRoomResponse>('/api/milk')).lots[0]!;
  expect(before.ph).toBe(5.6);
  await goTo(page, '/new?make=buttermilk');
  await tap(page, 'button', 'Starter');
  await choose(page, 'Kind', `${sourId} cultured-buttermilk`);
  await tap(page, 'button', 'Start batch');
  // The page goes to the new batch by itself: only then is it led elsewhere.
  await see(page, /in the pot, started/);
  const begun = (await stored('make-started', 1))[0]!;
  expect(begun.data.plan.starter).toMatchObject({ kind: 'cultured-buttermilk', lot: { lotId: sourId } });
  const given = (await stored('milk-moved', 3))[2]!.data;
  expect(given).toMatchObject({ kind: 'give', to: 'used', into: begun.streamId });
  const after = (await ask<MilkRoomResponse>('/api/milk')).lots[0]!;
  expect(before.has.massKg - after.has.massKg).toBeCloseTo(begun.data.plan.starter.massKg!, 6);
  await goTo(page, `/larder/recall/${sourId}`);
  await see(page, /Batches made from this[\s\S]*Buttermilk/);
});

import { afterAll, afterEach, beforeAll, beforeEach, expect, test } from '@jest/globals';
import { defaultKitchen, planOfMethod, SHIPPED_METHODS, MINUTE_MS } from '@morning-crock/core';
import type { EventOf, EventType } from '@morning-crock/core/contract';
import { draft } from '@morning-crock/server/testing';
import type { Browser } from 'puppeteer-core';
import { ulid } from 'ulid';
import {
  choose,
  fill,
  goTo,
  openTablet,
  see,
  seeNoMore,
  startBrowser,
  tap,
  unfold,
  type Tablet,
} from './browser.ts';
import { createWorld, type World } from './world.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let browser: Browser;
let world: World;
let tablet: Tablet;

beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());
beforeEach(async () => {
  world = await createWorld(START);
});
afterEach(async () => {
  expect(tablet.strayRequests).toEqual([]);
  expect(tablet.faults).toEqual([]);
  await tablet.close();
  await world.close();
});

const stored = <T extends EventType>(type: T, wanted: number) =>
  world.stored<EventOf<T>['data']>(type, wanted);

/** A make of the usual yogurt that sours, its steps done by another tablet every twenty minutes. */
async function souring(name: string, litres: number): Promise<string> {
  const id = ulid();
  const plan = {
    ...planOfMethod(
      SHIPPED_METHODS.find((m) => m.id === 'yogurt')!,
      defaultKitchen('UTC'),
      new Date(START).toISOString(),
      litres,
    ),
    name,
  };
  await world.send(
    draft(id, START, 'make-started', { plan }),
    ...['pour', 'heat', 'hold', 'cool'].map((step, i) =>
      draft(id, START + (i + 1) * 20 * MINUTE_MS, 'step-done', { step }),
    ),
    draft(id, START + 100 * MINUTE_MS, 'starter-added', {
      massKg: plan.starter.massKg,
      statedRatio: null,
      typed: { value: 80, unit: 'g' },
    }),
    draft(id, START + 130 * MINUTE_MS, 'temperature-read', {
      celsius: 43,
      instrument: 'pen',
      typed: { value: 43, unit: 'C' },
    }),
  );
  return id;
}
test('a part of a yogurt goes on as strained yogurt, with the same past and a name of its own', async () => {
  world.advance(200);
  const id = await souring('Tuesday’s yogurt', 4);
  tablet = await openTablet(browser, `${world.address}/makes/${id}`);
  const { page } = tablet;
  await unfold(page, 'Split this batch');
  await fill(page, 'Amount to split off', '9');
  await see(page, 'That is the whole batch (4 L). Enter less.');
  await fill(page, 'Amount to split off', '1');
  await choose(page, 'Continue as', 'yogurt-strained');
  await see(page, 'Continue as');
  await tap(page, 'button', 'Split batch');
  await see(page, 'Split from Tuesday’s yogurt');
  const parts = await stored('split-off', 2);
  const child = parts.find(({ streamId }) => streamId !== id)!.streamId;
  expect(parts.find(({ streamId }) => streamId === id)!.data).toMatchObject({ makeId: child });
  expect(parts.find(({ streamId }) => streamId === id)!.data.share).toBeCloseTo(0.25, 6);
  const started = await stored('make-started', 2);
  expect(started.find(({ streamId }) => streamId === child)!.data.plan).toMatchObject({
    splitFrom: id,
    method: { id: 'yogurt-strained' },
  });
  await see(page, 'Drain');
  await see(page, '1 L in the pot');
  expect(page.url()).toContain(child);
  await tap(page, 'link', 'Tuesday’s yogurt');
  await see(page, '3 L in the pot');
  await see(page, '25 % split off');
  // What was stirred in went in once: the register of cultures and the milk room count it once.
  expect((await world.kitchen.app.inject('/api/milk')).json<{ lots: unknown[] }>().lots).toEqual([]);
});

test('two yogurts become one; what cannot be poured together says why', async () => {
  world.advance(200);
  const small = await souring('The little one', 1);
  const large = await souring('The large one', 3);
  tablet = await openTablet(browser, `${world.address}/makes/${small}`);
  const { page } = tablet;
  await unfold(page, 'Combine with another batch');
  await tap(page, 'button', 'Combine batches');
  await see(page, 'Includes The little one');
  await see(page, '4.0');
  const [joined] = await stored('joined', 1);
  expect(joined!.streamId).toBe(large);
  expect(joined!.data.massKg).toBeGreaterThan(1);
  expect(joined!.data.celsius).toBeGreaterThan(40);
  const [finished] = await stored('finished', 1);
  expect(finished).toMatchObject({ streamId: small, data: { verdict: 'kept', into: large } });
  await tap(page, 'link', 'The little one');
  await see(page, 'Poured into The large one');
  // Its own page says so, and its record.
  for (const place of ['makes', 'daybook']) {
    await goTo(page, `/${place}/${small}`);
    await see(page, 'Poured into The large one');
  }
});

test('more starter is tried out before it is chosen, and moves no clock', async () => {
  world.advance(200);
  const id = await souring('Slow one', 2);
  tablet = await openTablet(browser, `${world.address}/makes/${id}`);
  const { page } = tablet;
  await unfold(page, 'Too slow or too fast?');
  await see(page, /\d+ g more starter: about \d\d:\d\d/);
  await see(page, /Warm bath, 45 °C/);
  await tap(page, 'button', 'Mark as stirred in');
  const both = await stored('starter-added', 2);
  expect(both[1]!.data.massKg).toBeCloseTo(both[0]!.data.massKg!, 9);
  await see(page, 'None of these choices resets the safety clock.');
  await seeNoMore(page, 'contradict each other');
});

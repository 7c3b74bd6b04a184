import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { EventOf, EventType } from '@morning-crock/core/contract';
import type { Browser } from 'puppeteer-core';
import { fill, goTo, openTablet, see, startBrowser, tap, type Tablet } from './browser.ts';
import { later } from './later.ts';
import { createWorld, type World } from './world.ts';

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
});
afterEach(async () => {
  expect(tablet.strayRequests).toEqual([]);
  expect(tablet.faults).toEqual([]);
  await tablet.close();
  await world.close();
});
const stored = <T extends EventType>(type: T, wanted: number) =>
  world.stored<EventOf<T>['data']>(type, wanted);
const passes = (minutes: number): Promise<void> => later(world, minutes, tablet.page);

describe('ghee', () => {
  test('weighed, seen, measured; its last minutes fill the screen; rested, filtered, in the Daybook', async () => {
    tablet = await openTablet(browser, `${world.address}/new`);
    const { page } = tablet;
    await tap(page, 'button', 'All products');
    await tap(page, 'radio', 'Ghee');
    await see(page, /(Take o|O)ff the heat\s+\d\d:\d\d–\d\d:\d\d/);
    await fill(page, 'Amount', '800');
    await tap(page, 'button', 'Butter');
    await tap(page, 'radio', 'wet lumps, hardly worked');
    await see(page, '200 g to boil off');
    await see(page, /About 566 g of ghee/);
    // Too little is said beside its field, and nothing is begun with it.
    await fill(page, 'Amount', '20');
    await see(page, 'Less than 50 g scorches before it clears. Use more butter.');
    await fill(page, 'Amount', '800');
    await tap(page, 'radio', 'washed and worked');
    await tap(page, 'button', 'Start batch');
    const [begun] = await stored('make-started', 1);
    expect(begun!.data.plan).toMatchObject({
      product: 'ghee',
      milk: { typed: { value: 800, unit: 'g' }, composition: { fatFraction: 0.81 } },
    });
    await stored('planned', 1);

    await see(page, 'about 136 g of water left');
    await fill(page, 'Weight of pan and butter', '2000');
    await tap(page, 'button', 'Save weight');
    await stored('pan-weighed', 1);
    await passes(14);
    await fill(page, 'Weight of pan and butter now', '2100');
    await see(page, 'The pan weighed 2.00 kg before and cannot get heavier on the heat.');
    await fill(page, 'Weight of pan and butter now', '1930');
    await tap(page, 'button', 'Save weight');
    await stored('pan-weighed', 2);
    await see(page, /about (6|7)\d g of water left/);
    await tap(page, 'button', 'clear to the bottom');
    await see(page, 'Last seen: clear to the bottom.');

    // Long over its time: it fills the screen, wherever one is.
    await goTo(page, `${world.address}/daybook`);
    await passes(14);
    await see(page, 'Take ghee off heat?');
    await tap(page, 'link', 'Open batch');
    await stored('alarm-acknowledged', 1);
    await tap(page, 'link', 'Open batch');
    await tap(page, 'button', 'Add reading');
    await fill(page, 'Temperature, °C', '122');
    await page.keyboard.press('Enter');
    await see(page, 'Too hot: off the heat');
    await tap(page, 'link', 'Open batch');
    await tap(page, 'button', 'Take off the heat');
    await stored('step-done', 1);
    await see(page, 'Off the heat. Leave the pan to stand. The fat is hot.');
    await passes(13);
    await see(page, 'The ghee has settled. Pour it through paper');
    await tap(page, 'button', 'Ghee has settled');
    await tap(page, 'button', 'Ghee is in jars');
    await fill(page, 'Weight of the ghee', '622');
    await page.keyboard.press('Enter');
    await stored('weighed', 1);
    await see(page, 'Ghee, weighed');
    await tap(page, 'button', 'Ghee has set');
    await tap(page, 'button', 'Finish batch');
    const finished = await stored('finished', 1);
    await goTo(page, `${world.address}/daybook/${finished[0]!.streamId}`);
    await see(page, 'on Burner, up to');
    await see(page, '70 g, weighed');
    await see(page, 'about 629 g');
    await see(page, 'clear to the bottom, seen');
  });
});

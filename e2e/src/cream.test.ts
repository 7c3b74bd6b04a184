import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { EventOf, EventType, Lot, MilkRoomResponse } from '@morning-crock/core/contract';
import { intakeDraft } from '@morning-crock/server/testing';
import type { Browser } from 'puppeteer-core';
import { ulid } from 'ulid';
import {
  fill,
  goTo,
  named,
  openTablet,
  see,
  startBrowser,
  tap,
  turnTo,
  unfold,
  type Tablet,
} from './browser.ts';
import { later } from './later.ts';
import { createWorld, type World } from './world.ts';
import { HOUR_MS } from '@morning-crock/core';

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

const lots = async (): Promise<Lot[]> =>
  (await world.kitchen.app.inject('/api/milk')).json<MilkRoomResponse>().lots;
const creamFactor = async (): Promise<number | undefined> =>
  (await world.kitchen.app.inject('/api/milk')).json<MilkRoomResponse>().creamFactors[0]?.mean;
const stored = <T extends EventType>(type: T, wanted: number) =>
  world.stored<EventOf<T>['data']>(type, wanted);
const passes = (minutes: number): Promise<void> => later(world, minutes, tablet.page);
const cream = (id: string, litres: number, facts = {}) =>
  intakeDraft(id, litres, START - 20 * HOUR_MS, {
    what: 'cream',
    fatFraction: 0.34,
    name: 'Cream from Fern',
    source: 'Fern',
    ...facts,
  });

describe('butter', () => {
  test('from where the cream stands: tempered, churned, washed, salted, weighed, in the Daybook', async () => {
    const pot = ulid();
    await world.send(cream(pot, 1));
    tablet = await openTablet(browser, `${world.address}/milk?lot=${pot}`);
    const { page } = tablet;
    // One tap from where it stands.
    await tap(page, 'link', 'Make butter');
    await see(page, /raw sweet cream from .*, 34\.0 % fat/);
    await see(page, /Breaks\s+\d\d:\d\d–\d\d:\d\d/);
    await see(page, /About \d{3} g of butter/);
    await tap(page, 'button', 'Wash and salt');
    await turnTo(await named(page, 'Salt: none'), '1.5');
    await see(page, 'salt in its water, so it keeps much better');
    await tap(page, 'button', 'Start batch');
    await see(page, 'Cream is out');
    const [begun] = await stored('make-started', 1);
    expect(begun!.data.plan.method.steps.map((s) => s.id)).toEqual([
      'take-out',
      'temper',
      'churn',
      'drain',
      'wash',
      'work',
      'weigh',
    ]);
    await stored('planned', 1);

    await passes(2);
    await tap(page, 'button', 'Cream is out');
    await stored('milk-poured', 1);
    expect(await lots()).toEqual([]);
    await see(page, /12\.0 °C about\s+\d\d:\d\d/);
    await passes(50);
    await fill(page, 'Temperature, °C', '12,1');
    await page.keyboard.press('Enter');
    await stored('temperature-read', 1);
    await see(page, 'Last measured 12.1 °C');
    await tap(page, 'button', 'Ready to churn');

    await see(page, 'expected now: liquid');
    await passes(4);
    await see(page, '4 min');
    await tap(page, 'button', 'soft cream');
    await stored('stage-seen', 1);
    await see(page, 'last seen: soft cream');
    await passes(8);
    await tap(page, 'button', 'yellow and heavy');
    await stored('stage-seen', 2);
    await passes(2);
    await tap(page, 'button', 'Stop: cream has broken');
    const stages = await stored('stage-seen', 3);
    expect(stages.map((s) => s.data.stage)).toEqual(['soft', 'yellow', 'broken']);

    await see(page, 'Weight of the buttermilk');
    await fill(page, 'Weight of the buttermilk', '560');
    await page.keyboard.press('Enter');
    const [buttermilk] = await stored('weighed', 1);
    expect(buttermilk!.data).toMatchObject({ massKg: 0.56, of: 'buttermilk' });
    // It is stock at once.
    await see(page, 'Washed enough');
    expect((await lots()).map((l) => [l.name, l.role, l.has.massKg, l.soured])).toEqual([
      ['Sweet buttermilk', 'buttermilk', 0.56, false],
    ]);

    await tap(page, 'button', 'Record cloudy wash');
    await tap(page, 'button', 'Record clear wash');
    await stored('rinsed', 2);
    await see(page, 'The water ran clear. That is enough.');
    await tap(page, 'button', 'Washed enough');
    await see(page, /salt for 1\.5 %\s+about [5-7]\.\d g/);
    await fill(page, 'Salt', '6');
    await tap(page, 'button', 'Mark salt as added');
    const [salted] = await stored('salted', 1);
    expect(salted!.data).toEqual({ massKg: 0.006, typed: { value: 6, unit: 'g' } });
    // Heavier after than before is no pan test: what was typed stays, nothing is stored.
    await unfold(page, 'How wet is the butter?');
    await fill(page, 'Left after heating, g', '11');
    await tap(page, 'button', 'Save test');
    await see(
      page,
      'That is more than before. Water boils off, so the weight must fall. Check both weights.',
    );
    await fill(page, 'Left after heating, g', '8,2');
    await tap(page, 'button', 'Save test');
    const [tested] = await stored('pan-tested', 1);
    expect(tested!.data.afterKg).toBeCloseTo(0.0082, 9);
    await see(page, 'Pan test: 18.0 % water');
    await tap(page, 'button', 'Butter is worked');

    // More than the fat allows: what was typed stays, and nothing is stored.
    await see(page, 'Weight of the butter');
    await fill(page, 'Weight of the butter', '900');
    await page.keyboard.press('Enter');
    await see(page, 'That is more butter than the fat allows');
    await fill(page, 'Weight of the butter', '4000');
    await page.keyboard.press('Enter');
    await see(page, 'That is more than the cream weighed');
    expect(await world.entries('weighed')).toHaveLength(1);
    await fill(page, 'Weight of the butter', '388');
    await page.keyboard.press('Enter');
    const weighings = await stored('weighed', 2);
    expect(weighings[1]!.data).toMatchObject({ massKg: 0.388, typed: { value: 388, unit: 'g' } });
    expect(weighings[1]!.data.of).toBeUndefined();
    // What butter weighed teaches the fat of its cream.
    expect(await creamFactor()).toBeLessThan(0);

    await tap(page, 'button', 'Finish batch');
    await stored('finished', 1);
    await tap(page, 'link', 'Open in Daybook');
    await see(page, /Where the \d{3} g of fat went/);
    await see(page, /Yield\s+388 g/);
    await see(page, /Buttermilk\s+560 g/);
    await see(page, /Washed\s+2 ×/);
    await see(page, /Salt\s+1\.5 % \(brine about 8 %\)/);
    await see(page, /Water \(pan test\)\s+18\.0 %/);
    await see(page, 'to break, in A large jar');
  });

  test('straight from the cold it takes too long: asked, warmed in a bath, and it breaks', async () => {
    tablet = await openTablet(browser, `${world.address}/new?make=butter`);
    const { page } = tablet;
    await tap(page, 'button', 'Churn');
    await tap(page, 'radio', 'in a water bath, in minutes');
    await see(page, /3 L of water at 16\.0 °C\. Stir the cream\./);
    await turnTo(await named(page, 'Churning temperature: 12.0 °C'), '6');
    await tap(page, 'button', 'Start batch');
    await tap(page, 'button', 'Cream is out');
    await tap(page, 'button', 'Ready to churn');
    await see(page, 'expected now: liquid');
    await passes(25);
    await tap(page, 'button', 'froth');
    await stored('stage-seen', 1);
    // Twice as long as the longest it should take: one question.
    await passes(130);
    await see(page, 'Churning is taking too long. What temperature is the cream now?');
    await fill(page, 'Cream temperature', '90');
    await see(page, 'Cream at 90 °C would be melted.');
    await fill(page, 'Cream temperature', '9');
    await tap(page, 'button', 'Save temperature');
    await stored('temperature-read', 1);
    await see(page, '9.0 °C. The cream is too cold. Its fat is too hard to stick together.');
    await see(page, /Stand the cream in water at 17\.0 °C and stir for about \d+ min, to reach 13\.0 °C,/);
    await see(page, /Carry on churning/);
    await tap(page, 'button', 'Do this');
    const [noted] = await stored('noted', 1);
    expect(noted!.data.text).toContain('Stand the cream in water at 17.0 °C');
    await passes(12);
    await tap(page, 'button', 'Add reading');
    await fill(page, 'Temperature, °C', '13');
    await page.keyboard.press('Enter');
    await stored('temperature-read', 2);
    await see(page, 'The temperature is right.');
    await passes(9);
    await tap(page, 'button', 'Stop: cream has broken');
    await see(page, 'Weight of the buttermilk');
    expect((await stored('stage-seen', 2)).map((s) => s.data.stage)).toEqual(['froth', 'broken']);
  });

  test('cream that cannot be churned is said so, and what was typed stays', async () => {
    tablet = await openTablet(browser, `${world.address}/new?make=butter`);
    const { page } = tablet;
    await tap(page, 'button', 'Cream');
    await tap(page, 'button', 'Churn');
    await fill(page, 'Fat', '8');
    await see(page, '8 % is milk, not cream. Cream has at least 10 % fat.');
    await fill(page, 'Fat', '10');
    await see(page, '10 % fat is hardly cream and would not break.');
    await fill(page, 'Fat', '33');
    await see(page, /Breaks\s+\d\d:\d\d–\d\d:\d\d/);
    await turnTo(await named(page, 'Temperature: 5.0 °C'), '28');
    await see(page, 'The cream is at 28.0 °C and cannot cool to 12.0 °C in a place at 20.0 °C');
    await see(page, 'needs four hours in the fridge before churning');
    await tap(page, 'radio', 'in the fridge');
    await see(page, /Breaks\s+\d\d:\d\d–\d\d:\d\d/);
    expect(await world.entries('make-started')).toEqual([]);
  });
});

describe('cultured cream', () => {
  test('ripened overnight, thick the next day, poured into the churn', async () => {
    const bowl = ulid();
    await world.send(cream(bowl, 1.2));
    tablet = await openTablet(browser, `${world.address}/milk?lot=${bowl}`);
    const { page } = tablet;
    await tap(page, 'link', 'Make cultured cream');
    await see(page, /Ready, mild/);
    await see(page, /Thick (Mon|Tue)? ?\d\d:\d\d/);
    await tap(page, 'button', 'Starter');
    await see(page, '% of the cream');
    await tap(page, 'button', 'Start batch');
    await tap(page, 'button', 'Cream is in the pot');
    await stored('milk-poured', 1);
    await tap(page, 'button', 'Starter is in');
    await stored('starter-added', 1);
    await see(page, 'Move to fridge');
    await see(page, 'Thick (about)');

    // Thick, but nobody smelled it: the clock of the warm hours goes on.
    await passes(15 * 60);
    await tap(page, 'button', 'thick');
    await stored('cue-seen', 1);
    await see(page, 'Thick (seen)');
    await see(page, /Warm for 1\d\.\d h so far, 24 h at most|Souring is not confirmed yet/);
    await tap(page, 'button', 'smells clean and sour');
    await tap(page, 'button', 'holds a dollop');
    const cues = await stored('cue-seen', 2);
    expect(cues.map((c) => c.data)).toEqual([
      { cue: 'thick', cleanSmell: null },
      { cue: 'dollop', cleanSmell: true },
    ]);
    await see(page, 'Souring was confirmed in time.');
    await tap(page, 'button', 'Move to fridge');
    await see(page, 'Leave overnight without stirring');
    await passes(13 * 60);
    await tap(page, 'button', 'Cold and thick');
    await fill(page, 'Weight of the cultured cream', '1240');
    await page.keyboard.press('Enter');
    await stored('weighed', 1);
    const [ripened] = await lots();
    expect(ripened).toMatchObject({ name: 'Cultured cream', role: 'cream', soured: true, place: 'cold' });
    expect(ripened!.has.massKg).toBeCloseTo(1.24, 6);

    await goTo(page, `/milk?lot=${ripened!.id}`);
    await see(page, 'soured: the acid preserves it');
    await tap(page, 'link', 'Make butter');
    await see(page, /raw ripened cream from .*, 34\.0 % fat/);
    await tap(page, 'button', 'Start batch');
    await see(page, 'Cream is out');
    await tap(page, 'button', 'Cream is out');
    await stored('milk-poured', 2);
    expect(await lots()).toEqual([]);
    const [, second] = await stored('make-started', 2);
    expect(second!.data.plan.milk).toMatchObject({ soured: true });
    // Ripened, its buttermilk is cultured.
    await passes(60);
    await tap(page, 'button', 'Ready to churn');
    // A little more than half of the jar: two loads.
    await tap(page, 'button', 'Load 1 has broken');
    await tap(page, 'button', 'Load 2 is in');
    await tap(page, 'button', 'Load 2 has broken');
    await fill(page, 'Weight of the buttermilk', '690');
    await page.keyboard.press('Enter');
    await see(page, 'Washed enough');
    // Its buttermilk is stock, and some of it goes on as a starter.
    await stored('weighed', 2);
    const [buttermilk] = await lots();
    await goTo(page, `/milk?lot=${buttermilk!.id}`);
    await tap(page, 'button', 'Keep as a starter');
    await fill(page, 'Name', 'Buttermilk of the bowl');
    await tap(page, 'button', 'Keep as a starter');
    const [kept] = await stored('culture-changed', 1);
    expect(kept!.data).toMatchObject({
      kind: 'taken-in',
      culture: { name: 'Buttermilk of the bowl', kind: 'cultured-buttermilk', massKg: 0.15, rawMilk: true },
    });
    await see(page, '523 mL');
  });

  test('what is unsafe is stopped and explained', async () => {
    tablet = await openTablet(browser, `${world.address}/new?make=cultured-cream`);
    const { page } = tablet;
    await see(page, /Ready, mild/);
    await tap(page, 'button', 'Cream');
    await tap(page, 'button', 'Starter');
    const kind = await named(page, 'Kind');
    await kind.select('none');
    await see(page, 'to sour without a starter. Choose a starter.');
    await kind.select('yogurt-whey');
    await see(page, 'Yogurt whey does not work at 20.0 °C in heated cream');
    await tap(page, 'radio', 'raw');
    await see(page, 'This raw milk is not heated');
    expect(await world.entries('make-started')).toEqual([]);
  });
});

import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { EventOf, EventType } from '@morning-crock/core/contract';
import { draft, intakeDraft } from '@morning-crock/server/testing';
import type { Browser, Page } from 'puppeteer-core';
import { ulid } from 'ulid';
import {
  fill,
  goTo,
  named,
  openTablet,
  see,
  seeNoMore,
  setClock,
  startBrowser,
  tap,
  unfold,
  turnTo,
  type Tablet,
} from './browser.ts';
import { later } from './later.ts';
import { createWorld, type World } from './world.ts';
import { HOUR_MS } from '@morning-crock/core';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let browser: Browser;
let world: World;
let tablets: Tablet[];

beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());
beforeEach(async () => {
  world = await createWorld(START);
  tablets = [];
});
afterEach(async () => {
  for (const tablet of tablets) {
    expect(tablet.strayRequests).toEqual([]);
    expect(tablet.faults).toEqual([]);
    await tablet.close();
  }
  await world.close();
});

const stored = <T extends EventType>(type: T, wanted: number) =>
  world.stored<EventOf<T>['data']>(type, wanted);
async function open(path: string): Promise<Page> {
  const tablet = await openTablet(browser, `${world.address}${path}`);
  tablets.push(tablet);
  return tablet.page;
}
/** Time passes, and every tablet notices. */
const passes = (minutes: number): Promise<void> => later(world, minutes, ...tablets.map(({ page }) => page));

describe('a day of churning', () => {
  test('a thawed pot in three loads on two tablets, rested, watered, washed, salted by the spoon, cut', async () => {
    const [frozen, pot] = [ulid(), ulid()];
    await world.send(
      intakeDraft(frozen, 3, START - 90 * HOUR_MS, {
        what: 'cream',
        fatFraction: 0.34,
        name: 'Cream from Fern',
        source: 'Fern',
        place: 'freezer',
      }),
      draft(frozen, START - 40 * HOUR_MS, 'milk-moved', {
        kind: 'thaw',
        into: { lotId: pot, name: 'Cream from Fern, thawed' },
        massKg: 2.9,
        readyAt: new Date(START - 6 * HOUR_MS).toISOString(),
        typed: { value: 2.9, unit: 'kg' },
      }),
    );
    const page = await open(`/milk?lot=${pot}`);
    await tap(page, 'link', 'Make butter');
    await see(page, 'The first load breaks');
    await see(page, /3 loads of \S+ (m?L). The last breaks about/);
    await see(page, 'Warmer cream churns faster, but gives softer butter and loses more fat.');
    await tap(page, 'button', 'Wash and salt');
    await tap(page, 'radio', 'to eat within a week');
    await see(page, /Washes:\s+1 ×/);
    await tap(page, 'radio', 'for keeping');
    await see(page, /Washes:\s+4 ×, about 2 % of the buttermilk left/);
    await see(page, /Have ready: about \S+ L of drinking water/);
    await turnTo(await named(page, 'Salt: none'), '1.8');
    await tap(page, 'button', 'Start batch');
    await see(page, 'Get ready');
    await see(page, 'Butter sticks to dry wood');
    const [begun] = await stored('make-started', 1);
    expect(begun!.data.plan.method.steps.find((s) => s.kind === 'churn')).toMatchObject({ loads: 3 });
    await tap(page, 'button', 'Cream is out');
    await stored('milk-poured', 1);
    await passes(40);
    await tap(page, 'button', 'Ready to churn');

    // The first load; the next one is told when to come out of the cold.
    await see(page, 'Load 1 of 3');
    await see(page, /Load 2: take out of the fridge (at \d\d:\d\d|now)/);
    await passes(8);
    await tap(page, 'button', 'soft cream');
    await stored('stage-seen', 1);
    await tap(page, 'button', 'Pause churning');
    await see(page, 'Paused');
    await passes(5);
    await tap(page, 'button', 'Resume churning');
    await stored('churn-rested', 2);
    await seeNoMore(page, 'Paused');
    await passes(9);
    await tap(page, 'button', 'Load 1 has broken');
    await stored('stage-seen', 2);
    // The churning is not over with it.
    expect((await world.entries('step-done')).length).toBe(1);

    // Somebody else goes on at another tablet, and the first one follows.
    const { pathname } = new URL(page.url());
    const other = await open(pathname);
    await see(other, /broke \d\d:\d\d, after 22 min/);
    await tap(other, 'button', 'Load 2 is in');
    await stored('load-begun', 1);
    await see(page, 'Load 2 of 3');
    await see(page, 'Load 2 has broken');
    await passes(6);
    await unfold(other, 'Add chilled water');
    await fill(other, 'Water', '5000');
    await see(other, 'Check the unit.');
    await fill(other, 'Water', '250');
    await tap(other, 'button', 'Mark as added');
    const [water] = await stored('water-poured', 1);
    expect(water!.data).toMatchObject({ massKg: 0.25, celsius: 4 });
    await passes(12);
    await tap(other, 'button', 'Load 2 has broken');
    await stored('stage-seen', 3);
    await passes(5);
    await tap(page, 'button', 'Load 3 is in');
    await stored('load-begun', 2);
    await see(other, 'Load 3 of 3');
    await passes(20);
    await tap(page, 'button', 'Load 3 has broken');
    await see(page, 'Weight of the buttermilk');
    await see(other, 'Weight of the buttermilk');

    // Heavier than cream and water together, it is weighed with its bowl: what was typed stays.
    await fill(page, 'Weight of the buttermilk', '4200');
    await page.keyboard.press('Enter');
    await see(page, 'That is more than the cream and water together');
    expect(await world.entries('weighed')).toEqual([]);
    await fill(page, 'Weight of the buttermilk', '1930');
    await page.keyboard.press('Enter');
    await stored('weighed', 1);

    await tap(page, 'button', 'Record cloudy wash');
    await tap(page, 'button', 'Chill 15 min in iced water');
    await stored('iced', 1);
    await see(page, /In iced water until\s+\d\d:\d\d/);
    await passes(15);
    await see(page, 'Is the butter firm?');
    await tap(page, 'button', 'Got it');
    await tap(page, 'button', 'Record clear wash');
    await see(page, 'about 3 % of the buttermilk left in the butter');
    await tap(page, 'button', 'Washed enough');

    // Salt by the spoon: its kind says what it weighs.
    await see(page, /salt for 1\.8 %/);
    await fill(page, 'Salt', '5');
    const unit = await named(page, 'Salt: unit');
    await unit.select('tsp-metric');
    await see(page, 'Level spoons: about 30 g.');
    await tap(page, 'radio', 'coarse');
    await see(page, 'Level spoons: about 25 g.');
    await tap(page, 'button', 'Mark salt as added');
    const [salted] = await stored('salted', 1);
    expect(salted!.data).toMatchObject({ kind: 'coarse', typed: { value: 5, unit: 'tsp-metric' } });
    expect(salted!.data.massKg).toBeCloseTo(0.025, 9);
    await see(page, 'washed, with enough salt in its water');
    await tap(page, 'button', 'Butter is worked');
    await fill(page, 'Weight of the butter', '1120');
    await page.keyboard.press('Enter');
    await stored('weighed', 2);
    await fill(page, 'Weight of each piece', '250');
    await see(page, '4 × 250 g, 1 × 120 g');
    await tap(page, 'button', 'Save pieces');
    const [cut] = await stored('shaped', 1);
    expect(cut!.data.pieces.reduce((sum, p) => sum + p.count * p.massKg, 0)).toBeCloseTo(1.12, 6);

    await tap(page, 'button', 'Finish batch');
    await stored('finished', 1);
    await tap(page, 'link', 'Open in Daybook');
    await see(page, 'average of 3 loads');
    await see(page, /Where the \d{3} g of fat went/);
    await see(page, /250 g, diluted/);
    await see(page, /Pieces\s+4 × 250 g, 1 × 120 g/);
    await see(page, /on the counter\s+3–5 days/);
    await goTo(page, '/daybook');
    await tap(page, 'radio', 'churnings only');
    await see(page, 'Minutes to break, by starting temperature');
    await see(page, /min × 3/);
  });

  test('wet hands only: a churning in four large buttons, from the cold to the salt', async () => {
    const page = await open('/new?make=butter');
    await tap(page, 'button', 'Wash and salt');
    await turnTo(await named(page, 'Salt: none'), '1.5');
    await tap(page, 'button', 'Start batch');
    await tap(page, 'button', 'Use wet-hands mode');
    const buttons = () => page.$$eval('.wet button', (all) => all.map((b) => b.innerText));
    await tap(page, 'button', 'Cream is out');
    await tap(page, 'button', 'Ready to churn');
    await see(page, 'froth');
    expect(await buttons()).toEqual([
      'Stop: cream has broken',
      'froth',
      'soft cream',
      'Leave wet-hands mode',
    ]);
    await tap(page, 'button', 'soft cream');
    await see(page, 'stiff');
    await tap(page, 'button', 'stiff');
    await see(page, 'yellow and heavy');
    await tap(page, 'button', 'Stop: cream has broken');
    await tap(page, 'button', 'Drained, not weighed');
    await tap(page, 'button', 'Record cloudy wash');
    await tap(page, 'button', 'Record clear wash');
    await stored('rinsed', 2);
    await tap(page, 'button', 'Washed enough');
    await see(page, 'Chill 15 min in iced water');
    expect(await buttons()).toEqual([
      'Butter is worked',
      expect.stringMatching(/^Mark \d(\.\d)? g salt as added$/),
      'Chill 15 min in iced water',
      'Leave wet-hands mode',
    ]);
    await page.click('.wet button:nth-child(2)');
    await stored('salted', 1);
    await seeNoMore(page, 'salt as added');
    await tap(page, 'button', 'Butter is worked');
    await tap(page, 'button', 'Skip weighing');
    await tap(page, 'button', 'Leave wet-hands mode');
    await see(page, 'Finish batch');
    expect((await stored('stage-seen', 3)).map((s) => s.data.stage)).toEqual(['soft', 'stiff', 'broken']);
  });

  test('in US measures: degrees, quarts, spoons and ounces', async () => {
    await world.measureIn('us');
    const page = await open('/new?make=butter');
    await tap(page, 'button', 'Churn');
    await tap(page, 'button', 'Wash and salt');
    await see(page, /Churning temperature:\s+54 °F/);
    await see(page, 'at room temperature, 68 °F');
    await see(page, /Have ready: about \S+ (qt|cups) \(US\) of drinking water/);
    await see(page, /About \S+ oz of butter/);
    await tap(page, 'button', 'Start batch');
    await tap(page, 'button', 'Cream is out');
    await tap(page, 'button', 'Ready to churn');
    await tap(page, 'button', 'Stop: cream has broken');
    await tap(page, 'button', 'Drained, not weighed');
    await tap(page, 'button', 'Washed enough');
    await see(page, 'keeps in the fridge, about');
    await page.evaluate(() => document.querySelectorAll('details').forEach((d) => (d.open = true)));
    await see(page, 'this butter at 41 °F or less and eat it within four days, or freeze it.');
  });

  test('planned back from when it is wanted, with ripening and thaw before it', async () => {
    const page = await open('/new?make=butter');
    await tap(page, 'button', 'Start');
    await tap(page, 'radio', 'back from a finish time');
    await see(page, 'When do you want the butter?');
    // Too soon for anything: it says so.
    const day = await named(page, 'Day', 'combobox');
    await day.select('0');
    await setClock(page, 'By', '06:20');
    await tap(page, 'button', 'Find options');
    await see(page, 'There is not enough time left');
    await day.select('4');
    await setClock(page, 'By', '18:00');
    await (await named(page, 'ripen the cream first')).click();
    await (await named(page, 'the cream is still frozen')).click();
    await tap(page, 'button', 'Find options');
    await see(page, /Move to fridge to thaw by\s+\w{3} \d\d:\d\d/, 60_000);
    await see(page, /Add starter at\s+\w{3} \d\d:\d\d, move to fridge about\s+\w{3} \d\d:\d\d/);
    await see(page, 'There is a 9 in 10 chance of finishing in time.');
    await tap(page, 'button', 'Use this plan');
    await see(page, 'as suggested');
    await tap(page, 'button', 'Start batch');
    const [begun] = await stored('make-started', 1);
    const startMs = Date.parse(begun!.data.plan.startAt);
    expect(begun!.data.plan.milk.soured).toBe(true);
    expect(startMs).toBeLessThan(START + 108 * HOUR_MS);
    // The evening before, every tablet says to make ready.
    await later(world, (startMs - 9.5 * HOUR_MS - START) / 60_000, page);
    await see(page, 'Get ready tonight');
  });
});

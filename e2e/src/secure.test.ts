import { afterAll, afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { DAY_MS, MINUTE_MS } from '@morning-crock/core';
import { putUpLike } from '@morning-crock/core/fixtures';
import { draft, newKitchenCode, startDraft } from '@morning-crock/server/testing';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { TargetType, type Browser, type BrowserContext, type Page } from 'puppeteer-core';
import { ulid } from 'ulid';
import { fill, goTo, openTablet, see, tap, unfold, type Tablet } from './browser.ts';
import { film } from './film.ts';
import { createSecureWorld, NAME, type SecureWorld } from './secure-world.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
const camera = join(tmpdir(), `film-${ulid()}.y4m`);
let world: SecureWorld;
let code: string;
/** Devices that trust the kitchen. */
let trusting: Browser;
const open: Tablet[] = [];
const running = ulid();

beforeAll(async () => {
  world = await createSecureWorld(START + 300 * MINUTE_MS);
  code = await newKitchenCode(world.kitchen.db, world.kitchen.kitchenId, world.kitchen.clock.nowMs);
  film(camera, `${world.plain}/tag/7`);
  trusting = await world.openBrowser({ trusts: true, camera });
  await world.send(
    startDraft(running, START),
    ...(['pour', 'heat', 'hold', 'cool'] as const).map((step, i) =>
      draft(running, START + (i + 1) * 25 * MINUTE_MS, 'step-done', { step }),
    ),
    draft(running, START + 120 * MINUTE_MS, 'starter-added', {
      massKg: 0.05,
      statedRatio: null,
      typed: { value: 50, unit: 'g' },
    }),
  );
});
afterAll(() => world.close());
afterEach(async () => {
  for (const tablet of open.splice(0)) {
    expect(tablet.strayRequests).toEqual([]);
    expect(tablet.faults).toEqual([]);
    await tablet.close();
  }
});

async function device(
  browser: Browser,
  address: string,
  prepare?: (page: Page, context: BrowserContext) => Promise<void>,
): Promise<Tablet> {
  const tablet = await openTablet(browser, address, {
    keepsPage: true,
    host: NAME,
    touch: true,
    width: 390,
    height: 844,
    ...(prepare ? { prepare } : {}),
  });
  open.push(tablet);
  return tablet;
}
/** A device that has joined, at a place. */
async function joined(path: string, prepare?: Parameters<typeof device>[2]): Promise<Tablet> {
  const tablet = await device(trusting, `${world.secure}/join#${code}`, prepare);
  await tap(tablet.page, 'button', 'Join kitchen');
  await see(tablet.page, 'Step 1 of 4');
  await goTo(tablet.page, path);
  return tablet;
}
async function violations(page: Page): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(AXE);
  return page.evaluate(async () => {
    const { axe } = globalThis as unknown as {
      axe: { run(options: object): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> };
    };
    const result = await axe.run({ resultTypes: ['violations'] });
    return result.violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html ?? ''}`);
  });
}
/** A browser without a screen shows no notices: what it is given to show is kept, as one with a screen would. */
const withNotices = async (page: Page): Promise<void> => {
  await page.evaluateOnNewDocument(() => {
    if (!isSecureContext) return;
    let shown: { tag?: string }[] = [];
    const without = (tag: string | undefined): { tag?: string }[] => shown.filter((one) => one.tag !== tag);
    Object.defineProperty(Notification, 'permission', { get: () => 'granted' });
    Notification.requestPermission = () => Promise.resolve('granted');
    Object.assign(ServiceWorkerRegistration.prototype, {
      showNotification: (title: string, options: NotificationOptions) => {
        const close = (): void => void (shown = without(options.tag));
        shown = [...without(options.tag), { title, ...options, close } as { tag?: string }];
        return Promise.resolve();
      },
      getNotifications: () => Promise.resolve(shown),
    });
  });
};
/** The page is kept here, and a part of it that the browser runs answers for it. */
const keptHere = (page: Page): Promise<unknown> =>
  page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));

describe('a device that scans the picture of the kitchen', () => {
  test('and does not trust it is shown how, and whom; it may join without', async () => {
    const stranger = await world.openBrowser({ trusts: false });
    const { page, context } = await device(stranger, `${world.plain}/join#${code}`);
    await see(page, 'Set up this device');
    await see(page, world.authority.fingerprint.slice(0, 19));
    expect(await page.evaluate(() => isSecureContext)).toBe(false);
    expect(await violations(page)).toEqual([]);
    const file = await page.evaluate(async () => {
      const link = [...document.querySelectorAll('a')].find((a) => a.textContent === 'Download certificate');
      return [...new Uint8Array(await (await fetch(link!.href)).arrayBuffer())];
    });
    expect(Buffer.from(file).equals(world.authority.certificate)).toBe(true);
    for (const kind of ['asks about a profile', 'saves a file', 'has a browser with its own list'])
      await tap(page, 'radio', kind);
    await see(page, 'Open the list of authorities');
    await unfold(page, 'What does trusting mean');
    await see(page, 'To undo: In the browser’s settings');
    await tap(page, 'button', 'Check and go on');
    await see(page, 'This device does not trust the kitchen yet.');
    await tap(page, 'button', 'Join without it');
    // The code that was scanned is still there.
    await tap(page, 'button', 'Join kitchen');
    await see(page, 'Step 1 of 2');
    await tap(page, 'button', 'Skip');
    await see(page, 'This address is not secure.');
    await see(page, 'Works with photos only.');
    await tap(page, 'button', 'Open the kitchen');
    await see(page, 'Yogurt');
    const [cookie] = await context.cookies();
    expect(cookie).toMatchObject({ name: 'mc_tablet', secure: false, httpOnly: true });
  });

  test('and trusts it is led to the secure address, joins, hears, is allowed to notify, and told what works', async () => {
    const { page, context } = await device(trusting, `${world.plain}/join#${code}`, withNotices);
    await see(page, 'Join this kitchen');
    expect(new URL(page.url()).origin).toBe(world.secure);
    expect(await page.evaluate(() => isSecureContext)).toBe(true);
    await fill(page, 'Name of this tablet', 'Phone in the apron');
    await tap(page, 'button', 'Join kitchen');
    await see(page, 'Step 1 of 4');
    await tap(page, 'button', 'Next');
    await tap(page, 'button', 'Play sound');
    await see(page, 'Did you hear two tones?');
    await tap(page, 'button', 'Yes');
    await keptHere(page);
    await tap(page, 'button', 'Allow notifications');
    await see(page, 'A notification was sent to this device.');
    expect(await violations(page)).toEqual([]);
    await tap(page, 'button', 'Next');
    await see(page, 'The address is secure.');
    await see(page, 'The pages are saved here.');
    await see(page, 'Alarms show as notifications');
    await see(page, 'The browser asks for the camera at the first scan.');
    expect(await violations(page)).toEqual([]);
    await tap(page, 'button', 'Open the kitchen');
    await see(page, 'Yogurt');
    const cookies = await context.cookies();
    expect(cookies).toEqual([
      expect.objectContaining({ name: '__Host-mc_tablet', secure: true, httpOnly: true, sameSite: 'Strict' }),
    ]);
    const tablets = await world.kitchen.rows<{ name: string }>('tablet');
    expect(tablets.map(({ name }) => name)).toContain('Phone in the apron');
    // A label with the plain address leads on by itself.
    await page.goto(`${world.plain}/tag/77`);
    await see(page, 'Tag 77 is on no batch under way.');
    expect(page.url()).toBe(`${world.secure}/tag/77`);
  });
});

describe('the camera of a device that trusts the kitchen', () => {
  test('scans a tag onto a batch, and the tag leads back to it', async () => {
    const { page } = await joined(`/makes/${running}`);
    await unfold(page, 'No tags on these jars yet');
    await tap(page, 'button', 'Scan a tag');
    const [hung] = await world.stored('tagged', 1);
    expect(hung).toMatchObject({ streamId: running, data: { tags: [7] } });
    await see(page, 'Tags on these jars: 7');
    await goTo(page, '/');
    await tap(page, 'button', 'Scan tag or label');
    await page.waitForFunction((to: string) => location.pathname === to, {}, `/makes/${running}`);
    // It lets go of the camera.
    expect(await page.evaluate(() => document.querySelector('video'))).toBeNull();
  });

  test('scans a label of another address; a code that is none of ours is told, and it looks on', async () => {
    film(camera, 'https://elsewhere.local/menu');
    const { page } = await joined('/larder');
    await world.send(
      draft(
        ulid(),
        START - DAY_MS,
        'larder-moved',
        putUpLike({ madeAt: new Date(START - DAY_MS).toISOString() }),
      ),
    );
    await see(page, 'Butter of the week');
    await tap(page, 'button', 'Scan a label');
    await see(page, 'This code is not from a larder label.');
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press('Escape');
    film(camera, 'http://10.0.0.99:4620/larder/4F7K2Q');
    await tap(page, 'button', 'Scan a label');
    await see(page, 'History');
    expect(new URL(page.url()).pathname).toBe('/larder/4F7K2Q');
  });
});

test('the screen is asked to stay on while a batch is open', async () => {
  const { page } = await joined('/help', async (fresh) => {
    await fresh.evaluateOnNewDocument(() => {
      const asked: string[] = [];
      Object.assign(globalThis, { asked });
      WakeLock.prototype.request = (type = 'screen') => {
        asked.push(type);
        return Promise.reject(new Error('a browser without a screen'));
      };
    });
  });
  const asked = (): Promise<string[]> =>
    page.evaluate(() => [...(globalThis as unknown as { asked: string[] }).asked]);
  const before = (await asked()).length;
  await goTo(page, `/makes/${running}`);
  await page.waitForFunction(
    (n: number) => (globalThis as unknown as { asked: string[] }).asked.length > n,
    {},
    before,
  );
  expect(new Set(await asked())).toEqual(new Set(['screen']));
});

test('an alarm that falls due while nobody looks shows once as a notice; a tap on it leads to its batch', async () => {
  const late = ulid();
  const { page } = await joined('/help', async (fresh) => {
    await withNotices(fresh);
    await fresh.evaluateOnNewDocument(() => {
      Object.defineProperty(document, 'visibilityState', {
        get: () => ((globalThis as { away?: boolean }).away === true ? 'hidden' : 'visible'),
      });
    });
  });
  await keptHere(page);
  const look = (away: boolean): Promise<void> =>
    page.evaluate((to: boolean) => {
      Object.assign(globalThis, { away: to });
      document.dispatchEvent(new Event('visibilitychange'));
    }, away);
  const notices = (): Promise<string[]> =>
    page.evaluate(async () => {
      const shown = await (await navigator.serviceWorker.ready).getNotifications();
      return shown.filter(({ tag }) => tag.startsWith('alarm')).map(({ tag, title }) => `${tag} ${title}`);
    });
  await look(true);
  // Cooling for three hours: the starter should long be in.
  const { nowMs } = world.kitchen.clock;
  await world.send(
    startDraft(late, nowMs - 240 * MINUTE_MS),
    ...(['pour', 'heat', 'hold'] as const).map((step, i) =>
      draft(late, nowMs - (220 - i * 20) * MINUTE_MS, 'step-done', { step }),
    ),
  );
  for (const began = Date.now(); !(await notices()).some((one) => one.includes(late));) {
    if (Date.now() - began > 30_000) throw new Error(`no notice came: ${(await notices()).join('; ')}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const shown = await notices();
  expect(new Set(shown).size).toBe(shown.length);
  // The tap, as a browser tells it to the part that shows notices.
  const target = await trusting.waitForTarget((one) => one.type() === TargetType.SERVICE_WORKER);
  const worker = await target.worker();
  await worker!.evaluate((path: string) => {
    const notification = { data: { path }, close: () => undefined };
    dispatchEvent(
      Object.assign(new Event('notificationclick'), {
        notification,
        waitUntil: (done: Promise<unknown>) => done.catch(() => undefined),
      }),
    );
  }, `/makes/${late}`);
  await page.waitForFunction((to: string) => location.pathname === to, {}, `/makes/${late}`);
  // Seen again, nothing of it is left.
  await look(false);
  for (const began = Date.now(); (await notices()).length > 0;) {
    if (Date.now() - began > 10_000) throw new Error('notices stay though the page is seen');
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  await world.send(draft(late, world.kitchen.clock.nowMs, 'finished', { verdict: 'discarded', reason: 'x' }));
});

test('two devices that are away for an hour go on, say since when, and agree afterwards', async () => {
  const stove = await joined(`/makes/${running}?pad=1`);
  const counter = await joined(`/makes/${running}?pad=1`);
  for (const { page } of [stove, counter]) {
    await keptHere(page);
    await see(page, 'Yogurt');
  }
  const before = (await world.entries('ph-read')).length;
  await world.goAway();
  for (const { page } of [stove, counter]) await see(page, 'On its own since');
  const readPh = async ({ page }: Tablet, ph: string): Promise<void> => {
    await fill(page, 'pH reading', ph);
    await page.keyboard.press('Enter');
    await see(page, `pH ${ph}`);
  };
  await readPh(stove, '5.60');
  // Opened anew meanwhile, it is there, with its batch and since when it is alone.
  const since = await stove.page.evaluate(() => /On its own since \S+/.exec(document.body.innerText)![0]);
  await stove.page.reload();
  await see(stove.page, 'Yogurt');
  await see(stove.page, since);
  await see(stove.page, 'pH 5.60');
  await readPh(counter, '5.50');
  expect((await world.kitchen.rows('event', 'type = ?', ['ph-read'])).length).toBe(before);
  world.advance(60);
  await world.comeBack();
  await world.stored('ph-read', before + 2);
  for (const { page } of [stove, counter]) {
    await see(page, /Back since/);
    await see(page, '1 entry went to the kitchen.');
    await tap(page, 'button', 'Got it');
    await see(page, /pH 5\.60[\s\S]*pH 5\.50|pH 5\.50[\s\S]*pH 5\.60/);
  }
  const texts = await Promise.all(
    [stove, counter].map(({ page }) =>
      page.evaluate(() =>
        [...document.querySelectorAll('[aria-label="Entries"] .entry-words')].map((e) => e.textContent),
      ),
    ),
  );
  expect(texts[0]!.length).toBeGreaterThan(6);
  expect(texts[0]).toEqual(texts[1]);
});

test('a calendar follows at an address that is made, shown once and ended', async () => {
  const { page } = await joined('/kitchen/devices');
  await tap(page, 'button', 'Make calendar address');
  await page.waitForSelector('img[alt^="Code to scan, to follow"]');
  const address = await page.evaluate(
    () => /http:\/\/\S+\.ics/.exec(document.body.innerText.replace(/\s+(?=[A-Za-z0-9_-]+\.ics)/g, ''))![0],
  );
  const { pathname } = new URL(address);
  const read = () =>
    world.kitchen.app.inject({ url: pathname, remoteAddress: '127.0.0.7', headers: { host: NAME } });
  expect((await read()).body).toContain('BEGIN:VEVENT');
  await tap(page, 'button', 'Stop calendar');
  await see(page, 'Make calendar address');
  expect((await read()).statusCode).toBe(404);
});

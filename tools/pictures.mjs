// `npm run pictures`: one current picture of each main view, from a fresh demo in a directory of its own.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { startBrowser } from './browser.mjs';
import { BROWSER_PROGRAMS, DATABASE_PROGRAMS, ensureInstalled, ROOT } from './install.mjs';
import { startKitchen } from './throwaway.mjs';
import { ulid } from 'ulid';

/**
 * @typedef {{ name: string, path: string, dark?: boolean, width?: number, height?: number, touch?: boolean, send?: object[], day?: object, taps?: string[] }} View
 * @typedef {{ path: string, named?: boolean }} Screen of a phone
 * @typedef {{ id: string, product: string, status: string, startedAt: string }} Make
 */

/** What a phone is led through, in order; at its name the kitchen is at an address that is not secure. @type {readonly Screen[]} */
const JOINING = [
  { path: '/device?step=trust', named: true },
  { path: '/device?step=home' },
  { path: '/device?step=notices' },
  { path: '/device' },
];
const PHONE = { width: 390, height: 844 };

/** Side by side in one picture. @param {import('puppeteer-core').Browser} browser */
async function photographJoining(browser) {
  const shots = [];
  for (const { path, named } of JOINING) {
    const page = await browser.newPage();
    await page.setViewport({ ...PHONE, hasTouch: true, isMobile: true });
    await page.goto((named ? address.replace('127.0.0.1', NAME) : address) + path);
    await page.waitForSelector('h1');
    await new Promise((resolve) => setTimeout(resolve, 3000));
    shots.push(await page.screenshot({ encoding: 'base64' }));
    await page.close();
  }
  const sheet = await browser.newPage();
  await sheet.setViewport({ width: (PHONE.width + 12) * shots.length, height: PHONE.height });
  await sheet.setContent(
    `<body style="margin:0;display:flex;gap:12px;background:#8a8578">${shots
      .map((shot) => `<img src="data:image/png;base64,${shot}">`)
      .join('')}</body>`,
  );
  await sheet.screenshot({ path: join(ROOT, 'docs/screenshots/joining.png') });
  await sheet.close();
}

/** @param {string} line */
const say = (line) => void process.stdout.write(`· ${line}\n`);
await ensureInstalled([...DATABASE_PROGRAMS, ...BROWSER_PROGRAMS], say);

/** What the kitchen is called on its network. */
const NAME = 'dairy.local';
const kitchen = await startKitchen('demo', undefined, ['--lan', '--name', NAME]);
const { address } = kitchen;

try {
  const { makes } = await (await fetch(`${address}/api/makes`)).json();
  /** @param {string} product @param {string} status */
  const of = (product, status) =>
    makes.filter((/** @type {Make} */ m) => m.product === product && m.status === status);
  const incubating = of('yogurt', 'under-way').at(-1).id;
  const churning = of('butter', 'under-way')[0].id;
  const unset = of('yogurt', 'discarded')[0].id;
  const ageing = of('cheese', 'under-way').at(-1).id;
  const version = 3;
  /** @param {string} streamId @param {[number, string, object][]} told minutes ago, what, and with what */
  const entries = (streamId, told) =>
    told.map(([minutesAgo, type, data]) => {
      const at = new Date(Date.now() - Number(minutesAgo) * 60_000);
      return {
        id: ulid(at.getTime()),
        streamId,
        at: at.toISOString(),
        cookId: null,
        deviceId: 'pictures',
        version,
        type,
        data,
      };
    });
  // A churning in its course: taken out and tempered before now.
  const churned = entries(churning, [
    [85, 'step-done', { step: 'take-out' }],
    [11, 'step-done', { step: 'temper' }],
    [4, 'stage-seen', { stage: 'soft' }],
  ]);
  /** @type {View[]} */
  const views = [
    { name: 'bench', path: '/' },
    { name: 'make', path: `/makes/${incubating}` },
    { name: 'larder', path: '/larder' },
    { name: 'new-make', path: '/new' },
    { name: 'milk-room', path: '/milk' },
    { name: 'cultures', path: '/cultures' },
    { name: 'methods', path: '/methods?method=skyr' },
    { name: 'daybook', path: '/daybook' },
    {
      name: 'day',
      path: '/day',
      day: {
        days: 2,
        makes: [
          ['yogurt', 3],
          ['cream-cheese', 2],
          ['kefir', 1],
          ['skyr', 4],
          ['washed-curd', 8],
        ].map(([methodId, litres], i) => ({ id: `make ${i}`, methodId, litres, by: '' })),
      },
    },
    { name: 'churning', path: `/makes/${churning}`, send: churned },
    { name: 'answers', path: '/daybook/answers' },
    { name: 'kitchen', path: '/kitchen' },
    { name: 'sums', path: `/sums/powder` },
    { name: 'cheese', path: `/makes/${ageing}` },
    { name: 'why', path: `/why/${unset}?complaint=not-set` },
    { name: 'bench-before-dawn', path: '/', dark: true },
    { name: 'bench-phone', path: '/', width: 390, height: 844, touch: true },
    { name: 'practice', path: '/practice/cold-warmer?n=4', taps: ['10 min a second', 'Thermometer'] },
  ];
  const browser = await startBrowser([`--host-resolver-rules=MAP ${NAME} 127.0.0.1`]);
  mkdirSync(join(ROOT, 'docs/screenshots'), { recursive: true });
  // Some of them, by name: npm run pictures -- bench day
  const only = process.argv.slice(2);
  for (const {
    name,
    path,
    dark = false,
    width = 1280,
    height = 800,
    touch = false,
    send,
    day,
    taps = [],
  } of views) {
    if (only.length > 0 && !only.includes(name)) continue;
    if (send) {
      const answer = await fetch(`${address}/api/events`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ events: send }),
      });
      if (!answer.ok) throw new Error(await answer.text());
    }
    const page = await browser.newPage();
    await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: dark ? 'dark' : 'light' }]);
    await page.setViewport({ width, height, hasTouch: touch, isMobile: touch });
    if (day)
      await page.evaluateOnNewDocument(
        (draft) => localStorage.setItem('day-draft', draft),
        JSON.stringify(day),
      );
    await page.goto(address + path);
    // The shelf stands full before its times are known, and the times come one by one: all must stay still for a while.
    await page.waitForFunction(
      (stillMs) => {
        const moves =
          /Working out|Comparing the log|Opening|Drawing|planned until/.test(document.body.innerText) ||
          document.querySelector('.fading') !== null;
        const since = moves ? Date.now() : Number(document.body.dataset['stillSince'] ?? Date.now());
        document.body.dataset['stillSince'] = String(since);
        return Date.now() - since > stillMs;
      },
      { timeout: 30_000, polling: 200 },
      3000,
    );
    // A practice whose clock has gone for a while.
    for (const tap of taps) {
      await page.locator(`::-p-aria([name="${tap}"][role="button"])`).click();
      await new Promise((resolve) => setTimeout(resolve, 6000));
    }
    // No alarm is what a picture is about.
    for (let ringing = await page.$('.ringing'); ringing; ringing = await page.$('.ringing')) {
      await page.locator('.ringing ::-p-text(Got it)').click();
      await new Promise((resolve) => setTimeout(resolve, 700));
    }
    await page.screenshot({ path: join(ROOT, 'docs/screenshots', `${name}.png`) });
    say(name);
    await page.close();
  }
  if (only.length === 0 || only.includes('joining')) {
    await photographJoining(browser);
    say('joining');
  }
  await browser.close();
} finally {
  await kitchen.end();
}

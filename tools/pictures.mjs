// `npm run pictures`: one current picture of each main view, from a fresh demo in a directory of its own.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  BROWSER_PROGRAMS,
  cleanEnvironment,
  DATABASE_PROGRAMS,
  ensurePackages,
  ensurePrograms,
  ROOT,
} from './install.mjs';

/** @param {string} line */
const say = (line) => void process.stdout.write(`· ${line}\n`);
ensurePrograms([...DATABASE_PROGRAMS, ...BROWSER_PROGRAMS], say);
ensurePackages(say);

const dataDir = mkdtempSync(join(tmpdir(), 'mc-pictures-'));
const up = spawn(process.execPath, [join(ROOT, 'tools/up.mjs'), 'demo'], {
  cwd: ROOT,
  env: { ...cleanEnvironment(), MC_DATA: dataDir },
  stdio: ['ignore', 'pipe', 'inherit'],
});
/** @type {Promise<string>} */
const ready = new Promise((resolve, reject) => {
  let text = '';
  up.stdout.on('data', (chunk) => {
    text += String(chunk);
    const found = /Morning Crock: (\S+)/.exec(text);
    if (found?.[1]) resolve(found[1]);
  });
  up.once('exit', () => reject(new Error(`the demo did not start:\n${text}`)));
});

try {
  const address = await ready;
  const { makes } = await (await fetch(`${address}/api/makes`)).json();
  const running = makes.filter((/** @type {{ status: string }} */ m) => m.status === 'under-way');
  const incubating = running.at(-1).id;
  const cooling = running[0].id;
  const record = makes.find((/** @type {{ status: string }} */ m) => m.status === 'kept').id;
  const views = [
    { name: 'bench', path: '/' },
    { name: 'make', path: `/makes/${incubating}` },
    { name: 'make-cooling', path: `/makes/${cooling}` },
    { name: 'new-make', path: '/new' },
    { name: 'daybook', path: '/daybook' },
    { name: 'record', path: `/daybook/${record}` },
    { name: 'kitchen', path: '/kitchen' },
    { name: 'bench-before-dawn', path: '/', dark: true },
    { name: 'bench-phone', path: '/', width: 390, height: 844 },
    { name: 'make-phone', path: `/makes/${incubating}`, width: 390, height: 844 },
  ];
  const { default: puppeteer } = await import('puppeteer-core');
  const browser = await puppeteer.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
  mkdirSync(join(ROOT, 'docs/screenshots'), { recursive: true });
  for (const { name, path, dark = false, width = 1280, height = 800 } of views) {
    const page = await browser.newPage();
    await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: dark ? 'dark' : 'light' }]);
    await page.setViewport({ width, height });
    await page.goto(address + path);
    await page.waitForFunction(
      () =>
        !/Working out|Opening|Drawing/.test(document.body.innerText) && !document.querySelector('.fading'),
      {
        timeout: 20_000,
      },
    );
    await new Promise((resolve) => setTimeout(resolve, 2500));
    await page.screenshot({ path: join(ROOT, 'docs/screenshots', `${name}.png`) });
    say(name);
    await page.close();
  }
  await browser.close();
} finally {
  up.kill('SIGTERM');
  await new Promise((resolve) => up.once('exit', resolve));
  rmSync(dataDir, { recursive: true, force: true });
}

// `npm test`: installs what is missing, checks, builds, and runs unit, server and journey tests on a throwaway
// database. Says where its time went and ends with one line that counts them all.
import { spawn } from 'node:child_process';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { startBrowser } from './browser.mjs';
import { buildPage, buildServer, buildSums } from './build.mjs';
import { BROWSER_PROGRAMS, cleanEnvironment, DATABASE_PROGRAMS, ensureInstalled, ROOT } from './install.mjs';
import { clearLeftFolders, ownFolder } from './own-folders.mjs';
import { tiedToUs } from './process.mjs';
import { needsOf } from './test-needs.mjs';

/** @param {string} line */
const say = (line) => void process.stdout.write(`· ${line}\n`);
/** Renews how long each file takes, which decides what runs first. */
const keepTimes = process.argv.includes('--times');
// Arguments after -- go to the test runner, for working on one part: npm test -- --selectProjects core
const extra = process.argv.slice(2).filter((a) => a !== '--times');
let passed = 0;
let failed = 0;

/** How long each file took. @type {Record<string, number>} */
const times = {};
/** Where the time went: [what, seconds]. @type {[string, number][]} */
const spent = [];
/** @template T @param {string} what @param {() => Promise<T>} work @returns {Promise<T>} */
async function timed(what, work) {
  const began = performance.now();
  try {
    return await work();
  } finally {
    spent.push([what, (performance.now() - began) / 1000]);
  }
}

/** @param {string} command @param {string[]} args @param {NodeJS.ProcessEnv} [env] @returns {Promise<number>} */
const run = (command, args, env = {}) =>
  new Promise((resolve) => {
    // It ends with us, and its own workers with it.
    const [program, tied] = tiedToUs([command, ...args]);
    const child = spawn(program, tied, {
      cwd: ROOT,
      env: { ...cleanEnvironment(), ...env },
      stdio: ['ignore', 'inherit', 'inherit'],
    });
    child.once('exit', (code) => resolve(code ?? 1));
  });

/**
 * What the runner says of a run: counts, and how long each file took.
 * @param {string} file
 */
function readReport(file) {
  /** @type {{ numPassedTests: number, numFailedTests: number, numRuntimeErrorTestSuites: number, testResults: { name: string, startTime: number, endTime: number }[] }} */
  const report = JSON.parse(readFileSync(file, 'utf8'));
  passed += report.numPassedTests;
  failed += report.numFailedTests + report.numRuntimeErrorTestSuites;
  const files = report.testResults
    .map((r) => /** @type {const} */ ([relative(ROOT, r.name), (r.endTime - r.startTime) / 1000]))
    .sort((a, b) => b[1] - a[1]);
  for (const [name, seconds] of files.slice(0, 9)) spent.push([`  ${name}`, seconds]);
  for (const [name, seconds] of files) times[name] = Math.round(seconds * 10) / 10;
}

const needs = needsOf(extra);
const programs = [...(needs.database ? DATABASE_PROGRAMS : []), ...(needs.journeys ? BROWSER_PROGRAMS : [])];
await timed('installing', () => ensureInstalled(programs, say));
clearLeftFolders();
const dataDir = ownFolder('test');

async function startNeeded() {
  if (!needs.database) return {};
  say(needs.journeys ? 'starting a throwaway database and a browser' : 'starting a throwaway database');
  const { startDatabase } = await import('./database.mjs');
  const database = await startDatabase({ dataDir, say, forTests: true });
  return { database, browser: needs.journeys ? await startBrowser() : undefined };
}

/** Runs tests on both cores. @param {string[]} args */
async function runTests(args) {
  const results = join(dataDir, 'tests.json');
  /** @type {NodeJS.ProcessEnv} */
  const env = { NODE_ENV: 'test' };
  if (database) {
    const { host, port, user, password, database: name } = database;
    env['TEST_DATABASE'] = JSON.stringify({ host, port, user, password, database: name });
  }
  if (browser) env['TEST_BROWSER'] = browser.wsEndpoint();
  const code = await timed('tests', () =>
    run(
      process.execPath,
      [
        '--experimental-vm-modules',
        '--no-warnings',
        'node_modules/jest/bin/jest.js',
        '--maxWorkers=2',
        '--json',
        `--outputFile=${results}`,
        ...args,
      ],
      env,
    ),
  );
  const before = failed;
  try {
    readReport(results);
  } catch {
    failed++;
  }
  if (code !== 0 && failed === before) failed++;
}

async function runStaticChecks() {
  const { runChecks } = await import('./check.mjs');
  say('checking lint, types, import directions, unused code, formatting, styles and the lock');
  const checked = await timed('static checks', () => runChecks(say));
  passed += checked.passed;
  failed += checked.failed;
}

const build = () =>
  timed('building', async () => {
    await buildServer(say);
    await buildSums(say);
    await buildPage(say);
  });

const { database, browser } = await startNeeded();
const clear = async () => {
  await browser?.close();
  await database?.stop();
  rmSync(dataDir, { recursive: true, force: true });
};
// Somebody stops it: nothing is left behind, and nothing goes on.
for (const [signal, code] of /** @type {const} */ ([
  ['SIGINT', 130],
  ['SIGTERM', 143],
  ['SIGHUP', 129],
]))
  process.once(signal, () => void clear().finally(() => process.exit(code)));
try {
  // The checks go on beside the build and the tests: no core waits for the other at the end of a part.
  const checks = extra.length === 0 ? runStaticChecks() : undefined;
  if (needs.journeys) await build();
  await runTests(extra);
  await checks;
} finally {
  await clear();
}
say('where the time went, in seconds (files that took longest indented)');
for (const [what, seconds] of spent) say(`${seconds.toFixed(1).padStart(7)}  ${what}`);
if (keepTimes) writeFileSync(join(ROOT, 'tools', 'test-times.json'), `${JSON.stringify(times, null, 2)}\n`);
process.stdout.write(`${passed} passed, ${failed} failed\n`);
process.exitCode = failed > 0 ? 1 : 0;

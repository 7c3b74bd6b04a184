// `npm test`: installs what is missing, checks, builds, and runs unit, server and journey tests on a throwaway
// database. Ends with one line that counts them all.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildPage, buildServer, buildSums } from './build.mjs';
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
// Arguments after -- go to the test runner, for working on one part: npm test -- --selectProjects core
const extra = process.argv.slice(2);
let passed = 0;
let failed = 0;

/** @param {string} command @param {string[]} args @param {NodeJS.ProcessEnv} [env] @returns {Promise<number>} */
const run = (command, args, env = {}) =>
  new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      env: { ...cleanEnvironment(), ...env },
      stdio: ['ignore', 'inherit', 'inherit'],
    });
    child.once('exit', (code) => resolve(code ?? 1));
  });

ensurePrograms([...DATABASE_PROGRAMS, ...BROWSER_PROGRAMS], say);
ensurePackages(say);
if (extra.length === 0) {
  const { runChecks } = await import('./check.mjs');
  say('checking types, lint, import directions, unused code, formatting and the lock');
  ({ passed, failed } = await runChecks(say));
}
await buildServer(say);
await buildSums(say);
await buildPage(say);

const { startDatabase } = await import('./database.mjs');
const dataDir = mkdtempSync(join(tmpdir(), 'mc-test-'));
const results = join(dataDir, 'results.json');
say('starting a throwaway database');
const database = await startDatabase({ dataDir, say, forTests: true });
try {
  const { host, port, user, password } = database;
  const code = await run(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--no-warnings',
      'node_modules/jest/bin/jest.js',
      '--maxWorkers=2',
      '--json',
      `--outputFile=${results}`,
      ...extra,
    ],
    { TEST_DATABASE: JSON.stringify({ host, port, user, password }), NODE_ENV: 'test' },
  );
  try {
    const report = JSON.parse(readFileSync(results, 'utf8'));
    passed += report.numPassedTests;
    failed += report.numFailedTests + report.numRuntimeErrorTestSuites;
  } catch {
    failed++;
  }
  if (code !== 0 && failed === 0) failed++;
} finally {
  await database.stop();
  rmSync(dataDir, { recursive: true, force: true });
}
process.stdout.write(`${passed} passed, ${failed} failed\n`);
process.exitCode = failed > 0 ? 1 : 0;

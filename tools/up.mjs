// `npm run demo` and `npm start`: installs, builds, starts the database and the server, prints the address.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { buildPage, buildServer } from './build.mjs';
import { alive, freePort, startDatabase } from './database.mjs';
import { cleanEnvironment, DATABASE_PROGRAMS, ensurePackages, ensurePrograms, ROOT } from './install.mjs';

const [mode = 'demo', ...flags] = process.argv.slice(2);
const demo = mode === 'demo';
/** `--lan`: devices of the local network may join with a code. */
const lan = flags.includes('--lan');
const dataDir = join(process.env.MC_DATA ?? join(ROOT, '.data'), demo ? 'demo' : 'own');
const runFile = join(dataDir, 'run.json');
/** What a browser keeps belongs to an address, so it should stay the same. */
const PREFERRED_PORT = demo ? 4610 : 4620;

/** @param {string} line */
const say = (line) => void process.stdout.write(`· ${line}\n`);

/** @returns {Promise<number>} the usual port when it is free, else another */
function choosePort() {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(freePort()));
    probe.listen(PREFERRED_PORT, lan ? '0.0.0.0' : '127.0.0.1', () =>
      probe.close(() => resolve(PREFERRED_PORT)),
    );
  });
}

/** @param {string} address */
async function answers(address) {
  try {
    return (await fetch(`${address}/api/kitchen`, { signal: AbortSignal.timeout(2000) })).ok;
  } catch {
    return false;
  }
}

if (existsSync(runFile)) {
  const running = JSON.parse(readFileSync(runFile, 'utf8'));
  if (alive(running.pid) && (await answers(running.address))) {
    say(lan ? 'already running; stop it first to let tablets in' : 'already running');
    process.stdout.write(`\n  Morning Crock: ${running.address}\n\n`);
    process.exit(0);
  }
}

ensurePrograms(DATABASE_PROGRAMS, say);
ensurePackages(say);
await buildServer(say);
await buildPage(say);
if (flags.includes('--fresh') && demo) {
  say('clearing the demo’s data');
  rmSync(dataDir, { recursive: true, force: true });
}
mkdirSync(dataDir, { recursive: true, mode: 0o700 });
say('starting the database');
const database = await startDatabase({ dataDir, say });
const databaseFile = join(dataDir, 'database.json');
const { host, port: dbPort, user, password, database: name } = database;
writeFileSync(databaseFile, JSON.stringify({ host, port: dbPort, user, password, database: name }), {
  mode: 0o600,
});

const port = await choosePort();
const address = `http://127.0.0.1:${port}`;
/** @type {import('node:child_process').ChildProcess[]} */
const children = [];
let stopping = false;

/** @param {string} reason @param {number} code */
async function stop(reason, code) {
  if (stopping) return;
  stopping = true;
  say(reason);
  await Promise.all(
    children
      .filter((child) => child.exitCode === null && child.signalCode === null)
      .map(
        (child) =>
          new Promise((resolve) => {
            child.once('exit', resolve);
            child.kill('SIGTERM');
          }),
      ),
  );
  await database.stop();
  rmSync(runFile, { force: true });
  process.exit(code);
}
process.on('SIGINT', () => void stop('stopping', 0));
process.on('SIGTERM', () => void stop('stopping', 0));
database.ended.then(() => void stop('the database ended; stopping', 1));

/** @param {string} script @param {NodeJS.ProcessEnv} env */
function start(script, env) {
  // Children end with us even when we are killed without a word.
  const child = spawn(
    'setpriv',
    ['--pdeathsig', 'SIGTERM', '--', process.execPath, '--enable-source-maps', script],
    {
      cwd: ROOT,
      env: { ...cleanEnvironment(), ...env },
      stdio: ['ignore', 'inherit', 'inherit'],
      detached: true,
    },
  );
  child.once('exit', (code) => void stop(`${script} ended (${code}); stopping`, 1));
  children.push(child);
}

say('starting the server');
start('server/dist/main.mjs', {
  MC_DATABASE_FILE: databaseFile,
  MC_PORT: String(port),
  MC_KITCHEN: demo ? 'Lantern Fold' : 'My kitchen',
  MC_ZONE: demo ? 'UTC' : Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC',
  MC_DEMO: demo ? 'yes' : 'no',
  MC_PAGE: join(ROOT, 'web', 'dist'),
  MC_LAN: lan ? 'yes' : 'no',
});
for (let i = 0; i < 600 && !stopping && !(await answers(address)); i++)
  await new Promise((resolve) => setTimeout(resolve, 100));
if (!stopping) {
  writeFileSync(runFile, JSON.stringify({ pid: process.pid, address }));
  if (demo) {
    say('starting the probe stand-in');
    start('server/dist/probe.mjs', { MC_ADDRESS: address });
  }
  process.stdout.write(`\n  Morning Crock: ${address}\n  Ctrl-C stops everything.\n\n`);
}

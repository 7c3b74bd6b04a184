// `npm run demo` and `npm start`: installs, builds, starts the database and the server, prints the address.
import { spawn } from 'node:child_process';
import { readdirSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { buildPage, buildServer } from './build.mjs';
import { freePort, startDatabase } from './database.mjs';
import { cleanEnvironment, DATABASE_PROGRAMS, ensureInstalled, ROOT } from './install.mjs';
import { FULL_WORDS, hasRoom, isFull } from './full-disk.mjs';
import { clearLeftFolders, ownFolder } from './own-folders.mjs';
import { databasesOf, endProcess, identify, tiedToUs } from './process.mjs';
import { runFileOf } from './run-file.mjs';

const [mode = 'demo', ...flags] = process.argv.slice(2);
const demo = mode === 'demo';
/** `--lan`: devices of the local network may join with a code. */
const lan = flags.includes('--lan');
const dataDir = join(process.env.MC_DATA ?? join(ROOT, '.data'), demo ? 'demo' : 'own');
const runFile = runFileOf(dataDir);
/** What this kitchen is called on its network: `--name dairy.local`. */
const networkName = flags.find((_flag, i) => flags[i - 1] === '--name');
/** What a browser keeps belongs to an address, so it should stay the same. */
const PREFERRED_PORT = demo ? 4610 : 4620;
const PREFERRED_SECURE_PORT = PREFERRED_PORT + 1;
/** A server or probe is asked to end and then given this long. */
const GRACE_MS = 5000;
/** Something that ended by itself is started again after a while, longer each time it does not hold. */
const AGAIN_AFTER_MS = [200, 1000, 2000, 5000];
/** A server that cannot start at all (its data is from a newer version) does not start the sixth time either. */
const SERVER_FAILURES = 5;
/** What held this long has held. */
const HELD_MS = 30_000;

/** @param {string} line */
const say = (line) => void process.stdout.write(`· ${line}\n`);
const wait = (/** @type {number} */ ms) => new Promise((resolve) => setTimeout(resolve, ms));

// Ended at any moment, also between two of the lines below, nothing is left running: this stands before anything is started.
const stopping = new AbortController();
const { signal } = stopping;
/** @type {import('./database.mjs').Database | null} */
let database = null;
/** @type {Set<import('node:child_process').ChildProcess>} */
const children = new Set();
/** @type {Promise<unknown>} what is being started at this moment */
let starting = Promise.resolve();

/** @param {string} reason @param {number} code */
async function stop(reason, code) {
  if (signal.aborted) {
    // Asked again: at once.
    for (const child of children) child.kill('SIGKILL');
    return;
  }
  stopping.abort();
  say(reason);
  await Promise.all(
    [...children].map(async ({ pid }) => {
      const who = pid === undefined ? null : identify(pid);
      if (who) await endProcess(who, GRACE_MS);
    }),
  );
  await starting.catch(() => undefined);
  await database?.stop();
  runFile.letGo();
  process.exit(code);
}
for (const name of /** @type {const} */ (['SIGINT', 'SIGTERM', 'SIGHUP']))
  process.on(name, () => void stop('stopping', 0));
// A terminal that is closed takes no more lines; that is no reason to fall over.
for (const stream of [process.stdout, process.stderr]) stream.on('error', () => undefined);

/** @param {unknown} error what kept us from starting, or from going on */
async function giveUp(error) {
  const words = isFull(error) ? FULL_WORDS : error instanceof Error ? error.message : String(error);
  if (!signal.aborted) await stop(`cannot go on: ${words}`, 1);
}
process.on('uncaughtException', (error) => void giveUp(error));
process.on('unhandledRejection', (error) => void giveUp(error));

/** @param {number} usual @returns {Promise<number>} the usual port when it is free, else another */
function choosePort(usual) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(freePort()));
    probe.listen(usual, lan ? '0.0.0.0' : '127.0.0.1', () => probe.close(() => resolve(usual)));
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

/** Somebody else has this kitchen in hand: its address, once it has one. */
async function tellOther() {
  for (let i = 0; i < 600; i++) {
    const other = runFile.holder();
    if (!other) return false;
    if (other.address !== null && (await answers(other.address))) {
      say(lan ? 'already running; stop it first to let tablets in' : 'already running');
      process.stdout.write(`\n  Morning Crock: ${other.address}\n\n`);
      return true;
    }
    await wait(100);
  }
  say('another start of this kitchen does not come up; stop it first');
  process.exit(1);
}

/**
 * Keeps a thing running until we stop: started again when it ends by itself.
 * @param {string} name @param {() => Promise<{ ended: Promise<unknown> }>} start
 * @param {number} mostFailures in a row before we give up
 * @returns {Promise<void>} once it was started for the first time
 */
async function keepRunning(name, start, mostFailures = Number.POSITIVE_INFINITY) {
  let sinceMs = Date.now();
  let running = await start();
  const watch = async () => {
    for (let failures = 0; ;) {
      await running.ended;
      if (signal.aborted) return;
      failures = Date.now() - sinceMs > HELD_MS ? 0 : failures + 1;
      if (failures > mostFailures) throw new Error(`${name} ends again and again`);
      say(`${name} ended by itself; starting it again`);
      for (;;) {
        await wait(AGAIN_AFTER_MS[Math.min(failures, AGAIN_AFTER_MS.length - 1)] ?? 0);
        if (signal.aborted) return;
        sinceMs = Date.now();
        try {
          running = await start();
          break;
        } catch (error) {
          if (signal.aborted) return;
          failures++;
          say(`${name} does not start: ${error instanceof Error ? error.message : String(error)}`);
        }
      }
    }
  };
  void watch().catch(giveUp);
}

/** The port of the server's inspector, when somebody works on it (`npm run dev -- server`). */
const inspected = process.env.MC_INSPECT;

/** @param {string} script @param {NodeJS.ProcessEnv} env */
async function startScript(script, env) {
  const [program, args] = tiedToUs([
    process.execPath,
    '--enable-source-maps',
    ...(inspected && script.endsWith('main.mjs') ? [`--inspect=127.0.0.1:${inspected}`] : []),
    script,
  ]);
  const child = spawn(program, args, {
    cwd: ROOT,
    // Each thread of C's own allocator would keep what it once took.
    env: { ...cleanEnvironment(), MALLOC_ARENA_MAX: '2', ...env },
    stdio: ['ignore', 'inherit', 'inherit'],
    detached: true,
  });
  children.add(child);
  const ended = new Promise((resolve) => child.once('exit', resolve)).then(() => children.delete(child));
  return { ended };
}

/** @template T @param {Promise<T>} work @returns {Promise<T>} the same, known to whoever stops us meanwhile */
function step(work) {
  starting = work;
  return work;
}
/** Goes no further once we are stopping: the process ends from there. */
const goOn = () => (signal.aborted ? new Promise(() => undefined) : Promise.resolve());

/** Names that belong to a home: no certificate of ours vouches for others. */
const HOME_NAME = /^([a-z0-9-]+\.)+(local|lan|home\.arpa|internal)$/;

async function main() {
  if (flags.includes('--name') && !HOME_NAME.test(networkName ?? ''))
    throw new Error(
      '--name needs a name of your own network that ends in .local, .lan, .home.arpa or .internal',
    );
  clearLeftFolders();
  if (!runFile.take()) {
    if (await tellOther()) process.exit(0);
    if (!runFile.take()) {
      say('another start of this kitchen was quicker; look there for the address');
      process.exit(1);
    }
  }
  if (!hasRoom(dataDir)) throw new Error(FULL_WORDS);
  await ensureInstalled(DATABASE_PROGRAMS, say);
  await goOn();
  await buildServer(say);
  await buildPage(say);
  await goOn();
  if (flags.includes('--fresh') && demo) {
    say('clearing the demo’s data');
    for (const who of databasesOf(dataDir)) await endProcess(who, 0);
    for (const name of readdirSync(dataDir))
      if (name !== 'run.json') rmSync(join(dataDir, name), { recursive: true, force: true });
  }
  say('starting the database');
  const dbPort = await freePort();
  await keepRunning('the database', async () => {
    database = await step(startDatabase({ dataDir, say, signal, port: dbPort }));
    return database;
  });
  await goOn();
  if (!database) throw new Error('the database did not start');
  const databaseFile = join(dataDir, 'database.json');
  const {
    host,
    user,
    password,
    database: name,
  } = /** @type {import('./database.mjs').Database} */ (database);
  writeFileSync(databaseFile, JSON.stringify({ host, port: dbPort, user, password, database: name }), {
    mode: 0o600,
  });

  const spool = ownFolder('file');
  process.once('exit', () => rmSync(spool, { recursive: true, force: true }));
  const port = await choosePort(PREFERRED_PORT);
  const securePort = lan ? await choosePort(PREFERRED_SECURE_PORT) : null;
  const address = `http://127.0.0.1:${port}`;
  await goOn();
  say('starting the server');
  await keepRunning(
    'the server',
    () =>
      startScript('server/dist/main.mjs', {
        MC_DATABASE_FILE: databaseFile,
        MC_DATA_DIR: dataDir,
        MC_SPOOL: spool,
        MC_PORT: String(port),
        MC_KITCHEN: demo ? 'Lantern Fold' : 'My kitchen',
        MC_ZONE: Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC',
        MC_DEMO: demo ? 'yes' : 'no',
        MC_PAGE: join(ROOT, 'web', 'dist'),
        MC_LAN: lan ? 'yes' : 'no',
        ...(securePort === null ? {} : { MC_SECURE_PORT: String(securePort) }),
        ...(networkName === undefined ? {} : { MC_NAME: networkName }),
      }),
    // Whoever works on it ends it at each change.
    inspected ? Number.POSITIVE_INFINITY : SERVER_FAILURES,
  );
  for (let i = 0; i < 1200 && !signal.aborted && !(await answers(address)); i++) await wait(50);
  await goOn();
  runFile.answersAt(address);
  if (demo) {
    say('starting the probe stand-in');
    await keepRunning('the probe stand-in', () =>
      startScript('server/dist/probe.mjs', { MC_ADDRESS: address }),
    );
  }
  process.stdout.write(`\n  Morning Crock: ${address}\n  Ctrl-C stops everything.\n\n`);
}

main().catch(giveUp);

// MariaDB on loopback with its own data directory, started and stopped by us. Only Node's own modules.
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { connect, createServer } from 'node:net';
import { join } from 'node:path';
import { cleanEnvironment } from './install.mjs';
import { ownFolder } from './own-folders.mjs';
import { databasesOf, endProcess, identify, tiedToUs } from './process.mjs';

const DATABASE = 'morning_crock';
const USER = 'crock';
/** A database is asked to end and then given this long. */
const GRACE_MS = 8000;
/** One left over from a killed start may be deaf; nothing it has acknowledged is lost when it is killed. */
const LEFT_OVER_GRACE_MS = 1500;
/** How a directory is called while it is being initialised. */
const UNFINISHED = 'mariadb.new-';

/** @returns {Promise<number>} a port nobody listens on, on loopback */
export function freePort() {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      const port = typeof address === 'object' && address ? address.port : 0;
      probe.close(() => resolve(port));
    });
  });
}

/** Waits for the greeting bytes of a MariaDB server. @param {number} port @param {AbortSignal} signal */
async function greeted(port, signal) {
  for (let i = 0; i < 600 && !signal.aborted; i++) {
    const ok = await new Promise((resolve) => {
      const socket = connect({ host: '127.0.0.1', port });
      const end = (/** @type {boolean} */ value) => {
        socket.destroy();
        resolve(value);
      };
      socket.once('data', () => end(true));
      socket.once('error', () => end(false));
      socket.setTimeout(1000, () => end(false));
    });
    if (ok) return true;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  return false;
}

const asRoot = () => (process.getuid?.() === 0 ? ['--user=root'] : []);
const environment = () => {
  const env = cleanEnvironment();
  return { ...env, PATH: `${env.PATH ?? ''}:/usr/sbin` };
};

/**
 * Runs a command to its end. @param {string[]} command @param {AbortSignal} signal
 * @returns {Promise<{ ok: boolean, log: string }>}
 */
const run = (command, signal) =>
  new Promise((resolve) => {
    const [program, args] = tiedToUs(command);
    const child = spawn(program, args, { env: environment(), stdio: ['ignore', 'pipe', 'pipe'], signal });
    let log = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk) => (log = (log + String(chunk)).slice(-4000)));
    child.once('error', (error) => resolve({ ok: false, log: error.message }));
    child.once('close', (code) => resolve({ ok: code === 0, log }));
  });

/**
 * Makes sure that there is a whole data directory: it is made beside and gets its name when it is whole. One without a
 * database of ours in it (an initialisation that was cut off) holds nothing of anybody's and is made anew.
 * @param {string} dataDir @param {(line: string) => void} say @param {AbortSignal} signal
 */
async function ensureFiles(dataDir, say, signal) {
  const files = join(dataDir, 'mariadb');
  for (const name of readdirSync(dataDir))
    if (name.startsWith(UNFINISHED)) rmSync(join(dataDir, name), { recursive: true, force: true });
  if (existsSync(join(files, DATABASE)) || existsSync(join(files, 'initialised'))) return files;
  say('initialising the database …');
  rmSync(files, { recursive: true, force: true });
  const unfinished = mkdtempSync(join(dataDir, UNFINISHED));
  const { ok, log } = await run(
    [
      'mariadb-install-db',
      '--no-defaults',
      ...asRoot(),
      `--datadir=${unfinished}`,
      '--auth-root-authentication-method=socket',
      '--skip-test-db',
    ],
    signal,
  );
  if (!ok) {
    // It is a script: what it started goes on without it.
    for (const who of databasesOf(dataDir)) await endProcess(who, 0);
    throw new Error(`the database could not be initialised:\n${log}`);
  }
  writeFileSync(join(unfinished, 'initialised'), '');
  renameSync(unfinished, files);
  return files;
}

/** @param {string} dataDir @returns {string} the password of our user, made the first time */
function passwordOf(dataDir) {
  const file = join(dataDir, 'password');
  const kept = existsSync(file) ? readFileSync(file, 'utf8') : '';
  if (/^[0-9a-f]{36}$/.test(kept)) return kept;
  const password = randomBytes(18).toString('hex');
  writeFileSync(file, password, { mode: 0o600 });
  return password;
}

/**
 * @typedef {{
 *   host: string, port: number, user: string, password: string, database: string,
 *   stop: (graceMs?: number) => Promise<void>, ended: Promise<unknown>,
 * }} Database
 */

/**
 * Starts MariaDB for one data directory, initialising it the first time. Databases left over on that directory are ended
 * first. An abort at any moment leaves nothing running.
 * @param {{ dataDir: string, say: (line: string) => void, signal?: AbortSignal, port?: number, forTests?: boolean }} options
 *   `forTests`: the user may make databases, and nothing is kept for a power cut
 * @returns {Promise<Database>}
 */
export async function startDatabase({
  dataDir,
  say,
  signal = new AbortController().signal,
  port: wantedPort,
  forTests = false,
}) {
  mkdirSync(dataDir, { recursive: true, mode: 0o700 });
  for (const who of databasesOf(dataDir)) {
    say('ending a database left over from before …');
    await endProcess(who, LEFT_OVER_GRACE_MS);
  }
  const files = await ensureFiles(dataDir, say, signal);
  const password = passwordOf(dataDir);
  const initFile = join(dataDir, 'init.sql');
  writeFileSync(
    initFile,
    [
      `CREATE DATABASE IF NOT EXISTS ${DATABASE} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_520_ci;`,
      `CREATE USER IF NOT EXISTS '${USER}'@'127.0.0.1' IDENTIFIED BY '${password}';`,
      `ALTER USER '${USER}'@'127.0.0.1' IDENTIFIED BY '${password}';`,
      `GRANT ALL ON ${forTests ? '*' : DATABASE}.* TO '${USER}'@'127.0.0.1';`,
      '',
    ].join('\n'),
    { mode: 0o600 },
  );
  const port = wantedPort ?? (await freePort());
  // Socket paths are limited to about a hundred characters, so it does not live beside the data.
  const socketDir = ownFolder('db');
  const cleared = () => rmSync(socketDir, { recursive: true, force: true });
  if (signal.aborted) {
    cleared();
    throw new Error('stopped');
  }
  const [program, args] = tiedToUs([
    'mariadbd',
    '--no-defaults',
    ...asRoot(),
    `--datadir=${files}`,
    `--socket=${join(socketDir, 's')}`,
    `--pid-file=${join(dataDir, 'db.pid')}`,
    `--port=${port}`,
    '--bind-address=127.0.0.1',
    '--skip-name-resolve',
    '--character-set-server=utf8mb4',
    '--collation-server=utf8mb4_unicode_520_ci',
    '--default-time-zone=+00:00',
    `--init-file=${initFile}`,
    '--innodb-buffer-pool-size=64M',
    '--performance-schema=OFF',
    ...(forTests ? ['--innodb-flush-log-at-trx-commit=0', '--skip-innodb-doublewrite'] : []),
  ]);
  const child = spawn(program, args, {
    env: environment(),
    stdio: ['ignore', 'ignore', 'pipe'],
    detached: true,
  });
  let log = '';
  child.stderr.on('data', (chunk) => (log = (log + String(chunk)).slice(-4000)));
  /** @type {Promise<unknown>} */
  const ended = new Promise((resolve) => {
    child.once('exit', resolve);
    child.once('error', (error) => {
      log += error.message;
      resolve(null);
    });
  }).then(cleared);
  const stop = async (graceMs = GRACE_MS) => {
    const who = child.exitCode === null && child.pid !== undefined ? identify(child.pid) : null;
    if (who) await endProcess(who, graceMs);
    await ended;
  };
  const up = await Promise.race([greeted(port, signal), ended.then(() => false)]);
  if (!up || signal.aborted) {
    await stop(LEFT_OVER_GRACE_MS);
    throw new Error(signal.aborted ? 'stopped' : `the database did not start:\n${log}`);
  }
  return { host: '127.0.0.1', port, user: USER, password, database: DATABASE, stop, ended };
}

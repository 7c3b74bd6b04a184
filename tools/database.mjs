// MariaDB on loopback with its own data directory, started and stopped by us. Only Node's own modules.
import { spawn, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { connect, createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { cleanEnvironment } from './install.mjs';

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

/** Waits for the greeting bytes of a MariaDB server. @param {number} port @param {number} tries */
async function greeted(port, tries = 300) {
  for (let i = 0; i < tries; i++) {
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
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return false;
}

/** @param {number} pid */
export function alive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}

/**
 * Starts MariaDB for one data directory, initialising it the first time.
 * @param {{ dataDir: string, say: (line: string) => void, forTests?: boolean }} options `forTests`: the user may make databases
 * @returns {Promise<{ host: string, port: number, user: string, password: string, database: string, stop: () => Promise<void>, ended: Promise<unknown> }>}
 */
export async function startDatabase({ dataDir, say, forTests = false }) {
  const files = join(dataDir, 'mariadb');
  const pidFile = join(dataDir, 'db.pid');
  const asRoot = process.getuid?.() === 0 ? ['--user=root'] : [];
  const env = cleanEnvironment();
  mkdirSync(dataDir, { recursive: true, mode: 0o700 });
  // A server left over from a killed start still holds the directory: end it first, a second one would hang.
  if (existsSync(pidFile)) {
    const pid = Number(readFileSync(pidFile, 'utf8'));
    if (pid > 0 && alive(pid) && isDatabase(pid)) {
      say('ending a database left over from before …');
      process.kill(pid, 'SIGTERM');
      for (let i = 0; i < 100 && alive(pid); i++) await new Promise((resolve) => setTimeout(resolve, 100));
    }
    rmSync(pidFile, { force: true });
  }
  if (!existsSync(join(files, 'mysql'))) {
    say('initialising the database …');
    rmSync(files, { recursive: true, force: true });
    const made = spawnSync(
      'mariadb-install-db',
      [
        '--no-defaults',
        ...asRoot,
        `--datadir=${files}`,
        '--auth-root-authentication-method=socket',
        '--skip-test-db',
      ],
      { env, encoding: 'utf8' },
    );
    if (made.status !== 0) throw new Error(`mariadb-install-db failed: ${made.stderr}`);
  }
  const passwordFile = join(dataDir, 'password');
  if (!existsSync(passwordFile))
    writeFileSync(passwordFile, randomBytes(18).toString('hex'), { mode: 0o600 });
  const password = readFileSync(passwordFile, 'utf8');
  const user = 'crock';
  const database = 'morning_crock';
  const initFile = join(dataDir, 'init.sql');
  writeFileSync(
    initFile,
    [
      `CREATE DATABASE IF NOT EXISTS ${database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_520_ci;`,
      `CREATE USER IF NOT EXISTS '${user}'@'127.0.0.1' IDENTIFIED BY '${password}';`,
      `ALTER USER '${user}'@'127.0.0.1' IDENTIFIED BY '${password}';`,
      `GRANT ALL ON ${forTests ? '*' : database}.* TO '${user}'@'127.0.0.1';`,
      '',
    ].join('\n'),
    { mode: 0o600 },
  );
  const port = await freePort();
  // Socket paths are limited to about a hundred characters, so it does not live beside the data.
  const socketDir = mkdtempSync(join(tmpdir(), 'mc-'));
  const server = [
    'mariadbd',
    '--no-defaults',
    ...asRoot,
    `--datadir=${files}`,
    `--socket=${join(socketDir, 's')}`,
    `--pid-file=${pidFile}`,
    `--port=${port}`,
    '--bind-address=127.0.0.1',
    '--skip-name-resolve',
    '--character-set-server=utf8mb4',
    '--collation-server=utf8mb4_unicode_520_ci',
    '--default-time-zone=+00:00',
    `--init-file=${initFile}`,
    '--innodb-buffer-pool-size=64M',
    '--performance-schema=OFF',
  ];
  // setpriv lets the database end with us even when we are killed without a word.
  const child = spawn('setpriv', ['--pdeathsig', 'SIGTERM', '--', ...server], {
    env: { ...env, PATH: `${env.PATH ?? ''}:/usr/sbin` },
    stdio: ['ignore', 'ignore', 'pipe'],
    detached: true,
  });
  let log = '';
  child.stderr.on('data', (chunk) => (log = (log + chunk).slice(-4000)));
  const ended = new Promise((resolve) => child.once('exit', resolve));
  const stop = async () => {
    if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM');
    await ended;
    rmSync(socketDir, { recursive: true, force: true });
    rmSync(pidFile, { force: true });
  };
  const up = await Promise.race([greeted(port), ended.then(() => false)]);
  if (!up) {
    await stop();
    throw new Error(`the database did not start:\n${log}`);
  }
  return { host: '127.0.0.1', port, user, password, database, stop, ended };
}

/** @param {number} pid */
function isDatabase(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('mariadbd');
  } catch {
    return false;
  }
}

// Installing what is missing. Only Node's own modules: this runs before anything is installed.
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = fileURLToPath(new URL('..', import.meta.url));
const STAMP = join(ROOT, 'node_modules', '.installed-lock');

/** An environment without what npm and a test runner leave behind. @returns {NodeJS.ProcessEnv} */
export function cleanEnvironment() {
  return Object.fromEntries(
    Object.entries(process.env).filter(
      ([key]) => !key.toLowerCase().startsWith('npm_') && key !== 'INIT_CWD' && key !== 'NODE_ENV',
    ),
  );
}

/** @param {string} program */
function has(program) {
  const places = [...(process.env.PATH ?? '').split(':'), '/usr/sbin', '/usr/bin'];
  return places.some((place) => existsSync(join(place, program)));
}

/**
 * @param {string} command @param {string[]} args
 * @param {(line: string) => void} say
 * @returns {Promise<void>}
 */
function run(command, args, say) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      env: { ...cleanEnvironment(), DEBIAN_FRONTEND: 'noninteractive' },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let output = '';
    for (const stream of [child.stdout, child.stderr])
      stream.setEncoding('utf8').on('data', (text) => {
        output = (output + text).slice(-8000);
      });
    child.once('error', reject);
    child.once('close', (code) => {
      if (code === 0) return resolve();
      say(output.trim().split('\n').slice(-25).join('\n'));
      reject(new Error(`"${command} ${args.join(' ')}" failed`));
    });
  });
}

/**
 * Installs Debian packages whose programs are missing; when not root, says the exact command.
 * @param {{ program: string, package: string }[]} wanted
 * @param {(line: string) => void} say
 */
async function ensurePrograms(wanted, say) {
  const missing = wanted.filter((w) => !has(w.program)).map((w) => w.package);
  if (missing.length === 0) return;
  const install = ['install', '-y', '--no-install-recommends', '-o', 'DPkg::Lock::Timeout=300', ...missing];
  if (process.getuid?.() !== 0) {
    say(`Missing: ${missing.join(', ')}. Please run this once, then start again:`);
    say(`  sudo apt-get update && sudo apt-get ${install.join(' ')}`);
    throw new Error('programs are missing');
  }
  say(`installing ${missing.join(', ')} …`);
  await run('apt-get', ['update', '-q'], say);
  await run('apt-get', install, say);
}

/**
 * Runs `npm ci` when the lock changed since the last time.
 * @param {(line: string) => void} say
 */
export async function ensurePackages(say) {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lock) return;
  say('installing packages (npm ci) …');
  await run('npm', ['ci', '--include=dev', '--no-audit', '--no-fund'], say);
  mkdirSync(join(ROOT, 'node_modules'), { recursive: true });
  writeFileSync(STAMP, lock);
}

/**
 * Installs everything that is missing, Debian's programs and npm's packages at once.
 * @param {{ program: string, package: string }[]} programs
 * @param {(line: string) => void} say
 */
export async function ensureInstalled(programs, say) {
  const done = await Promise.allSettled([ensurePrograms(programs, say), ensurePackages(say)]);
  for (const one of done) if (one.status === 'rejected') throw one.reason;
}

export const DATABASE_PROGRAMS = [
  { program: 'mariadbd', package: 'mariadb-server-core' },
  { program: 'mariadb-install-db', package: 'mariadb-server-core' },
  { program: 'mariadb', package: 'mariadb-client-core' },
];
export const BROWSER_PROGRAMS = [
  { program: 'chromium-headless-shell', package: 'chromium-headless-shell' },
  // Puts a kitchen's authority among those a browser trusts.
  { program: 'certutil', package: 'libnss3-tools' },
];

// Processes of ours: told apart from everybody else's, and ended for certain. Only Node's own modules.
import { readdirSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';

/**
 * A process by its number and the moment it began: numbers are given out again, the pair is not.
 * @typedef {{ pid: number, startTime: string }} Identity
 */

const wait = (/** @type {number} */ ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** @param {number} pid @returns {string | null} when it began, in clock ticks since the machine did; `null` when there is none or it is only waiting to be collected */
function startTimeOf(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // The name in brackets may hold blanks: what follows the last bracket is well-formed.
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
    return fields[0] === 'Z' || fields[0] === 'X' ? null : (fields[19] ?? null);
  } catch {
    return null;
  }
}

/** @param {number} pid @returns {Identity | null} */
export function identify(pid) {
  const startTime = startTimeOf(pid);
  return startTime === null ? null : { pid, startTime };
}

/** @param {Identity} who */
export const lives = (who) => startTimeOf(who.pid) === who.startTime;

/**
 * Database servers of one kitchen, also one that is still initialising its files, found by their own command line: a
 * number kept in a file may by now belong to anybody.
 * @param {string} dataDir the folder their data directories lie in
 * @returns {Identity[]}
 */
export function databasesOf(dataDir) {
  const files = `--datadir=${join(dataDir, 'mariadb')}`;
  const ours = (/** @type {string} */ arg) => arg === files || arg.startsWith(`${files}.new-`);
  return readdirSync('/proc').flatMap((name) => {
    if (!/^\d+$/.test(name)) return [];
    try {
      const args = readFileSync(`/proc/${name}/cmdline`, 'utf8').split('\0');
      const who =
        args.some(ours) && args.some((a) => /^mariadb(d|-install-db)$/.test(basename(a)))
          ? identify(Number(name))
          : null;
      return who ? [who] : [];
    } catch {
      return [];
    }
  });
}

/** @param {Identity} who @param {NodeJS.Signals} signal */
function signalTo(who, signal) {
  if (!lives(who)) return;
  try {
    process.kill(who.pid, signal);
  } catch {
    // It ended between the look and the signal.
  }
}

/** @param {Identity} who @param {number} ms @returns {Promise<boolean>} whether it was gone by then */
async function goneWithin(who, ms) {
  for (const untilMs = Date.now() + ms; Date.now() < untilMs; await wait(20)) if (!lives(who)) return true;
  return !lives(who);
}

/**
 * Ends a process: asks, and when it does not listen within `graceMs`, no longer asks.
 * @param {Identity} who @param {number} graceMs
 */
export async function endProcess(who, graceMs) {
  signalTo(who, 'SIGTERM');
  if (await goneWithin(who, graceMs)) return;
  signalTo(who, 'SIGKILL');
  await goneWithin(who, 5000);
}

/**
 * A command that ends with us whatever happens to us: the kernel sees to it. Nothing is lost by it: what was acknowledged is
 * on the disk.
 * @param {string[]} command
 * @returns {[string, string[]]}
 */
export const tiedToUs = (command) => ['setpriv', ['--pdeathsig', 'SIGKILL', '--', ...command]];

/** The process of the server of a data directory. @param {string} dataDir @returns {string} */
export function serverOf(dataDir) {
  const found = readdirSync('/proc').find((pid) => {
    if (!/^\d+$/.test(pid)) return false;
    try {
      return (
        readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('server/dist/main.mjs') &&
        readFileSync(`/proc/${pid}/environ`, 'utf8').includes(`MC_DATA_DIR=${dataDir}`)
      );
    } catch {
      return false;
    }
  });
  if (found === undefined) throw new Error('the kitchen has no server');
  return found;
}

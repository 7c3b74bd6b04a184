// Folders of ours where the system keeps what is passing: each carries the process it belongs to in its name, so that what a
// killed one left behind is cleared at the next start. Only Node's own modules.
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { identify, lives } from './process.mjs';

const OURS = /^mc-([a-z]+)-(\d+)-(\d+)-/;

/**
 * Makes a folder that lives as long as this process does.
 * @param {string} what a word for it
 */
export function ownFolder(what) {
  const who = identify(process.pid);
  return mkdtempSync(join(tmpdir(), `mc-${what}-${process.pid}-${who?.startTime ?? '0'}-`));
}

/**
 * Clears what processes that are gone left behind; never that of one that lives, whoever's it is.
 * @param {string} [where]
 * @returns {number} how many
 */
export function clearLeftFolders(where = tmpdir()) {
  let cleared = 0;
  for (const name of readdirSync(where)) {
    const [, , pid, startTime] = OURS.exec(name) ?? [];
    if (pid === undefined || startTime === undefined) continue;
    if (lives({ pid: Number(pid), startTime })) continue;
    try {
      rmSync(join(where, name), { recursive: true, force: true });
      cleared++;
    } catch {
      // Somebody else's.
    }
  }
  return cleared;
}

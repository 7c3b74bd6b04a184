// Who has a data directory in hand, and where it answers. A file that cannot be read is as good as none.
import { linkSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { identify, lives } from './process.mjs';

/** @typedef {{ pid: number, startTime: string, address: string | null }} Running */

/** @param {string} file @returns {Running | null} who holds it, when that one still lives */
function holderOf(file) {
  try {
    const { pid, startTime, address } = JSON.parse(readFileSync(file, 'utf8'));
    if (typeof pid !== 'number' || typeof startTime !== 'string' || !lives({ pid, startTime })) return null;
    return { pid, startTime, address: typeof address === 'string' ? address : null };
  } catch {
    return null;
  }
}

/**
 * One starter of a data directory at a time.
 * @param {string} dataDir
 */
export function runFileOf(dataDir) {
  const file = join(dataDir, 'run.json');
  const me = identify(process.pid);
  if (!me) throw new Error('this machine has no /proc');
  /** @param {string | null} address */
  const written = (address) => {
    const draft = `${file}.${me.pid}`;
    writeFileSync(draft, JSON.stringify({ ...me, address }));
    return draft;
  };
  return {
    holder: () => holderOf(file),
    /** Takes the directory in hand. @returns {boolean} false when somebody else has it */
    take() {
      mkdirSync(dataDir, { recursive: true, mode: 0o700 });
      if (holderOf(file)) return false;
      rmSync(file, { force: true });
      const draft = written(null);
      try {
        // A link is made by one of two at once only.
        linkSync(draft, file);
        return true;
      } catch {
        return false;
      } finally {
        rmSync(draft, { force: true });
      }
    },
    /** @param {string} address */
    answersAt: (address) => renameSync(written(address), file),
    letGo() {
      if (holderOf(file)?.pid === me.pid) rmSync(file, { force: true });
    },
  };
}

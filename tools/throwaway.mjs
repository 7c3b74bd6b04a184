// A kitchen for the bench and the pictures: started in a directory of its own, asked over its address, ended and cleared.
import { spawn } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { cleanEnvironment, ROOT } from './install.mjs';
import { ownFolder } from './own-folders.mjs';
import { serverOf } from './process.mjs';

/**
 * Starts it.
 * @param {'own' | 'demo'} [kind] empty, or with the demo’s data
 * @param {string} [dataDir] of one that was stopped
 * @param {readonly string[]} [flags] what it is started with besides
 */
export async function startKitchen(kind = 'own', dataDir = ownFolder('throwaway'), flags = []) {
  const up = spawn(process.execPath, [join(ROOT, 'tools/up.mjs'), kind, ...flags], {
    cwd: ROOT,
    env: { ...cleanEnvironment(), MC_DATA: dataDir },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  /** @type {string} */
  const address = await new Promise((resolve, reject) => {
    let text = '';
    up.stdout.on('data', (chunk) => {
      text += String(chunk);
      const found = /Morning Crock: (\S+)/.exec(text);
      if (found?.[1]) resolve(found[1]);
    });
    up.once('exit', () => reject(new Error(`the kitchen did not start:\n${text}`)));
  });
  /** @type {string | undefined} */
  let server;
  return {
    address,
    dataDir,
    /** The memory the server takes, bytes. */
    memory: () => memoryOf((server ??= serverOf(dataDir))),
    /** Stops it and leaves its data. */
    stop: async () => {
      up.kill('SIGTERM');
      await new Promise((resolve) => up.once('exit', resolve));
    },
    end: async () => {
      up.kill('SIGTERM');
      await new Promise((resolve) => up.once('exit', resolve));
      rmSync(dataDir, { recursive: true, force: true });
    },
  };
}

/** @param {string} pid @returns {number} bytes */
function memoryOf(pid) {
  const line = /VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'));
  return Number(line?.[1] ?? 0) * 1024;
}

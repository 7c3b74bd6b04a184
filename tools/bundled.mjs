// Parts of the core that only a measurement needs, bundled for as long as it runs.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT } from './install.mjs';

/**
 * @template T
 * @param {string} entry from the root @param {(module: any) => T} use
 * @returns {Promise<T>}
 */
export async function withBundled(entry, use) {
  const { build } = await import('esbuild');
  const folder = mkdtempSync(join(tmpdir(), 'mc-bench-'));
  try {
    const outfile = join(folder, 'bundled.mjs');
    await build({
      entryPoints: [join(ROOT, entry)],
      bundle: true,
      platform: 'node',
      format: 'esm',
      outfile,
      logLevel: 'error',
    });
    return use(await import(pathToFileURL(outfile).href));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

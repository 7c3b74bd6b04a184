// Building what changed: bundles for the server, the sums door and the bench, and the page.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { cleanEnvironment, ROOT } from './install.mjs';

/**
 * A fingerprint of some folders and files: names, sizes and contents.
 * @param {string[]} places relative to the project
 */
function fingerprint(places) {
  const hash = createHash('sha256');
  /** @param {string} path */
  const visit = (path) => {
    const full = join(ROOT, path);
    if (!existsSync(full)) return;
    if (statSync(full).isDirectory()) {
      for (const name of readdirSync(full).sort()) if (!/\.test\.tsx?$/.test(name)) visit(join(path, name));
    } else hash.update(path).update(readFileSync(full));
  };
  for (const place of places) visit(place);
  return hash.digest('hex');
}

/**
 * Runs `build` when the sources differ from the last time.
 * @param {{ name: string, sources: string[], output: string, build: () => Promise<void> | void }} job
 * @param {(line: string) => void} say
 */
async function whenChanged(job, say) {
  const stamp = join(ROOT, '.cache', `${job.name}.stamp`);
  const now = fingerprint(['package-lock.json', ...job.sources]);
  if (existsSync(join(ROOT, job.output)) && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  say(`building ${job.name} …`);
  await job.build();
  mkdirSync(join(ROOT, '.cache'), { recursive: true });
  writeFileSync(stamp, now);
}

/**
 * @param {string} entry @param {string} outfile
 * @param {boolean} whole true to take every package into the bundle
 */
async function bundle(entry, outfile, whole) {
  const { build } = await import('esbuild');
  const core = join(ROOT, 'core', 'src');
  await build({
    absWorkingDir: ROOT,
    entryPoints: [entry],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: true,
    logLevel: 'warning',
    alias: {
      '@morning-crock/core/contract': join(core, 'contract', 'index.ts'),
      '@morning-crock/core/sums': join(core, 'doors', 'index.ts'),
      '@morning-crock/core/demo': join(core, 'demo', 'index.ts'),
      '@morning-crock/core': join(core, 'index.ts'),
    },
    ...(whole ? {} : { packages: 'external' }),
  });
}

/** @param {(line: string) => void} say */
export async function buildServer(say) {
  await whenChanged(
    {
      name: 'server',
      sources: ['core/src', 'server/src'],
      output: 'server/dist/work.mjs',
      build: async () => {
        await bundle('server/src/main.ts', 'server/dist/main.mjs', false);
        await bundle('server/src/probe/main.ts', 'server/dist/probe.mjs', false);
        await bundle('server/src/work/worker.ts', 'server/dist/work.mjs', false);
      },
    },
    say,
  );
}

/** @param {(line: string) => void} say */
export async function buildSums(say) {
  await whenChanged(
    {
      name: 'sums',
      sources: ['core/src'],
      output: 'core/dist/sums.mjs',
      build: () => bundle('core/src/doors/index.ts', 'core/dist/sums.mjs', true),
    },
    say,
  );
}

/** @param {(line: string) => void} say */
export async function buildBench(say) {
  await whenChanged(
    {
      name: 'bench',
      sources: ['core/src'],
      output: 'core/dist/core.mjs',
      build: () => bundle('core/src/index.ts', 'core/dist/core.mjs', true),
    },
    say,
  );
}

/** Smaller than this, packing saves nothing. */
const PACK_FROM_BYTES = 1024;

/** Puts a packed copy beside every file that packing makes smaller, so that nothing is packed while somebody waits. @param {string} folder */
function pack(folder) {
  for (const name of readdirSync(folder, { recursive: true }).map(String)) {
    const file = join(folder, name);
    if (!/\.(js|css|html|svg|webmanifest)$/.test(name) || statSync(file).size < PACK_FROM_BYTES) continue;
    const text = readFileSync(file);
    writeFileSync(`${file}.br`, brotliCompressSync(text));
    writeFileSync(`${file}.gz`, gzipSync(text, { level: 9 }));
  }
}

/** @param {(line: string) => void} say */
export async function buildPage(say) {
  await whenChanged(
    {
      name: 'page',
      sources: [
        'core/src',
        'web/src',
        'web/index.html',
        'web/vite.config.ts',
        'web/without-json-schema.ts',
        'web/postcss.config.mjs',
        'web/public',
        'tools/build.mjs',
      ],
      output: 'web/dist/index.html',
      build: () => {
        const result = spawnSync(
          process.execPath,
          [join(ROOT, 'node_modules', 'vite', 'bin', 'vite.js'), 'build', '--logLevel', 'warn'],
          {
            cwd: join(ROOT, 'web'),
            env: { ...cleanEnvironment(), NODE_ENV: 'production' },
            stdio: ['ignore', 'inherit', 'inherit'],
          },
        );
        if (result.status !== 0) throw new Error('the page did not build');
        pack(join(ROOT, 'web', 'dist'));
      },
    },
    say,
  );
}

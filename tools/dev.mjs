// `npm run dev`: the page with live reload, in front of a server that is started by `npm run demo` or `npm start`.
// `npm run dev -- server` starts the demo too, with an inspector, and its server anew at each change.
import { spawn } from 'node:child_process';
import { watch } from 'node:fs';
import { join } from 'node:path';
import { buildServer } from './build.mjs';
import { cleanEnvironment, ensurePackages, ROOT } from './install.mjs';
import { serverOf } from './process.mjs';

const INSPECTOR_PORT = 9229;
/** An editor writes a file in several strokes. */
const SETTLED_MS = 200;

/** @param {string} line */
const say = (line) => void process.stdout.write(`· ${line}\n`);
await ensurePackages(say);

/** Starts the demo, and its server anew whenever its code changes. @returns {Promise<string>} its address */
async function withServer() {
  const dataDir = process.env.MC_DATA ?? join(ROOT, '.data', 'demo');
  const up = spawn(process.execPath, [join(ROOT, 'tools/up.mjs'), 'demo'], {
    cwd: ROOT,
    env: { ...process.env, MC_INSPECT: String(INSPECTOR_PORT) },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  process.once('exit', () => up.kill('SIGTERM'));
  /** @type {string} */
  const address = await new Promise((resolve, reject) => {
    up.stdout.on('data', (chunk) => {
      process.stdout.write(chunk);
      const found = /Morning Crock: (\S+)/.exec(String(chunk));
      if (found?.[1]) resolve(found[1]);
    });
    up.once('exit', () => reject(new Error('the demo did not start')));
  });
  say(`the server's inspector listens on 127.0.0.1:${INSPECTOR_PORT}`);
  /** @type {NodeJS.Timeout | undefined} */
  let soon;
  const changed = () => {
    clearTimeout(soon);
    soon = setTimeout(() => {
      buildServer(say).then(
        // Whoever keeps it running starts the new one.
        () => process.kill(Number(serverOf(dataDir)), 'SIGTERM'),
        (/** @type {unknown} */ error) => say(String(error)),
      );
    }, SETTLED_MS);
  };
  for (const folder of ['core/src', 'server/src'])
    watch(join(ROOT, folder), { recursive: true }, (_event, name) => {
      if (name && !/\.test\.tsx?$/.test(name)) changed();
    });
  return address;
}

const api = process.argv.includes('server')
  ? await withServer()
  : (process.env.MC_API ?? 'http://127.0.0.1:4610');
say(`the page asks ${api} (start it with npm run demo; another one: MC_API=… npm run dev)`);
const vite = spawn(process.execPath, [join(ROOT, 'node_modules/vite/bin/vite.js'), '--host', '127.0.0.1'], {
  cwd: join(ROOT, 'web'),
  env: { ...cleanEnvironment(), MC_API: api },
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => vite.kill('SIGTERM'));
vite.once('exit', (code) => process.exit(code ?? 0));

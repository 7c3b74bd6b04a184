// `npm run dev`: the page with live reload, in front of a server that is started by `npm run demo` or `npm start`.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { cleanEnvironment, ensurePackages, ROOT } from './install.mjs';

/** @param {string} line */
const say = (line) => void process.stdout.write(`· ${line}\n`);
await ensurePackages(say);
const api = process.env.MC_API ?? 'http://127.0.0.1:4610';
say(`the page asks ${api} (start it with npm run demo; another one: MC_API=… npm run dev)`);
const vite = spawn(process.execPath, [join(ROOT, 'node_modules/vite/bin/vite.js'), '--host', '127.0.0.1'], {
  cwd: join(ROOT, 'web'),
  env: { ...cleanEnvironment(), MC_API: api },
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => vite.kill('SIGTERM'));
vite.once('exit', (code) => process.exit(code ?? 0));

// `npm run coverage`: the heavy coverage figures, found anew and stored.
import { spawnSync } from 'node:child_process';
import { cleanEnvironment, ensurePackages, ROOT } from './install.mjs';

await ensurePackages((line) => console.error(`· ${line}`));
const { status } = spawnSync(
  process.execPath,
  ['--import', 'tsx', 'core/src/culture/fixtures/coverage-store.ts'],
  { cwd: ROOT, stdio: 'inherit', env: cleanEnvironment() },
);
process.exitCode = status ?? 1;

// Keeps package-lock.json installable: `npm install` may write optional platform packages that the registry does
// not have, and `npm ci` then refuses the lock. `npm run lock` regenerates and mends it, `--check` only looks.
import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { cleanEnvironment, ROOT } from './install.mjs';

const LOCK = join(ROOT, 'package-lock.json');
const checkOnly = process.argv.includes('--check');

if (!checkOnly) {
  const made = spawnSync('npm', ['install', '--no-audit', '--no-fund'], {
    cwd: ROOT,
    env: cleanEnvironment(),
    stdio: 'inherit',
  });
  if (made.status !== 0) process.exit(made.status ?? 1);
}

/** @type {{ packages: Record<string, { optionalDependencies?: Record<string, string>, resolved?: string }> }} */
const lock = JSON.parse(readFileSync(LOCK, 'utf8'));
const names = Object.keys(lock.packages);
let missing = 0;
for (const [path, entry] of Object.entries(lock.packages)) {
  for (const name of Object.keys(entry.optionalDependencies ?? {})) {
    const present = names.some((other) => other.endsWith(`node_modules/${name}`));
    if (present) continue;
    missing++;
    if (checkOnly) process.stderr.write(`${path}: optional ${name} is not in the lock\n`);
    delete entry.optionalDependencies?.[name];
  }
  if (entry.optionalDependencies && Object.keys(entry.optionalDependencies).length === 0)
    delete entry.optionalDependencies;
  if (entry.resolved?.startsWith('http')) {
    missing++;
    process.stderr.write(`${path}: the lock names a download address\n`);
  }
}
if (checkOnly) process.exitCode = missing > 0 ? 1 : 0;
else {
  writeFileSync(LOCK, `${JSON.stringify(lock, null, 2)}\n`);
  process.stdout.write(`lock mended: ${missing} optional packages taken out\n`);
}

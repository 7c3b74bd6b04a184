// `npm run properties -- [rounds]`: every property test with new seeds, each said so that it can be run again.
import { spawnSync } from 'node:child_process';
import { randomInt } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { cleanEnvironment, ensurePackages, ROOT } from './install.mjs';

const rounds = Number(process.argv[2] ?? 5);
if (!Number.isInteger(rounds) || rounds < 1) {
  console.error('How many rounds? A whole number from 1, for example: npm run properties -- 5');
  process.exit(2);
}
await ensurePackages((line) => console.error(`· ${line}`));
const core = join(ROOT, 'core/src');
const files = readdirSync(core, { recursive: true })
  .map(String)
  .filter((name) => name.endsWith('.test.ts'))
  .map((name) => join(core, name))
  .filter((file) => readFileSync(file, 'utf8').includes("from 'fast-check'"));
for (let round = 1; round <= rounds; round++) {
  const seed = process.env.PROPERTY_SEED ?? String(randomInt(2 ** 31));
  console.log(`\nround ${round} of ${rounds}: PROPERTY_SEED=${seed}`);
  const { status } = spawnSync(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--no-warnings',
      'node_modules/jest/bin/jest.js',
      '--selectProjects',
      'core',
      '--runTestsByPath',
      ...files,
    ],
    { cwd: ROOT, stdio: 'inherit', env: { ...cleanEnvironment(), PROPERTY_SEED: seed } },
  );
  if (status !== 0) process.exit(status ?? 1);
}

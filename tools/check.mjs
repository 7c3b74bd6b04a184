// The checks that need no running program: types, lint, import directions, unused code, formatting, the lock.
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { ROOT } from './install.mjs';

const bin = (/** @type {string} */ path) => `node_modules/${path}`;

/** @type {{ name: string, args: string[] }[]} */
export const CHECKS = [
  ...['core', 'core/tsconfig.test.json', 'server', 'web', 'e2e', 'tools'].map((part) => ({
    name: `types of ${part}`,
    args: [bin('typescript/bin/tsc'), '-p', part],
  })),
  { name: 'lint', args: [bin('eslint/bin/eslint.js'), '--max-warnings=0', '.'] },
  {
    name: 'import directions',
    args: [
      bin('dependency-cruiser/bin/dependency-cruise.mjs'),
      '--config',
      '.dependency-cruiser.cjs',
      'core/src',
      'server/src',
      'web/src',
      'e2e/src',
    ],
  },
  { name: 'unused code', args: [bin('knip/bin/knip.js'), '--no-progress'] },
  { name: 'formatting', args: [bin('prettier/bin/prettier.cjs'), '--check', '--log-level', 'warn', '.'] },
  { name: 'the lock', args: ['tools/lock.mjs', '--check'] },
];

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  for (const check of CHECKS) {
    const { status } = spawnSync(process.execPath, check.args, { cwd: ROOT, stdio: 'inherit' });
    process.stdout.write(`${status === 0 ? 'ok  ' : 'FAIL'} ${check.name}\n`);
    if (status !== 0) process.exitCode = 1;
  }
}

// The checks that need no running program: types, lint, import directions, unused code, formatting, styles, the lock.
import { spawn } from 'node:child_process';
import { constants, setPriority } from 'node:os';
import { fileURLToPath } from 'node:url';
import { ROOT } from './install.mjs';
import { tiedToUs } from './process.mjs';

const bin = (/** @type {string} */ path) => `node_modules/${path}`;

/** @type {{ name: string, args: string[] }[]} */
const CHECKS = [
  { name: 'lint', args: [bin('oxlint/bin/oxlint'), '--type-aware', '--deny-warnings'] },
  // What each part may know of browsers and of Node is its own: the core nothing.
  ...['tsconfig.lint.json', 'core/tsconfig.pure.json', 'tools'].map((project) => ({
    name: `types of ${project}`,
    args: [bin('typescript-native/bin/tsc'), '-p', project],
  })),
  { name: 'steps and products by name', args: ['tools/check-names.mjs'] },
  { name: 'the page of the tools', args: ['tools/tools-doc.mjs', '--check'] },
  { name: 'words', args: ['tools/words.mjs', '--check'] },
  { name: 'stored figures', args: ['tools/coverage.mjs', '--check'] },
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
  { name: 'formatting', args: [bin('prettier/bin/prettier.cjs'), '--experimental-cli', '--check', '.'] },
  { name: 'styles', args: ['tools/check-styles.mjs'] },
  { name: 'the lock', args: ['tools/lock.mjs', '--check'] },
];

/**
 * @param {{ name: string, args: string[] }} check
 * @returns {Promise<{ ok: boolean, output: string }>}
 */
const runOne = (check) =>
  new Promise((resolve) => {
    // It ends with us.
    const [program, args] = tiedToUs([process.execPath, ...check.args]);
    const child = spawn(program, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
    // They go on beside the journeys, whose pages must not wait for them.
    if (child.pid) setPriority(child.pid, constants.priority.PRIORITY_BELOW_NORMAL);
    let output = '';
    for (const stream of [child.stdout, child.stderr])
      stream.setEncoding('utf8').on('data', (/** @type {string} */ text) => {
        output += text;
      });
    child.once('close', (code) => resolve({ ok: code === 0, output }));
  });

/**
 * Runs every check and says of each how it ended; what a failed one had to say follows it.
 * @param {(line: string) => void} say
 * @returns {Promise<{ passed: number, failed: number }>}
 */
export async function runChecks(say) {
  let passed = 0;
  // One after another: the other core builds and tests meanwhile.
  for (const check of CHECKS) {
    const { ok, output } = await runOne(check);
    if (ok) passed++;
    say(`${ok ? 'checked' : 'FAILED:'} ${check.name}`);
    if (!ok) process.stdout.write(output);
  }
  return { passed, failed: CHECKS.length - passed };
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const { failed } = await runChecks((line) => void process.stdout.write(`${line}\n`));
  if (failed > 0) process.exitCode = 1;
}

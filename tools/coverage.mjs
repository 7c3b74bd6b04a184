// `npm run coverage`: the heavy coverage figures, found anew and stored. `--check` only says whether those that are stored
// were found with the modules as they are now: seconds, where finding them takes minutes.
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { cleanEnvironment, ensurePackages, ROOT } from './install.mjs';

const FOLDER = join(ROOT, 'core/src/science/souring/fixtures');
const RUN = join(FOLDER, 'coverage-run.ts');
const STORED = join(FOLDER, 'coverage.json');
const SCENARIOS = ['appliance', 'thermos', 'room-buttermilk'];

await ensurePackages((line) => console.error(`· ${line}`));

/**
 * Code without its sentences: a text of several words is for people, and no figure follows from it. Found in the syntax tree,
 * so that what stands between two texts is never taken for one.
 * @param {string} code
 */
function withoutSentences(code) {
  const source = ts.createSourceFile('run.mjs', code, ts.ScriptTarget.Latest, true, ts.ScriptKind.JS);
  let bare = '';
  let from = 0;
  /** @param {ts.Node} node */
  const visit = (node) => {
    const isText =
      ts.isStringLiteral(node) ||
      ts.isNoSubstitutionTemplateLiteral(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddle(node) ||
      ts.isTemplateTail(node);
    if (isText && node.text.includes(' ')) {
      bare += `${code.slice(from, node.getStart())}""`;
      from = node.getEnd();
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return bare + code.slice(from);
}

/**
 * A fingerprint of what really runs for the figures: seeds are fixed, so they follow from nothing else. Comments, names of
 * files, modules that are not used, and texts for people leave it as it was.
 */
async function fingerprint() {
  const { build } = await import('esbuild');
  const { outputFiles } = await build({
    entryPoints: [RUN],
    bundle: true,
    write: false,
    platform: 'node',
    format: 'esm',
    minifyWhitespace: true,
    minifySyntax: true,
    legalComments: 'none',
    treeShaking: true,
  });
  return createHash('sha256')
    .update(withoutSentences(outputFiles[0]?.text ?? ''))
    .digest('hex');
}

/** @param {string} scenario @returns {Promise<unknown>} about a minute of work */
const found = (scenario) =>
  new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['--import', 'tsx', RUN, scenario], {
      cwd: ROOT,
      env: cleanEnvironment(),
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let text = '';
    child.stdout.on('data', (bytes) => (text += String(bytes)));
    child.once('close', (code) =>
      code === 0 ? resolve(JSON.parse(text)) : reject(new Error(`${scenario} failed`)),
    );
  });

const now = await fingerprint();
if (process.argv.includes('--check')) {
  if (JSON.parse(readFileSync(STORED, 'utf8')).fingerprint !== now) {
    console.error(
      'The coverage figures were found with other modules: run "npm run coverage" and store what it finds.',
    );
    process.exitCode = 1;
  }
} else {
  const figures = Object.fromEntries(
    await Promise.all(SCENARIOS.map(async (scenario) => [scenario, await found(scenario)])),
  );
  writeFileSync(STORED, `${JSON.stringify({ fingerprint: now, figures }, null, 2)}\n`);
  process.stdout.write(`${JSON.stringify(figures, null, 2)}\n`);
}

// The command-line door to the core: `npm run -s sums -- NAME < in.json`.
import { readFileSync } from 'node:fs';
import { buildSums } from './build.mjs';
import { ensurePackages } from './install.mjs';

const [name = 'list'] = process.argv.slice(2);
/** @param {string} line */
const say = (line) => void process.stderr.write(`${line}\n`);
await ensurePackages(say);
await buildSums(say);
const bundle = new URL('../core/dist/sums.mjs', import.meta.url).href;
/** @type {typeof import('../core/src/doors/index.ts')} */
const { answerSum, listSums } = await import(bundle);

if (name === 'list') {
  process.stdout.write(`${JSON.stringify(listSums(), null, 2)}\n`);
} else {
  const answer = answerSum(name, readFileSync(0, 'utf8'));
  if (answer.ok) process.stdout.write(`${JSON.stringify(answer.json)}\n`);
  else {
    say(answer.message);
    process.exitCode = 2;
  }
}

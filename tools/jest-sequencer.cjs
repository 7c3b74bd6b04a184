// Long files first, so that both cores are busy to the end. How long a file takes is what it took the last time it was
// measured (tools/test-times.json, renewed by `npm test -- --times`); one that was never measured goes by its size.
const { existsSync, readFileSync, statSync } = require('node:fs');
const { join, relative } = require('node:path');
const { default: Sequencer } = require('@jest/test-sequencer');

const ROOT = join(__dirname, '..');
const TIMES = join(__dirname, 'test-times.json');
/** Seconds that a test file of a byte takes, about. */
const SECONDS_PER_BYTE = 0.001;

class LongestFirst extends Sequencer {
  sort(tests) {
    const times = existsSync(TIMES) ? JSON.parse(readFileSync(TIMES, 'utf8')) : {};
    const secondsOf = ({ path }) => times[relative(ROOT, path)] ?? statSync(path).size * SECONDS_PER_BYTE;
    return [...tests].sort((a, b) => secondsOf(b) - secondsOf(a));
  }
}

module.exports = LongestFirst;

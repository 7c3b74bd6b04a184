// The part of `npm run bench` that asks how often what went wrong is said rightly: two thousand made batches whose faults are
// known, drawn by the program's own models and by rougher ones, with readings and without.
import { withBundled } from './bundled.mjs';

/** Batches of each kind: milk that does not set is walked through and slow, the others are quick. */
const OF = { souring: 110, churning: 140, clues: 150 };
const SORTS = /** @type {const} */ ([
  ['read', 1, 'own'],
  ['read', 1, 'rough'],
  ['times-only', 1, 'own'],
  ['read', 2, 'own'],
  ['read', 0, 'own'],
]);
const EDGES = [0, 0.4, 0.6, 0.65, 0.75, 0.85, 1.01];

/** @typedef {{ truth: readonly (string | null)[], said: readonly { cause: string | null, share: number }[], ms: number }} Diagnosed */

/** @param {(line: string) => void} say @returns {Promise<string[]>} rows of a table */
export function benchWhy(say) {
  return withBundled(
    'core/src/why/fixtures/diagnosed.ts',
    ({ diagnosedBatches, rightShare, calibrationOf }) => {
      const percent = (/** @type {number} */ share) => `${(100 * share).toFixed(0)} %`;
      const rows = [
        '| complaint | log | causes | drawn by | batches | first | first two | first after the best question | after all worth asking | P95 |',
        '| --- | --- | --- | --- | --- | --- | --- | --- | --- | --- |',
      ];
      /** @type {Diagnosed[]} */
      const single = [];
      let count = 0;
      for (const [family, batches] of Object.entries(OF))
        for (const [density, many, player] of SORTS) {
          say(`${family}, ${density}, ${many} at once, ${player}`);
          /** @type {Diagnosed[]} */
          const done = diagnosedBatches(batches, { family, many, density, player, seed: 11 });
          count += done.length;
          if (many === 1 && density === 'read') single.push(...done);
          const times = done.map(({ ms }) => ms).sort((a, b) => a - b);
          rows.push(
            `| ${family} | ${density} | ${many === 0 ? 'no name' : many} | ${player} | ${done.length} | ${percent(rightShare(done, 1))} | ${percent(rightShare(done, 2))} | ${percent(rightShare(done, 1, 'saidAfter'))} | ${percent(rightShare(done, 1, 'saidAtLast'))} | ${times[Math.floor(0.95 * times.length)]?.toFixed(0)} ms |`,
          );
        }
      rows.push(
        '',
        `${count} batches. Of the ${single.length} with one cause and readings: first ${percent(rightShare(single, 1))}, first two ${percent(rightShare(single, 2))}, first after the best question ${percent(rightShare(single, 1, 'saidAfter'))}, after all worth asking ${percent(rightShare(single, 1, 'saidAtLast'))}.`,
        '',
        '| said | right | batches |',
        '| --- | --- | --- |',
        ...calibrationOf(single, EDGES).map(
          (/** @type {{ said: number, right: number, batches: number }} */ c) =>
            `| ${percent(c.said)} | ${percent(c.right)} | ${c.batches} |`,
        ),
      );
      return rows;
    },
  );
}

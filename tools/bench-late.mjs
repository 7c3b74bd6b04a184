// The part of `npm run bench` that follows made-up days and lets something of them run late: what that does to the others.
import { withBundled } from './bundled.mjs';

const DAYS = 40;
const EACH_DAY = 4;
const BATCHES = [4, 6];
const LATE_MIN = [0, 45];

/** @typedef {{ moved: number, far: number, broken: number | null }} LateEvent */

/** @param {(line: string) => void} say @returns {Promise<string[]>} rows of a table */
export function benchLate(say) {
  return withBundled('core/src/timetable/fixtures/late-days.ts', ({ lateEvents }) => {
    const rows = [
      '| batches | late | events | nothing else moves | others moved: median, 90 in 100, most | by more than an hour: 90 in 100 | nothing waits too long | no way found |',
      '| --- | --- | --- | --- | --- | --- | --- | --- |',
    ];
    for (const batches of BATCHES)
      for (const lateMin of LATE_MIN) {
        say(`${batches} batches, ${lateMin} min late`);
        /** @type {LateEvent[]} */
        const events = [...lateEvents({ days: DAYS, batches, eachDay: EACH_DAY, lateMin })];
        /** @param {'moved' | 'far'} what @param {number} share */
        const at = (what, share) =>
          events.map((event) => event[what]).sort((a, b) => a - b)[
            Math.min(events.length - 1, Math.floor(share * events.length))
          ];
        /** @param {keyof LateEvent} what */
        const none = (what) =>
          `${((100 * events.filter((event) => event[what] === 0).length) / events.length).toFixed(0)} %`;
        rows.push(
          `| ${batches} | ${lateMin} min | ${events.length} | ${none('moved')} | ${at('moved', 0.5)}, ${at('moved', 0.9)}, ${at('moved', 1)} | ${at('far', 0.9)} | ${none('broken')} | ${events.filter(({ broken }) => broken === null).length} |`,
        );
      }
    return rows;
  });
}

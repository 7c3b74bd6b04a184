import { listed } from '../science/units/index.ts';
import type { DayMake, DayProblem } from './problem.ts';
import type { DayClash } from './solve.ts';

/** What the batches of a chain are called; of what is no chain, its own name. */
const titlesOf = ({ title, tasks }: DayMake): string[] => [
  title,
  ...tasks.flatMap(({ fetches, title: own }) => (fetches ? [own] : [])),
];

/** Why a day cannot be laid out, in a sentence; where that is not proven, it says so. */
export function clashWords(problem: DayProblem, { clash, proven }: DayClash): string {
  const makes = problem.makes.filter(({ id }) => clash.includes(id));
  const names = listed(makes.flatMap(titlesOf).map((title) => `“${title}”`));
  if (problem.cooks.every(({ free }) => free.length === 0)) return 'Nobody is there in that time.';
  if (proven) {
    const longest = Math.max(
      ...makes.map(({ tasks }) => tasks.reduce((sum, t) => sum + t.after + t.minutes, 0)),
    );
    return longest > problem.horizon
      ? `Not enough time for ${names}. Needed: ${Math.ceil(longest / 60)} h. Planned: ${problem.horizon / 60} h.`
      : `${names} cannot be planned, even alone. A step that cannot wait comes when nobody is there.`;
  }
  const shared = Object.keys(problem.things).filter((thing) => {
    /** The smallest of it that will do, for each make that wants one. */
    const wanted = makes.flatMap(({ tasks }) => {
      const own = tasks.filter(({ holds }) => holds.includes(thing)).map((task) => task.least?.[thing] ?? 0);
      return own.length > 0 ? [Math.max(...own)] : [];
    });
    const sizes =
      problem.sizes?.[thing] ?? Array<number>(problem.things[thing]!).fill(Number.POSITIVE_INFINITY);
    return wanted.some(
      (least) =>
        wanted.filter((other) => other >= least).length > sizes.filter((size) => size >= least).length,
    );
  });
  const over =
    shared.length === 0
      ? 'hands-on time'
      : listed(shared.map((thing) => thing.replace(/^place .*/, 'warm place')));
  return `No plan was found for ${names} together. They need the same ${over}. Leave one out, start one on another day, or ask somebody to help.`;
}

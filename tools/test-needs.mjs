/** Which rooms' tests need what. The core and the parts of the page are tested by themselves. */
const ROOMS = {
  core: { database: false, journeys: false },
  web: { database: false, journeys: false },
  page: { database: false, journeys: false },
  tools: { database: false, journeys: false },
  server: { database: true, journeys: false },
  e2e: { database: true, journeys: true },
};
/** @typedef {{ database: boolean, journeys: boolean }} Needs */

/** @param {string} word @returns {Needs | undefined} */
const roomOf = (word) => ROOMS[/** @type {keyof typeof ROOMS} */ (word)];

/**
 * What a run needs before it can begin, by the files or rooms it was asked for: `core/src/science/heat` needs nothing,
 * `server/src` a database, a journey the built page and a browser as well. Whatever else was asked may need it all.
 * @param {string[]} args of the test runner
 * @returns {Needs}
 * @example needsOf(['core/src/science/heat/heat.test.ts']) // { database: false, journeys: false }
 */
export function needsOf(args) {
  const all = { database: true, journeys: true };
  const named = args.indexOf('--selectProjects');
  const words =
    named >= 0
      ? args.slice(named + 1).filter((arg) => !arg.startsWith('-'))
      : args.filter((arg) => !arg.startsWith('-')).map((arg) => arg.replace(/^\.\//, '').split('/')[0] ?? '');
  const rooms = words.map(roomOf);
  if (rooms.length === 0) return all;
  return rooms.reduce(
    (/** @type {Needs} */ needs, room) => ({
      database: needs.database || (room ?? all).database,
      journeys: needs.journeys || (room ?? all).journeys,
    }),
    { database: false, journeys: false },
  );
}

import { expect, test } from '@jest/globals';
import { needsOf } from './test-needs.mjs';

const NOTHING = { database: false, journeys: false };
const DATABASE = { database: true, journeys: false };
const ALL = { database: true, journeys: true };

test.each([
  [['core/src/science/heat/heat.test.ts'], NOTHING],
  [['./web/src/parts'], NOTHING],
  [['--selectProjects', 'core', 'page'], NOTHING],
  [['core/src/science/heat', 'server/src/features/milk'], DATABASE],
  [['--selectProjects', 'core', 'server', '--silent'], DATABASE],
  [['core/src/science/heat', 'e2e/src/day.test.ts'], ALL],
  // A word that is no room may match a file of any.
  [['heat'], ALL],
  [['-t', 'a yogurt'], ALL],
  [[], ALL],
])('a run of %j gets what it needs, and no more', (args, needs) => {
  expect(needsOf(args)).toEqual(needs);
});

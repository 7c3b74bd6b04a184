import { expect, test } from '@jest/globals';
import { defaultKitchen } from '../kitchen/index.ts';
import { stateOfPlan, type MakeState } from '../make/index.ts';
import { defaultPlan } from '../products/index.ts';
import { MINUTE_MS } from '../science/units/index.ts';
import { howItWent } from './how-it-went.ts';

const ZERO = '2026-03-02T08:00:00.000Z';
const ZERO_MS = Date.parse(ZERO);
const slot = (make: string, task: string, from: number) => ({
  make,
  task,
  title: task,
  cook: '01HGGGGGGGGGGGGGGGGGGGGG02',
  from,
  to: from + 5,
});
/** A plan of which the first steps ended so many minutes after the day's zero; one is left out. */
function state(ended: Readonly<Record<string, number>>, skipped: string): Pick<MakeState, 'steps'> {
  const { steps } = stateOfPlan(defaultPlan(defaultKitchen('UTC'), ZERO));
  return {
    steps: steps.map((own) => ({
      ...own,
      status: own.step.id === skipped ? 'skipped' : own.step.id in ended ? 'done' : 'coming',
      endedAtMs: own.step.id in ended ? ZERO_MS + ended[own.step.id]! * MINUTE_MS : null,
    })),
  };
}
const first = [slot('A', 'heat', 40), slot('A', 'pour', 5), slot('A', 'hold', 60), slot('B', 'pour', 0)];

test('what is done stands against what was planned when the day began, in the order of the plan', () => {
  const went = howItWent(
    { zeroAt: ZERO, slots: [slot('A', 'pour', 55)], first },
    'A',
    state({ pour: 55, heat: 40 }, 'hold'),
  );
  expect(went.map(({ step, lateMin }) => [step, lateMin])).toEqual([
    ['pour', 45],
    ['heat', -5],
  ]);
  expect(went[0]).toMatchObject({ plannedMs: ZERO_MS + 10 * MINUTE_MS, doneMs: ZERO_MS + 55 * MINUTE_MS });
});

test('a day never laid out anew stands by its own slots; another batch’s are not told', () => {
  const went = howItWent({ zeroAt: ZERO, slots: first }, 'A', state({ pour: 10 }, ''));
  expect(went.map(({ step, lateMin }) => [step, lateMin])).toEqual([['pour', 0]]);
});

import { expect, test } from '@jest/globals';
import { defaultKitchen, stateOfPlan } from '@morning-crock/core';
import { startingPlan } from './starting-plan.ts';

const NOW = Date.parse('2026-03-02T06:00:00.000Z');
const kitchen = defaultKitchen('UTC');

test('a first make begins with the kitchen’s own things', () => {
  const plan = startingPlan(kitchen, null, NOW);
  expect(plan.startAt).toBe('2026-03-02T06:00:00.000Z');
  expect(plan.pot).toEqual(kitchen.pots[0]);
  expect(plan.repeatOf).toBeNull();
});

test('again: the same milk, dose and wishes, with the kitchen as it is today', () => {
  const earlier = stateOfPlan({
    ...startingPlan(kitchen, null, NOW),
    name: 'Stall yogurt',
    inoculateC: 43,
    roomC: 12,
  });
  const changed = {
    ...kitchen,
    site: { ...kitchen.site, roomC: 26, altitudeM: 900 },
    pots: kitchen.pots.map((p) => ({ ...p, lidded: false })),
    places: [],
  };
  const plan = startingPlan(changed, earlier, NOW + 86_400_000);
  expect(plan).toMatchObject({
    name: 'Stall yogurt',
    inoculateC: 43,
    roomC: 26,
    altitudeM: 900,
    repeatOf: earlier.id,
  });
  expect(plan.pot.lidded).toBe(false);
  // A place that is gone from the kitchen is taken as it was.
  expect(plan.place).toEqual(earlier.plan.place);
});

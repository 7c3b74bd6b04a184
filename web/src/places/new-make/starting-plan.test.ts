import { expect, test } from '@jest/globals';
import {
  defaultKitchen,
  stateOfPlan,
  toKilograms,
  toLitres,
  type MassUnit,
  type VolumeUnit,
} from '@morning-crock/core';
import { startingPlan } from './starting-plan.ts';

const NOW = Date.parse('2026-03-02T06:00:00.000Z');
const kitchen = defaultKitchen('UTC');

test('a first make begins with the kitchen’s own things', () => {
  const plan = startingPlan(kitchen, null, NOW, 'yogurt');
  expect(plan.startAt).toBe('2026-03-02T06:00:00.000Z');
  expect(plan.pot).toEqual(kitchen.pots[0]);
  expect(plan.repeatOf).toBeNull();
});

test('a first make is measured as the kitchen measures, in a round amount of it', () => {
  const plans = (['metric', 'us', 'imperial'] as const).map((measures) =>
    startingPlan({ ...kitchen, units: { temperature: 'F', measures } }, null, NOW, 'yogurt'),
  );
  expect(plans.map(({ milk }) => milk.typed)).toEqual([
    { value: 2, unit: 'L' },
    { value: 2, unit: 'quart-us' },
    { value: 4, unit: 'pint-imp' },
  ]);
  for (const { milk, starter } of plans) {
    expect(milk.litres).toBeCloseTo(toLitres(milk.typed.value, milk.typed.unit as VolumeUnit), 9);
    // The same share of whatever the milk came to.
    expect(starter.massKg! / (milk.litres * 1.03)).toBeCloseTo(0.02, 3);
    expect(toKilograms(starter.typed!.value, starter.typed!.unit as MassUnit)).toBeCloseTo(
      starter.massKg!,
      3,
    );
  }
  expect(plans.map(({ starter }) => starter.typed!.unit)).toEqual(['g', 'oz', 'oz']);
});

test('again: the same milk, dose and wishes, with the kitchen as it is today', () => {
  const earlier = stateOfPlan({
    ...startingPlan(kitchen, null, NOW, 'yogurt'),
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
  const plan = startingPlan(changed, earlier, NOW + 86_400_000, 'yogurt');
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

import { expect, test } from '@jest/globals';
import { grainsAfter } from '../../science/curd/index.ts';
import { grainGain } from './index.ts';
import { DAY_MS } from '../../science/units/index.ts';

const dosed = { dose: { massKg: 0.06, statedRatio: null }, inoculatedAtMs: 0 };

test('until they are weighed only what is usual is known', () => {
  expect(grainGain(dosed, undefined, DAY_MS)).toEqual({
    dosedKg: 0.06,
    days: 1,
    expectedKg: grainsAfter(0.06, 1, 'milk'),
    weighedKg: null,
  });
  // A weighing from before they went in says nothing of this batch.
  expect(grainGain(dosed, { weighings: [[-1, 0.06]] }, DAY_MS)!.weighedKg).toBeNull();
});

test('weighed, they are held against what is usual by then', () => {
  const gain = grainGain(dosed, { weighings: [[2 * DAY_MS, 0.071]] }, 5 * DAY_MS)!;
  expect(gain).toMatchObject({ days: 2, weighedKg: 0.071 });
  expect(gain.expectedKg).toBeCloseTo(0.0687, 4);
});

test('nothing is said before they went in, or where nobody knows how much did', () => {
  expect(grainGain({ ...dosed, inoculatedAtMs: null }, undefined, DAY_MS)).toBeNull();
  expect(grainGain({ ...dosed, dose: { massKg: null, statedRatio: 1 } }, undefined, DAY_MS)).toBeNull();
});

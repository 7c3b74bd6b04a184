import { expect, test } from '@jest/globals';
import { defaultKitchen } from '@morning-crock/core';
import { unitsOf } from '../../data/units-of.ts';
import {
  fatPicture,
  honestPicture,
  inOutPicture,
  NO_WHY,
  seasonPicture,
  thrownPicture,
} from './answer-pictures.ts';

const kitchen = defaultKitchen('UTC');
const metric = unitsOf(kitchen);
const us = unitsOf({ ...kitchen, units: { temperature: 'F', measures: 'us' } });

test('months without a make are drawn as what they are, over the turn of a year', () => {
  const month = (name: string, litres: number) => ({ month: name, litres, kgOut: litres / 2 });
  const picture = inOutPicture([month('2025-11', 8), month('2026-02', 4)], metric);
  expect(picture).toMatchObject({
    labels: ['Nov 25', 'Dec 25', 'Jan 26', 'Feb 26'],
    lines: [
      { name: 'L in', values: [8, 0, 0, 4] },
      { name: 'kg out', values: [4, 0, 0, 2] },
    ],
  });
  expect(inOutPicture([month('2025-11', 8)], metric)).toBeNull();
  // Elsewhere it is poured and weighed in other measures.
  const lines = inOutPicture([month('2025-11', 8), month('2025-12', 4)], us);
  expect(lines).toMatchObject({
    lines: [
      { name: 'quart (US) in', values: [8.5, 4.2] },
      { name: 'lb out', values: [8.8, 4.4] },
    ],
  });
});

test('one thing alone is no picture; groups go by their names; a reason nobody gave is called so', () => {
  expect(honestPicture({ dots: [{ makeId: 'A', x: 4, y: 5 }], within: 1, judged: 1, laterH: 1 })).toBeNull();
  expect(seasonPicture([{ group: 0, middle: 0.9, makes: 2 }])).toBeNull();
  const lost = [{ group: 'barrel', middle: 0.0414, makes: 2 }];
  expect(fatPicture(lost, 'churn')).toMatchObject({ lying: true, bars: [{ label: 'barrel', value: 4.1 }] });
  expect(fatPicture([{ ...lost[0]!, group: 3 }], 'season')).toMatchObject({ bars: [{ label: 'Apr' }] });
  expect(fatPicture([], 'feed')).toBeNull();
  const thrown = Array.from({ length: 12 }, (_, i) => ({
    why: i === 0 ? '' : `reason ${i}`,
    massKg: 1,
    times: 1,
  }));
  const drawn = thrownPicture(thrown, metric);
  expect(drawn).toMatchObject({ y: { name: 'kg' } });
  expect(drawn?.kind === 'bars' && drawn.bars.map(({ label }) => label)).toHaveLength(8);
  expect(drawn?.kind === 'bars' && drawn.bars[0]!.label).toBe(NO_WHY);
});

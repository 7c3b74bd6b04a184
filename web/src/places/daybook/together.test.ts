import { expect, test } from '@jest/globals';
import { together } from './together.ts';

test('facts stand under the same names; what one lacks is a stroke, what both lack is left out', () => {
  expect(
    together(
      [
        ['Pot', 'the can'],
        ['Noted', ''],
        ['Lost', '–'],
      ],
      [
        ['Noted', 'firm'],
        ['Lost', '–'],
        ['Whey caught', '1.20 kg'],
      ],
    ),
  ).toEqual([
    ['Pot', 'the can', '–'],
    ['Noted', '–', 'firm'],
    ['Whey caught', '–', '1.20 kg'],
  ]);
});

test('steps that are called alike are held against each other in their order', () => {
  const twice = (first: string, second: string) => [['Warm', first] as const, ['Warm', second] as const];
  expect(together(twice('20 min', '35 min'), twice('22 min', '30 min'))).toEqual([
    ['Warm', '20 min', '22 min'],
    ['Warm 2', '35 min', '30 min'],
  ]);
});

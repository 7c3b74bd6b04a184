import { expect, test } from '@jest/globals';
import { placeNames, wordPlace } from './word-place.ts';

test.each<[string, Parameters<typeof wordPlace>, number]>([
  ['at the left when nothing is in its way', [[], [10, 110], 40, 50], 10],
  [
    'away from where a line crosses its level',
    [
      [
        [
          [0, 10],
          [100, 90],
        ],
      ],
      [0, 100],
      40,
      10,
    ],
    60,
  ],
  [
    'under a ridge',
    [
      [
        [
          [0, 50],
          [30, 120],
          [70, 120],
          [100, 50],
        ],
      ],
      [0, 100],
      20,
      50,
    ],
    30,
  ],
  [
    'at the left when it is too long for the drawing',
    [
      [
        [
          [0, 0],
          [100, 0],
        ],
      ],
      [0, 100],
      300,
      50,
    ],
    0,
  ],
  [
    'beside a line that ends early',
    [
      [
        [
          [0, 50],
          [40, 50],
        ],
      ],
      [0, 100],
      40,
      50,
    ],
    41.25,
  ],
])('%s', (_, [lines, range, width, level], x) => {
  expect(wordPlace(lines, range, width, level)).toBeCloseTo(x, 9);
});

test('names that would lie upon each other stand one below the other, in any order', () => {
  const at = (name: string, x: number, y: number) => ({ name, x, y });
  expect(placeNames([at('lower', 10, 30), at('upper', 10, 20), at('third', 14, 22)])).toEqual([
    at('lower', 10, 56),
    at('upper', 10, 20),
    at('third', 14, 38),
  ]);
});

test('names side by side stay where their lines end', () => {
  const names = [
    { name: 'in water', x: 30, y: 150 },
    { name: 'uncovered', x: 120, y: 150 },
    { name: 'lid on', x: 330, y: 150 },
  ];
  expect(placeNames(names)).toEqual(names);
});

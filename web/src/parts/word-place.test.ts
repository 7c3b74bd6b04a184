import { expect, test } from '@jest/globals';
import { wordPlace } from './word-place.ts';

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
    45,
  ],
])('%s', (_, [lines, range, width, level], x) => {
  expect(wordPlace(lines, range, width, level)).toBeCloseTo(x, 9);
});

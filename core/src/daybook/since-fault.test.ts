import { expect, it } from '@jest/globals';
import { lineLike } from '../fixtures/lines.ts';
import { sinceFaults } from './index.ts';

const cold = [{ complaint: 'not-set', settled: 'place-cold' }] as const;

it('counts the batches of the product since, and those that had it again', () => {
  const made = [
    lineLike(5, { faults: [...cold] }),
    lineLike(1),
    lineLike(2, { faults: [...cold] }),
    lineLike(3, { product: 'kefir' }),
    lineLike(4),
    lineLike(6),
  ];
  expect(sinceFaults(made)).toEqual([
    expect.objectContaining({
      product: 'yogurt',
      complaint: 'not-set',
      cause: 'place-cold',
      since: 3,
      again: 1,
      makeId: made[2]!.id,
    }),
  ]);
});

it('keeps each complaint for itself, and says where no cause was known', () => {
  const made = [
    lineLike(1, { faults: [{ complaint: 'thin', settled: 'none' }] }),
    lineLike(2, { faults: [...cold] }),
  ];
  expect(
    sinceFaults(made).map(({ complaint, cause, since, again }) => [complaint, cause, since, again]),
  ).toEqual([
    ['not-set', 'place-cold', 0, 0],
    ['thin', null, 1, 0],
  ]);
  expect(sinceFaults([lineLike(1)])).toEqual([]);
});

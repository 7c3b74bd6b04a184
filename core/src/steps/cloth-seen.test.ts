import { expect, test } from '@jest/globals';
import { clothSeen, NOTHING_SEEN, type CurdSeen } from './index.ts';

const weighed = (atMs: number, of: 'whey' | 'curd', massKg: number, step = 'strain') => ({
  step,
  of,
  massKg,
  atMs,
});
const seen = (
  scales: CurdSeen['weighed'],
  ...back: readonly (readonly [atMs: number, massKg: number])[]
): CurdSeen => ({
  ...NOTHING_SEEN,
  weighed: scales,
  returned: back.map(([atMs, massKg]) => ({ step: 'strain', massKg, atMs })),
});

test('bowl and bag say the same whey', () => {
  const { whey, offKg } = clothSeen(seen([weighed(1, 'whey', 0.5), weighed(2, 'curd', 1.3)]), 'strain', 2);
  expect(whey.map(({ wheyKg }) => wheyKg)).toEqual([0.5, expect.closeTo(0.7, 12)]);
  expect(offKg).toBeCloseTo(0.7, 12);
});

test('after whey went back the bowl has less, the bag more; both mean the same that is off', () => {
  const bowl = clothSeen(seen([weighed(1, 'whey', 0.9), weighed(3, 'whey', 0.7)], [2, 0.2]), 'strain', 2);
  const bag = clothSeen(seen([weighed(1, 'whey', 0.9), weighed(3, 'curd', 1.3)], [2, 0.2]), 'strain', 2);
  for (const cloth of [bowl, bag]) {
    expect(cloth.offKg).toBeCloseTo(0.7, 12);
    expect(cloth.returnedKg).toBe(0.2);
    // What is weighed of a curd with whey in it again says nothing of how fast it drained.
    expect(cloth.onCurve).toEqual([{ atMs: 1, wheyKg: 0.9 }]);
  }
  expect(clothSeen(seen([weighed(1, 'whey', 0.9)], [2, 0.2]), 'strain', 2).offKg).toBeCloseTo(0.7, 12);
});

test('another cloth, and one nobody weighed, say nothing here', () => {
  const other = seen([weighed(1, 'whey', 0.9, 'again')]);
  expect(clothSeen(other, 'strain', 2)).toEqual({ whey: [], onCurve: [], returnedKg: 0, offKg: null });
  expect(clothSeen(seen([], [1, 0.2]), 'strain', 2).offKg).toBeNull();
  // A bag heavier than what went in has let nothing go.
  expect(clothSeen(seen([weighed(1, 'curd', 2.1)]), 'strain', 2).offKg).toBe(0);
});

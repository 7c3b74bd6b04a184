import { describe, expect, test } from '@jest/globals';
import type { LarderMovement } from '../../contract/index.ts';
import { carry, putUpLike } from '../../fixtures/goods.ts';
import { createLedger, lotId, ZERO_MS } from '../../fixtures/ledger-kit.ts';
import { larderFault } from './larder-checks.ts';
import { foldLarder } from './larder-register.ts';
import { goodThawHours, toThaw } from './goods-to-thaw.ts';
import { turningFirst } from './turning-first.ts';
import { HOUR_MS } from '../../science/units/index.ts';

const GOODS = lotId('BUTTER');
const wanted = (hour: number | null, massKg = 0.5): Extract<LarderMovement, { kind: 'thaw-for' }> => ({
  kind: 'thaw-for',
  from: { place: 'freezer', size: 0 },
  massKg,
  count: 2,
  typed: null,
  readyAt: hour === null ? null : new Date(ZERO_MS + hour * HOUR_MS).toISOString(),
});
const after = (...moves: readonly (readonly [hour: number, data: LarderMovement])[]) => {
  const ledger = createLedger();
  for (const [hour, data] of [[0, putUpLike()] as const, [1, carry('cold', 'freezer', 1)] as const, ...moves])
    ledger.say(GOODS, hour, { type: 'larder-moved', data });
  return foldLarder(ledger.events);
};
const due = (...moves: readonly (readonly [hour: number, data: LarderMovement])[]) =>
  toThaw([...after(...moves).goods.values()]);

describe('thawed for a day', () => {
  test('frozen goods come out so long before as their largest piece takes', () => {
    const [one] = due([2, wanted(72)]);
    expect(one).toMatchObject({ massKg: 0.5, count: 2, readyMs: ZERO_MS + 72 * HOUR_MS });
    const hours = goodThawHours({ what: 'butter' }, 0.25);
    expect((one!.readyMs - one!.outMs) / HOUR_MS).toBeCloseTo(hours, 9);
    // Ice decides: a piece of butter has little of it, and a large one takes longer than a small one.
    expect(goodThawHours({ what: 'yogurt' }, 0.25)).toBeGreaterThan(3 * hours);
    expect(goodThawHours({ what: 'butter' }, 0.5)).toBeGreaterThan(hours);
  });

  test('what came out is not told any more; what is wanted no more neither; the rest is', () => {
    expect(due([2, wanted(72)], [50, carry('freezer', 'cold', 0.5)])).toEqual([]);
    expect(due([2, wanted(72)], [50, carry('freezer', 'cold', 0.25)])[0]!.massKg).toBeCloseTo(0.25, 9);
    expect(due([2, wanted(72)], [3, wanted(null)])).toEqual([]);
    expect(due([2, wanted(72)], [3, wanted(96, 0.25)])).toMatchObject([{ massKg: 0.25 }]);
    // What lies in the cold is what it was, thawed.
    const { stocks } = after([2, wanted(72)], [50, carry('freezer', 'cold', 0.5)]).goods.get(GOODS)!;
    expect(stocks.map(({ place, thawed, thawFor }) => [place, thawed, thawFor])).toEqual([
      ['freezer', false, null],
      ['cold', true, null],
    ]);
  });

  test('only what is frozen, only what there is, only for later', () => {
    const larder = after();
    const fault = (data: LarderMovement) => larderFault(larder, GOODS, data, ZERO_MS + 5 * HOUR_MS);
    expect(fault(wanted(72))).toBeNull();
    expect(fault(wanted(null))).toBeNull();
    expect(fault({ ...wanted(72), from: { place: 'cold', size: 0 } })).not.toBeNull();
    expect(fault(wanted(4))).toEqual({ path: 'data.readyAt', message: 'is already past' });
    expect(fault(wanted(72, 1.4))?.path).toBe('data.massKg');
  });
});

test('what is frozen stands behind what turns today and tomorrow, however old it is', () => {
  const goods = [...after().goods.values()];
  const years = { of: 'goods', stock: { place: 'freezer' } };
  const nowMs = ZERO_MS + 600 * 24 * HOUR_MS;
  const at = (days: number) => ({
    id: lotId(`CULT${days}`),
    name: `In ${days} days`,
    text: '',
    kind: 'use-within' as const,
    atMs: nowMs + days * 24 * HOUR_MS,
  });
  const things = turningFirst(goods, [], nowMs, [at(3), at(1)]);
  expect(things).toMatchObject([{ due: { name: 'In 1 days' } }, years, { due: { name: 'In 3 days' } }]);
});

test('a culture that loses its strength stands in the list of what turns first, one that only wants a word does not', () => {
  const own = { id: lotId('CULT'), name: 'Hearthside', text: 'Strongest until then.' };
  const at = (hour: number) => ZERO_MS + hour * HOUR_MS;
  const things = turningFirst([...after().goods.values()], [], at(2), [
    { ...own, kind: 'use-within', atMs: at(30) },
    { ...own, kind: 'refresh', atMs: at(1) },
  ]);
  expect(things.map(({ of }) => of)).toEqual(['culture', 'goods']);
});

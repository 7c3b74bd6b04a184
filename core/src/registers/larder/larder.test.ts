import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { larderMovement, type GoodKind, type LarderMovement } from '../../contract/index.ts';
import { carry, putUpLike } from '../../fixtures/goods.ts';
import { createLedger, lotId, ZERO_MS } from '../../fixtures/ledger-kit.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import { beginPlan } from '../../products/index.ts';
import { cameOut } from './came-out.ts';
import { larderFault } from './larder-checks.ts';
import { countPieces, goodKg, massOfPieces } from './count.ts';
import { goodKeepBy } from './keep.ts';
import { GOOD_FACTS, usualKeeping } from './kinds.ts';
import { foldLarder, stockAt } from './larder-register.ts';
import { DAY_MS, HOUR_MS } from '../../science/units/index.ts';

const GOODS = lotId('BUTTER');

const take = (
  massKg: number,
  more: Partial<Extract<LarderMovement, { kind: 'take' }>> = {},
): LarderMovement => ({
  kind: 'take',
  from: { place: 'cold', size: 0 },
  for: 'eaten',
  massKg,
  count: null,
  typed: null,
  price: null,
  into: null,
  note: '',
  ...more,
});
const after = (...moves: readonly (readonly [hour: number, data: LarderMovement])[]) => {
  const ledger = createLedger();
  for (const [hour, data] of moves) ledger.say(GOODS, hour, { type: 'larder-moved', data });
  return foldLarder(ledger.events);
};

describe('goods in the larder', () => {
  test('balances are sums: what was put up less what left', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('eaten', 'sold', 'carry'), fc.integer({ min: 1, max: 40 })), {
          maxLength: 12,
        }),
        (steps) => {
          const moves: [number, LarderMovement][] = [[0, putUpLike({}, 8, 0.25)]];
          let cold = 2;
          let frozen = 0;
          for (const [i, [kind, hundredths]] of steps.entries()) {
            const kg = Math.min(cold, hundredths / 100);
            if (kg <= 0.002) continue;
            moves.push([i + 1, kind === 'carry' ? carry('cold', 'freezer', kg) : take(kg, { for: kind })]);
            cold -= kg;
            if (kind === 'carry') frozen += kg;
          }
          const { goods, lines } = after(...moves);
          const good = goods.get(GOODS)!;
          expect(Math.abs(goodKg(good) - cold - frozen)).toBeLessThan(0.003);
          const left = lines.filter(({ kind }) => kind === 'eaten' || kind === 'sold');
          const sum = left.reduce((kg, { massKg }) => kg + massKg, goodKg(good));
          expect(Math.abs(sum - 2)).toBeLessThan(0.003);
        },
      ),
    );
  });

  test('pieces are counted from what they weigh, with one that was opened', () => {
    const good = after([0, putUpLike()]).goods.get(GOODS)!;
    const stock = good.stocks[0]!;
    expect(countPieces(good, stock)).toEqual({ whole: 4, openKg: 0 });
    const opened = countPieces(good, { ...stock, massKg: 0.6 });
    expect(opened.whole).toBe(2);
    expect(opened.openKg).toBeCloseTo(0.1, 6);
    // A scale that says a little less still means four.
    expect(countPieces(good, { ...stock, massKg: 0.996 })).toEqual({ whole: 4, openKg: 0 });
    expect(massOfPieces(good, { ...stock, massKg: 0.996 }, 4)).toBeCloseTo(0.996, 6);
    expect(massOfPieces(good, stock, 3)).toBeCloseTo(0.75, 6);
  });

  test('in the freezer goods live slowly, and thawed they have days left', () => {
    const { goods } = after([0, putUpLike()], [48, carry('cold', 'freezer', 0.5)]);
    const good = goods.get(GOODS)!;
    const cold = goodKeepBy(good, stockAt(good, 'cold', 0)!);
    expect((cold.fromMs - ZERO_MS) / DAY_MS).toBeCloseTo(10, 6);
    expect((cold.toMs - ZERO_MS) / DAY_MS).toBeCloseTo(20, 6);
    const frozen = goodKeepBy(good, stockAt(good, 'freezer', 0)!);
    // Two of its ten days are gone: eight tenths of 180 are left.
    expect((frozen.fromMs - ZERO_MS) / DAY_MS).toBeCloseTo(2 + 0.8 * 180, 6);
    const thawedAt = 30 * 24;
    const { goods: later } = after(
      [0, putUpLike()],
      [48, carry('cold', 'freezer', 1)],
      [thawedAt, carry('freezer', 'cold', 0.5)],
    );
    const thawed = goodKeepBy(later.get(GOODS)!, stockAt(later.get(GOODS)!, 'cold', 0)!);
    expect((thawed.fromMs - ZERO_MS - thawedAt * HOUR_MS) / DAY_MS).toBeCloseTo(2, 6);
    expect((thawed.toMs - ZERO_MS - thawedAt * HOUR_MS) / DAY_MS).toBeCloseTo(5, 6);
    expect(thawed.reason).toContain('thawed');
  });

  test('where nobody said how long it keeps it keeps a day at most; every kind says it for the cold', () => {
    const good = after([0, { ...putUpLike(), place: 'stall' } as LarderMovement]).goods.get(GOODS)!;
    const by = goodKeepBy(good, good.stocks[0]!);
    expect((by.toMs - ZERO_MS) / DAY_MS).toBeCloseTo(1, 6);
    for (const what of Object.keys(GOOD_FACTS) as (keyof typeof GOOD_FACTS)[]) {
      const keeps = usualKeeping(what);
      expect(larderMovement.safeParse(putUpLike({ what, keeps })).success).toBe(true);
      for (const { days } of keeps) expect(days[0]).toBeLessThanOrEqual(days[1]);
      expect(keeps.map(({ place }) => place)).toContain('cold');
    }
  });

  test('recounted, what is there is what was counted', () => {
    const counted: LarderMovement = {
      kind: 'recount',
      at: { place: 'cold', size: 0 },
      massKg: 0.7,
      count: null,
      typed: null,
    };
    expect(goodKg(after([0, putUpLike()], [5, counted]).goods.get(GOODS)!)).toBeCloseTo(0.7, 6);
    expect(goodKg(after([0, putUpLike()], [4, take(1)], [5, counted]).goods.get(GOODS)!)).toBeCloseTo(0.7, 6);
  });
});

describe('what cannot have been', () => {
  const larder = after(
    [0, putUpLike()],
    [1, carry('cold', 'freezer', 0.25)],
    [2, carry('freezer', 'cold', 0.25)],
  );
  const at = (hour: number): number => ZERO_MS + hour * HOUR_MS;
  test.each<[string, LarderMovement, string, RegExp]>([
    ['more eaten than there is', take(1.2), 'data.massKg', /more than there is in stock \(1.00 kg/],
    [
      'from where nothing stands',
      take(0.1, { from: { place: 'cellar', size: 0 } }),
      'data.massKg',
      /more than there is/,
    ],
    [
      'a size it has not',
      take(0.1, { from: { place: 'cold', size: 3 } }),
      'data.from.size',
      /no pieces of that size/,
    ],
    ['carried where it stands', carry('cold', 'cold', 0.25), 'data.to', /where it already is/],
    ['frozen again', carry('cold', 'freezer', 0.25), 'data.to', /frozen once/],
  ])('%s', (_what, data, path, message) => {
    const fault = larderFault(larder, GOODS, data, at(3));
    expect(fault?.path).toBe(path);
    expect(fault?.message).toMatch(message);
  });

  test('before it was put up, twice, or under a code that is taken', () => {
    expect(larderFault(larder, GOODS, take(0.1), at(-1))?.path).toBe('at');
    expect(larderFault(larder, GOODS, putUpLike(), at(3))?.path).toBe('streamId');
    expect(larderFault(larder, lotId('OTHER'), putUpLike(), at(3))).toEqual({
      path: 'data.good.code',
      message: 'is already on Butter of the week',
    });
    expect(larderFault(larder, lotId('NONE'), take(0.1), at(3))?.path).toBe('streamId');
  });

  test('more put up than a make gave, all lots of it together', () => {
    const makeId = lotId('MAKE');
    const ledger = createLedger();
    ledger.say(makeId, 0, { type: 'weighed', data: { massKg: 1, typed: { value: 1, unit: 'kg' } } });
    const one = foldLarder(ledger.events);
    expect(larderFault(one, GOODS, putUpLike({ makeId }), at(1))).toBeNull();
    expect(larderFault(one, GOODS, putUpLike({ makeId }, 5), at(1))?.message).toMatch(
      /1.25 kg is more than the batch gave: 1.00 kg was weighed$/,
    );
    ledger.say(GOODS, 1, { type: 'larder-moved', data: putUpLike({ makeId }, 3) });
    const two = foldLarder(ledger.events);
    expect(larderFault(two, lotId('MORE'), putUpLike({ makeId, code: 'AAAAAA' }, 2), at(2))?.message).toMatch(
      /and 750 g of it is in the larder already/,
    );
    // What comes out besides is another thing.
    expect(
      larderFault(
        two,
        lotId('MORE'),
        putUpLike({ makeId, code: 'AAAAAA', what: 'sweet-buttermilk' }, 2),
        at(2),
      ),
    ).toBeNull();
  });

  test('two tablets that put up the same jars say it twice: by-products and what nobody weighed too', () => {
    const makeId = lotId('MAKE');
    const ledger = createLedger();
    const usual = beginPlan('butter', defaultKitchen('UTC'), new Date(ZERO_MS).toISOString(), 4);
    ledger.say(makeId, 0, { type: 'make-started', data: { plan: usual } });
    const wants = (what: GoodKind, kg: number, code = 'AAAAAA') =>
      larderFault(foldLarder(ledger.events), lotId(code), putUpLike({ makeId, what, code }, 1, kg), at(2));
    const about = cameOut(foldLarder(ledger.events).makes.get(makeId)!, 'butter')!;
    expect([about.weighed, about.massKg]).toEqual([false, expect.closeTo(1.5, 0)]);
    expect(wants('butter', about.massKg)).toBeNull();
    ledger.say(GOODS, 1, { type: 'larder-moved', data: putUpLike({ makeId }, 1, about.massKg) });
    expect(wants('butter', about.massKg)?.message).toMatch(/can have given: about .* Weigh it first$/);
    // Weighed, the scale decides.
    ledger.say(makeId, 1.5, {
      type: 'weighed',
      data: { massKg: 2 * about.massKg, typed: { value: 1, unit: 'kg' } },
    });
    expect(wants('butter', about.massKg)).toBeNull();
    ledger.say(makeId, 1.6, {
      type: 'weighed',
      data: { massKg: 1.5, typed: { value: 1.5, unit: 'kg' }, of: 'buttermilk' },
    });
    expect(wants('cultured-buttermilk', 1.5)).toBeNull();
    ledger.say(lotId('JAR'), 1.7, {
      type: 'larder-moved',
      data: putUpLike({ makeId, what: 'cultured-buttermilk', code: 'BBBBBB' }, 1, 1.5),
    });
    expect(wants('cultured-buttermilk', 0.2)?.path).toBe('data.pieces');
    // Nothing comes out that did not go in.
    expect(wants('ghee-solids', 5)?.path).toBe('data.pieces');
  });
});

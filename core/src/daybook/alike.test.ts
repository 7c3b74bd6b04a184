import { describe, expect, test } from '@jest/globals';
import * as fc from 'fast-check';
import { lineLike } from '../fixtures/index.ts';
import { alikeBut } from './alike.ts';

const thin = lineLike(20, { ways: ['touched'], texture: 'thin' });

describe('a batch that differed in one thing', () => {
  test('is the latest that came out well; a way against another is one thing', () => {
    const held = lineLike(12, { ways: ['held-hot'] });
    const older = lineLike(10, { ways: ['held-hot'] });
    expect(alikeBut(thin, [thin, held, older])).toEqual({
      make: held,
      unlike: 'way',
      here: 'only brought to temperature',
      there: 'held hot',
    });
    expect(alikeBut(lineLike(20), [held])).toMatchObject({ here: '', there: 'held hot' });
  });

  test('is none where two things differ, nothing does, or it did not come out well', () => {
    expect(alikeBut(thin, [thin, lineLike(12, { ways: ['held-hot'], milk: 'Goat' })])).toBeNull();
    expect(alikeBut(thin, [lineLike(12, { ways: ['held-hot', 'oven'] })])).toBeNull();
    expect(alikeBut(thin, [lineLike(12, { ways: ['touched'] })])).toBeNull();
    expect(alikeBut(thin, [lineLike(12, { product: 'kefir', ways: ['touched'] })])).toBeNull();
    const held = { ways: ['held-hot' as const] };
    expect(alikeBut(thin, [lineLike(12, { ...held, status: 'discarded' })])).toBeNull();
    expect(alikeBut(thin, [lineLike(12, { ...held, doNotEat: true })])).toBeNull();
    expect(
      alikeBut(thin, [lineLike(12, { ...held, faults: [{ complaint: 'thin', settled: 'unheated' }] })]),
    ).toBeNull();
  });

  test('amounts count from a third more on; what one of them does not tell is alike', () => {
    expect(alikeBut(lineLike(20), [lineLike(12, { litres: 5 })])).toBeNull();
    expect(alikeBut(lineLike(20), [lineLike(12, { litres: 6 })])).toMatchObject({
      unlike: 'amount',
      here: '4',
      there: '6',
    });
    expect(alikeBut(lineLike(20, { feed: 'hay' }), [lineLike(12, { pot: 'the little pan' })])).toMatchObject({
      unlike: 'pot',
    });
    expect(
      alikeBut(lineLike(20, { place: 'Cupboard' }), [lineLike(12, { place: 'Oven, lamp on' })]),
    ).toMatchObject({ unlike: 'place', here: 'Cupboard', there: 'Oven, lamp on' });
    // Another method has its own ways: that is one thing.
    expect(alikeBut(thin, [lineLike(12, { methodId: 'towels', ways: ['towels'] })])).toMatchObject({
      unlike: 'method',
      here: 'yogurt',
      there: 'towels',
    });
  });

  test('is found from either side, and tells the same of both', () => {
    const any = fc.record({
      milk: fc.constantFrom('Cow', 'Goat'),
      pot: fc.constantFrom('one', 'two'),
      litres: fc.constantFrom(2, 4),
      ways: fc.subarray(['held-hot', 'oven'] as const),
    });
    fc.assert(
      fc.property(any, any, (a, b) => {
        const [first, second] = [lineLike(1, a), lineLike(2, b)];
        const [there, back] = [alikeBut(first, [second]), alikeBut(second, [first])];
        expect(back === null).toBe(there === null);
        if (!there || !back) return;
        expect([back.unlike, back.here, back.there]).toEqual([there.unlike, there.there, there.here]);
      }),
    );
  });
});

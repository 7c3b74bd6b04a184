import { describe, expect, it } from '@jest/globals';
import { createRandom } from '../science/numerics/index.ts';
import { lineLike } from '../fixtures/lines.ts';
import { argumentsOf, compared } from './index.ts';

describe('two sides held against each other', () => {
  it('says which is more when they are far apart, and nothing of two batches', () => {
    expect(compared([4.1, 4.3, 4.2], [5, 5.2, 5.1], 0.5, 1)).toMatchObject({
      verdict: 'second-more',
      moreOfEach: 0,
    });
    expect(compared([5, 5.2, 5.1], [4.1, 4.3, 4.2], 0.5, 1).verdict).toBe('first-more');
    expect(compared([4.1, 4.3], [5, 5.2, 5.1], 0.5, 1)).toMatchObject({ verdict: 'too-few', moreOfEach: 1 });
  });

  it('says that there is no difference only when one that matters would have been seen', () => {
    const alike = Array.from({ length: 30 }, (_, i) => 4 + 0.01 * (i % 7));
    expect(compared(alike, [...alike].reverse(), 0.5, 1).verdict).toBe('no-difference');
    expect(compared([3, 5, 7], [3.2, 5.1, 7.3], 0.5, 1)).toMatchObject({ verdict: 'too-few' });
    expect(compared([3, 5, 7], [3.2, 5.1, 7.3], 0.5, 1).moreOfEach).toBeGreaterThan(3);
  });

  it('finds a difference where there is none about as seldom as it says', () => {
    const random = createRandom(9);
    let found = 0;
    for (let n = 0; n < 300; n++) {
      const side = (): number[] => Array.from({ length: 8 }, () => 5 + random.normal());
      const { verdict } = compared(side(), side(), 0.5, n);
      if (verdict === 'first-more' || verdict === 'second-more') found++;
    }
    // One in ten by its interval; resampling a few batches makes it a little narrower.
    expect(found / 300).toBeLessThan(0.2);
  });

  it('turns round when its sides do', () => {
    const random = createRandom(4);
    for (let n = 0; n < 40; n++) {
      const a = Array.from({ length: 6 }, () => 5 + random.normal());
      const b = Array.from({ length: 6 }, () => 6 + random.normal());
      const [low, high] = compared(a, b, 0.5, n).between;
      expect(low).toBeLessThanOrEqual(high);
      expect(compared(a, b, 0.5, n).middles).toEqual([...compared(b, a, 0.5, n).middles].reverse());
    }
  });
});

describe('the arguments of a kitchen', () => {
  let n = 0;
  const yogurt = (methodId: string, seenSetH: number, more: Parameters<typeof lineLike>[1] = {}) =>
    lineLike(++n, { methodId, method: methodId, seenSetH, turn: 1, ...more });

  it('are the ways that were both made, told by what was seen', () => {
    const made = [
      ...[4, 4.1, 4.2].map((h) => yogurt('hot', h)),
      ...[5, 5.1, 5.2].map((h) => yogurt('touched', h)),
    ];
    const [hours] = argumentsOf(made).filter(({ by }) => by === 'hours');
    expect(hours).toMatchObject({
      differs: 'method',
      sides: ['hot', 'touched'],
      methodIds: ['hot', 'touched'],
      batches: [3, 3],
      verdict: 'second-more',
    });
    expect(argumentsOf(made.slice(0, 3))).toEqual([]);
  });

  it('are also ways of going about it, whatever method it was by; a way of which nothing is said takes no side', () => {
    const made = [
      ...[4, 4.1, 4.2].map((h) => yogurt('one', h, { ways: ['held-hot', 'towels'] })),
      ...[5, 5.1, 5.2].map((h) => yogurt('one', h, { ways: ['touched'] })),
      yogurt('one', 9),
    ];
    const found = argumentsOf(made).filter(({ differs, by }) => differs === 'way' && by === 'hours');
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject({
      sides: ['only brought to temperature', 'held hot'],
      methodIds: null,
      batches: [3, 3],
      verdict: 'first-more',
    });
  });

  it('hold what was not scalded against what was', () => {
    const made = [1, 2, 3].flatMap((n) => [yogurt('one', n, { ways: ['scalded'] }), yogurt('one', n + 4)]);
    const [hours] = argumentsOf(made).filter(({ differs, by }) => differs === 'way' && by === 'hours');
    expect(hours).toMatchObject({ sides: ['scalded', 'not scalded'], verdict: 'second-more' });
  });

  it('leave out what was thrown away', () => {
    const made = [yogurt('hot', 4), yogurt('touched', 9, { status: 'discarded' })];
    expect(argumentsOf(made)).toEqual([]);
  });
});

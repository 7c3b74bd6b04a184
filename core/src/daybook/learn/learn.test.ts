import { describe, expect, test } from '@jest/globals';
import { LANTERN_FOLD } from '../../demo/index.ts';
import { createRandom, updateBelief } from '../../science/numerics/index.ts';
import type { MakeState } from '../../make/index.ts';
import { afterMakes, playedStates } from './fixtures/synthetic-kitchen.ts';
import { factorsFor, factorWords, learnFactors, withFactors } from './index.ts';

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
const BOOK = { lnRate: 0, placeOffC: 0, lnBurner: 0, lnLoss: 0, batchSigma: 0 };

describe('one belief', () => {
  test('a make moves it by the normal–normal rule', () => {
    const { mean, sigma } = updateBelief({ mean: 0, sigma: 0.15 }, 0.2, 0.12);
    const weight = 0.15 ** 2 / (0.15 ** 2 + 0.12 ** 2);
    expect(mean).toBeCloseTo(weight * 0.2, 10);
    expect(sigma).toBeCloseTo(Math.sqrt(1 / (1 / 0.15 ** 2 + 1 / 0.12 ** 2)), 10);
  });

  test('a make far off counts less the further off it is', () => {
    const near = updateBelief({ mean: 0, sigma: 1.5 }, -3, 0.5).mean;
    const far = updateBelief({ mean: 0, sigma: 1.5 }, -19, 0.5).mean;
    expect(near).toBeLessThan(-2.5);
    expect(far).toBeGreaterThan(-10);
    expect(updateBelief({ mean: 0, sigma: 0.3 }, -19, 0.5).mean).toBeGreaterThan(-0.3);
  });
});

describe('a kitchen that differs from the book', () => {
  const hidden = { lnRate: 0.14, placeOffC: -1.4, lnBurner: -0.15, lnLoss: 0.12, batchSigma: 0.03 };
  const states: readonly MakeState[] = playedStates(hidden, 6, createRandom(3));
  const factors = learnFactors(states, LANTERN_FOLD);
  const of = (kind: string) => factors.find((f) => f.kind === kind)!;

  test('its hidden factors are found, with what is left unknown', () => {
    expect(of('rate').mean).toBeGreaterThan(0.07);
    expect(of('rate').mean).toBeLessThan(0.2);
    expect(of('place-heat').mean).toBeCloseTo(-1.4, 0);
    expect(of('burner').mean).toBeCloseTo(-0.15, 1);
    expect(of('cooling').mean).toBeCloseTo(0.12, 1);
    for (const f of factors) {
      expect(f.makes).toBe(6);
      expect(f.history).toHaveLength(6);
      expect(f.history.at(-1)!.mean).toBe(f.mean);
      expect(f.sigma).toBeLessThan(f.history[0]!.meanSigma);
    }
  });

  test('they are said in words', () => {
    expect(factorWords(of('rate'), 'C')).toMatch(/^\d+ % faster than usual \(6 batches, ± \d+ %\)$/);
    expect(factorWords(of('place-heat'), 'F')).toMatch(
      /^\d\.\d °F cooler than entered \(6 batches, ± \d\.\d °F\)$/,
    );
    expect(factorWords(of('burner'), 'C')).toContain('weaker than entered');
  });

  test('forgetting one thing forgets that one alone, and only what was before', () => {
    const { thing } = of('place-heat');
    const lastMs = Date.parse(of('place-heat').history.at(-1)!.at);
    const all = learnFactors(states, LANTERN_FOLD, [{ kind: 'place-heat', thing, atMs: lastMs }]);
    expect(all.find((f) => f.kind === 'place-heat')).toBeUndefined();
    expect(all.find((f) => f.kind === 'burner')!.makes).toBe(6);
    const some = learnFactors(states, LANTERN_FOLD, [{ kind: 'place-heat', thing, atMs: lastMs - 1 }]);
    expect(some.find((f) => f.kind === 'place-heat')!.makes).toBe(1);
  });

  test('what was typed stays; a later typed value is what the factor is told against', () => {
    const { plan } = states[0]!;
    const next = withFactors(plan, factors);
    expect({ ...next, factors: undefined }).toEqual({ ...plan, factors: undefined });
    expect(next.factors?.placeHeat?.value).toBe(of('place-heat').mean);
    const told = {
      ...LANTERN_FOLD,
      places: LANTERN_FOLD.places.map((p) => (p.id === plan.place.id ? { ...p, biasC: -1.4 } : p)),
    };
    const against = learnFactors(states, told).find((f) => f.kind === 'place-heat')!;
    expect(Math.abs(against.mean)).toBeLessThan(0.4);
  });

  test('a factor of another place does not reach a plan', () => {
    const { plan } = states[0]!;
    const elsewhere = { ...plan, place: LANTERN_FOLD.places[2]! };
    expect(factorsFor(elsewhere, factors).placeHeat).toBeUndefined();
    expect(factorsFor(elsewhere, factors).burner).toBeDefined();
  });
});

describe('after eight makes', () => {
  test('the next set time is missed by at most half of what the book misses', () => {
    const random = createRandom(11);
    // Judged against the kitchen's middle: what one make differs from it by chance nobody can know before.
    const runs = Array.from({ length: 25 }, () =>
      afterMakes(
        {
          lnRate: 0.15 * random.normal(),
          placeOffC: 1.5 * random.normal(),
          lnBurner: 0.3 * random.normal(),
          lnLoss: 0.25 * random.normal(),
          batchSigma: 0.1,
        },
        8,
        random,
        0,
      ),
    );
    expect(median(runs.map((r) => r.ownErrorH))).toBeLessThanOrEqual(
      0.5 * median(runs.map((r) => r.bookErrorH)),
    );
  });

  test('a kitchen that is exactly the book stays with it', () => {
    const random = createRandom(5);
    const shifts = Array.from({ length: 7 }, () => {
      const { bookH, ownH } = afterMakes(BOOK, 8, random);
      return Math.abs(ownH / bookH - 1);
    });
    expect(median(shifts)).toBeLessThan(0.02);
    expect(Math.max(...shifts)).toBeLessThan(0.04);
  });
});

test('nothing is learned from nothing', () => {
  expect(learnFactors([], LANTERN_FOLD)).toEqual([]);
});

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  bisect,
  cholesky,
  createPchip,
  createRandom,
  effectiveSize,
  hashSeed,
  interpolateLinear,
  invertSymmetric,
  leastSquares,
  weightedQuantiles,
} from './index.ts';

describe('random', () => {
  test('the same seed gives the same numbers, another seed others', () => {
    const draw = (seed: number): number[] => {
      const random = createRandom(seed);
      return Array.from({ length: 5 }, () => random.uniform());
    };
    expect(draw(7)).toEqual(draw(7));
    expect(draw(7)).not.toEqual(draw(8));
    expect(hashSeed('a')).not.toBe(hashSeed('b'));
  });

  test('normals have mean 0 and variance 1', () => {
    const random = createRandom(1);
    const values = Array.from({ length: 20_000 }, () => random.normal());
    const mean = values.reduce((a, b) => a + b, 0) / values.length;
    const variance = values.reduce((a, b) => a + (b - mean) ** 2, 0) / values.length;
    expect(Math.abs(mean)).toBeLessThan(0.03);
    expect(Math.abs(variance - 1)).toBeLessThan(0.03);
  });
});

describe('interpolation', () => {
  test('linear holds its ends and meets its points', () => {
    const xs = [0, 2, 5];
    const ys = [1, 3, 0];
    expect([-1, 0, 1, 2, 3.5, 5, 9].map((x) => interpolateLinear(xs, ys, x))).toEqual([
      1, 1, 2, 3, 1.5, 0, 0,
    ]);
    expect(() => interpolateLinear([], [], 1)).toThrow(RangeError);
  });

  test('a monotone cubic never overshoots falling data', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.01, max: 10, noNaN: true }), { minLength: 3, maxLength: 8 }),
        (drops) => {
          const xs = drops.map((_, i) => i * 1.5);
          let level = 100;
          const ys = drops.map((drop) => (level -= drop));
          const f = createPchip(xs, ys);
          let before = Number.POSITIVE_INFINITY;
          for (let x = 0; x <= xs.at(-1)!; x += 0.05) {
            const y = f(x);
            expect(y).toBeLessThanOrEqual(before + 1e-9);
            before = y;
          }
          for (const [i, x] of xs.entries()) expect(f(x)).toBeCloseTo(ys[i]!, 9);
        },
      ),
    );
  });
});

describe('roots and matrices', () => {
  test('bisection finds a root and says when there is none', () => {
    expect(bisect((x) => x * x - 2, 0, 2).x).toBeCloseTo(Math.SQRT2, 8);
    expect(bisect((x) => x * x + 1, 0, 2).outcome).toBe('not-bracketed');
  });

  test('a symmetric inverse times its matrix is one', () => {
    const a = [
      [4, 1, 0.5],
      [1, 3, 0.2],
      [0.5, 0.2, 2],
    ];
    const inverse = invertSymmetric(a);
    for (const [i, row] of a.entries()) {
      for (let j = 0; j < 3; j++) {
        const sum = row.reduce((s, value, k) => s + value * inverse[k]![j]!, 0);
        expect(sum).toBeCloseTo(i === j ? 1 : 0, 10);
      }
    }
    expect(() =>
      cholesky([
        [1, 2],
        [2, 1],
      ]),
    ).toThrow(RangeError);
  });
});

describe('least squares', () => {
  const observe = (x: number): number => 3 * Math.exp(-0.4 * x);

  test('finds the parameters of exact data', () => {
    const xs = [0, 1, 2, 4, 8];
    const fit = leastSquares(([a = 0, k = 0]) => xs.map((x) => a * Math.exp(-k * x) - observe(x)), [1, 0.1], {
      priors: [
        { mean: 0, sigma: Infinity },
        { mean: 0, sigma: Infinity },
      ],
      steps: [1e-5, 1e-5],
    });
    expect(fit.outcome).toBe('converged');
    expect(fit.parameters[0]).toBeCloseTo(3, 4);
    expect(fit.parameters[1]).toBeCloseTo(0.4, 4);
  });

  test('a prior alone gives itself back; one observation meets it half-way when as sure', () => {
    const fit = leastSquares(([a = 0]) => [(a - 2) / 1], [0], {
      priors: [{ mean: 0, sigma: 1 }],
      steps: [1e-4],
    });
    expect(fit.parameters[0]).toBeCloseTo(1, 6);
    expect(fit.covariance[0]![0]).toBeCloseTo(0.5, 6);
  });

  test('says when the data cannot decide', () => {
    const free = { mean: 0, sigma: Infinity };
    const fit = leastSquares(([a = 0, b = 0]) => [a + b - 1], [0, 0], {
      priors: [free, free],
      steps: [1e-4, 1e-4],
    });
    expect(fit.outcome).toBe('singular');
  });
});

describe('weighted quantiles', () => {
  test('equal weights give the middle; weight moves it; infinity sorts last', () => {
    expect(weightedQuantiles([3, 1, 2], null, [0.5])).toEqual([2]);
    expect(weightedQuantiles([1, 2, 3], [0, 0, 1], [0.5])).toEqual([3]);
    expect(weightedQuantiles([1, 2, Infinity], null, [0.1, 0.9])).toEqual([1, Infinity]);
  });

  test('an order kept from the last time changes nothing, near it or far from it', () => {
    const random = createRandom(3);
    const order = Uint32Array.from({ length: 300 }, (_, i) => i);
    const weights = Float64Array.from({ length: 300 }, () => random.uniform());
    const values = Float64Array.from({ length: 300 }, () => Math.round(random.uniform() * 40));
    for (let turn = 0; turn < 40; turn++) {
      const far = turn % 8 === 0;
      for (let i = 0; i < 300; i++) values[i] = far ? random.uniform() : values[i]! + 0.01 * random.normal();
      expect(weightedQuantiles(values, weights, [0.1, 0.5, 0.9], order)).toEqual(
        weightedQuantiles(values, weights, [0.1, 0.5, 0.9]),
      );
    }
  });

  test('effective size is the count when equal and one when all weight is on one', () => {
    expect(effectiveSize([1, 1, 1, 1])).toBe(4);
    expect(effectiveSize([0, 5, 0])).toBe(1);
  });
});

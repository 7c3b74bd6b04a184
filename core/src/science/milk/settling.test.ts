import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  creamingOf,
  factorOfHeight,
  keepBy,
  ladle,
  layerFatFraction,
  MILK_FACTS,
  MILK_KINDS,
  risenShare,
  settle,
  TREATMENTS,
} from './index.ts';
import { HOUR_MS } from '../units/index.ts';

const cow = MILK_FACTS['cow-lean'].composition;

describe('settling', () => {
  test('closed forms: a time constant raises 63 % of what can rise, the layer packs towards 34 %', () => {
    const raw = creamingOf('cow-lean', 'raw', false);
    expect(risenShare(raw, 7.5)).toBeCloseTo(0.88 * (1 - Math.exp(-1)), 12);
    expect(risenShare(raw, 1e4)).toBeCloseTo(0.88, 6);
    expect(layerFatFraction(0)).toBe(0.18);
    expect(layerFatFraction(30)).toBeCloseTo(0.18 + 0.16 * (1 - Math.exp(-1)), 12);
  });

  test('homogenised and ultra-heated milk never creams; goat hardly; ewe slower than cow', () => {
    const after = (kind: 'cow-lean' | 'goat' | 'ewe', hours: number): number =>
      risenShare(creamingOf(kind, 'raw', false), hours);
    expect(risenShare(creamingOf('cow-lean', 'raw', true), 48)).toBe(0);
    expect(risenShare(creamingOf('cow-lean', 'ultra-heated', false), 48)).toBe(0);
    expect(after('goat', 24)).toBeLessThan(after('ewe', 24));
    expect(after('ewe', 24)).toBeLessThan(after('cow-lean', 24));
    expect(risenShare(creamingOf('zebu', 'raw', false), 9)).toBe(after('cow-lean', 9));
  });

  test('mass and fat of layer and milk are those of the whole, however deep the ladle', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...MILK_KINDS),
        fc.constantFrom(...TREATMENTS),
        fc.double({ min: 0.2, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 96, noNaN: true }),
        fc.double({ min: 0.1, max: 2, noNaN: true }),
        fc.double({ min: 0.1, max: 4, noNaN: true }),
        (kind, treatment, massKg, hours, depth, factor) => {
          const { composition } = MILK_FACTS[kind];
          const layers = settle({
            composition,
            massKg,
            creaming: creamingOf(kind, treatment, false),
            hours,
            factor,
          });
          const fatKg = massKg * composition.fatFraction;
          expect(layers.creamKg + layers.milkKg).toBeCloseTo(massKg, 9);
          expect(
            layers.creamKg * layers.creamFatFraction + layers.milkKg * layers.milkFatFraction,
          ).toBeCloseTo(fatKg, 9);
          expect(layers.creamHeight).toBeGreaterThanOrEqual(0);
          expect(layers.creamHeight).toBeLessThanOrEqual(1);
          const lifted = ladle(layers, depth);
          expect(lifted.massKg * lifted.fatFraction).toBeLessThanOrEqual(fatKg + 1e-9);
          expect(lifted.massKg).toBeLessThanOrEqual(massKg + 1e-9);
        },
      ),
    );
  });

  test('a shallow ladle takes less and richer, a deep one more and thinner', () => {
    const layers = settle({
      composition: cow,
      massKg: 8,
      creaming: creamingOf('cow-lean', 'raw', false),
      hours: 18,
    });
    const [some, all, deep] = [0.6, 1, 1.5].map((depth) => ladle(layers, depth));
    expect(some!.massKg).toBeLessThan(all!.massKg);
    expect(some!.fatFraction).toBeGreaterThan(all!.fatFraction);
    expect(deep!.massKg).toBeGreaterThan(all!.massKg);
    expect(deep!.fatFraction).toBeLessThan(all!.fatFraction);
    expect(all).toEqual({ massKg: layers.creamKg, fatFraction: layers.creamFatFraction });
  });

  test('a measured cream line is found again', () => {
    const jar = { composition: cow, massKg: 8, creaming: creamingOf('cow-lean', 'raw', false), hours: 14 };
    const factor = factorOfHeight(jar, 0.8 * settle(jar).creamHeight)!;
    expect(factor).toBeCloseTo(0.8, 6);
    expect(settle({ ...jar, factor }).creamHeight).toBeCloseTo(0.8 * settle(jar).creamHeight, 3);
    expect(factorOfHeight({ ...jar, hours: 0 }, 0.1)).toBeNull();
  });
});

describe('keeping', () => {
  const raw = { treatment: 'raw', soured: false, thawed: false } as const;
  const hours = (keep: { fromMs: number; toMs: number }): number[] =>
    [keep.fromMs, keep.toMs].map((ms) => Math.round((ms / HOUR_MS) * 1e6) / 1e6);

  test('raw milk in the cold: two to four days from when it came in', () => {
    expect(hours(keepBy({ ...raw, spells: [{ fromMs: 0, celsius: 4 }] }, 10 * HOUR_MS))).toEqual([48, 96]);
  });

  test('each four kelvins more halve what is left of unacidified milk, and it is said', () => {
    const warm = keepBy({ ...raw, spells: [{ fromMs: 0, celsius: 9 }] }, 0);
    expect(hours(warm)).toEqual([24, 48]);
    expect(warm.reason).toMatch(/kept too warm/);
    const later = keepBy({ ...raw, spells: [{ fromMs: 0, celsius: 9 }] }, 3 * HOUR_MS);
    expect(later).toMatchObject({ warmH: 3, stoodWarm: true });
    // The hours in the warm count double, those in the cold after them count once.
    const mixed = keepBy(
      {
        ...raw,
        spells: [
          { fromMs: 0, celsius: 9 },
          { fromMs: 6 * HOUR_MS, celsius: 4 },
        ],
      },
      6 * HOUR_MS,
    );
    expect(hours(mixed)).toEqual([42, 90]);
  });

  test('freezing holds it, thawing leaves a day or two, acid keeps it', () => {
    const frozen = keepBy({ ...raw, spells: [{ fromMs: 0, celsius: -18 }] }, 0);
    expect(frozen.fromMs / HOUR_MS / 24).toBeCloseTo(60, 6);
    expect(hours(keepBy({ ...raw, thawed: true, spells: [{ fromMs: 0, celsius: 4 }] }, 0))).toEqual([24, 48]);
    expect(hours(keepBy({ ...raw, soured: true, spells: [{ fromMs: 0, celsius: 4 }] }, 0))).toEqual([
      240, 336,
    ]);
  });
});

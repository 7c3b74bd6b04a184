import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { plasmaSnfPercent } from './composition.ts';
import {
  MILK_FACTS,
  mixMilks,
  POWDER_FACTS,
  powderForProteinKg,
  standardise,
  type Composition,
} from './index.ts';

const ewe = MILK_FACTS.ewe.composition;
const skimmed = MILK_FACTS['shop-skimmed'].composition;
const PARTS = ['fatFraction', 'proteinFraction', 'lactoseFraction', 'ashFraction'] as const;
const masses = fc.array(
  fc.tuple(
    fc.constantFrom(ewe, skimmed, POWDER_FACTS.skim.composition),
    fc.double({ min: 0.01, max: 20, noNaN: true }),
  ),
  {
    minLength: 1,
    maxLength: 6,
  },
);

describe('mixing', () => {
  test('every component is conserved', () => {
    fc.assert(
      fc.property(masses, (items) => {
        const parts = items.map(([composition, massKg]) => ({ composition, massKg }));
        const mix = mixMilks(parts);
        for (const part of PARTS) {
          const before = parts.reduce((sum, p) => sum + p.massKg * p.composition[part], 0);
          expect(mix.massKg * mix.composition[part]).toBeCloseTo(before, 8);
        }
        expect(mix.massKg).toBeCloseTo(
          parts.reduce((sum, p) => sum + p.massKg, 0),
          8,
        );
      }),
    );
  });

  test('dissolved powder adds 0.6–0.7 mL a gram, as published', () => {
    const milk = { composition: skimmed, massKg: 2 };
    const gain = (kind: 'skim' | 'whole'): number =>
      (mixMilks([milk, { composition: POWDER_FACTS[kind].composition, massKg: 0.08 }]).litres -
        mixMilks([milk]).litres) /
      0.08;
    expect(gain('skim')).toBeGreaterThan(0.6);
    expect(gain('skim')).toBeLessThan(0.7);
    // Whole powder carries fat, which is lighter: a little more.
    expect(gain('whole')).toBeLessThan(0.8);
  });

  test('powder buffers: the plasma holds more solids', () => {
    const mixed = mixMilks([
      { composition: skimmed, massKg: 2 },
      { composition: POWDER_FACTS.skim.composition, massKg: 0.06 },
    ]);
    expect(plasmaSnfPercent(mixed.composition)).toBeGreaterThan(plasmaSnfPercent(skimmed) + 2);
  });

  test.each([[[]], [[{ composition: ewe, massKg: 0 }]], [[{ composition: ewe, massKg: -1 }]]])(
    '%j cannot be mixed',
    (parts) => {
      expect(() => mixMilks(parts)).toThrow(RangeError);
    },
  );

  test('powder for a protein goal comes out at the goal', () => {
    const milk = { composition: skimmed, massKg: 3 };
    const massKg = powderForProteinKg(milk, 'skim', 0.05)!;
    const mix = mixMilks([milk, { composition: POWDER_FACTS.skim.composition, massKg }]);
    expect(mix.composition.proteinFraction).toBeCloseTo(0.05, 10);
    expect(powderForProteinKg(milk, 'skim', 0.02)).toBe(0);
    expect(powderForProteinKg(milk, 'whole', 0.3)).toBeNull();
  });

  test('two milks make a fat between them and none outside', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.002, max: 0.067, noNaN: true }), (fat) => {
        const shares = standardise(ewe, skimmed, fat)!;
        const mixed: Composition = mixMilks([
          { composition: ewe, massKg: shares.shareA },
          { composition: skimmed, massKg: shares.shareB },
        ]).composition;
        expect(mixed.fatFraction).toBeCloseTo(fat, 9);
      }),
    );
    expect(standardise(ewe, skimmed, 0.2)).toBeNull();
    expect(standardise(ewe, ewe, 0.02)).toBeNull();
    expect(standardise(ewe, ewe, ewe.fatFraction)).toEqual({ shareA: 1, shareB: 0 });
  });
});

import type { Composition } from './composition.ts';
import { densityKgPerM3 } from './density.ts';

/** Dried milk: fat, protein, lactose, ash as mass fractions, and what a gram adds to the volume, mL/g. */
interface PowderFacts {
  readonly label: string;
  readonly composition: Composition;
}

export const POWDER_KINDS = ['skim', 'whole'] as const;
export type PowderKind = (typeof POWDER_KINDS)[number];

/** Typical powders; source: general dairy tables, docs/SCIENCE.md, composition. */
export const POWDER_FACTS: Readonly<Record<PowderKind, PowderFacts>> = {
  skim: {
    label: 'Skimmed-milk powder',
    composition: { fatFraction: 0.008, proteinFraction: 0.35, lactoseFraction: 0.52, ashFraction: 0.08 },
  },
  whole: {
    label: 'Whole-milk powder',
    composition: { fatFraction: 0.265, proteinFraction: 0.26, lactoseFraction: 0.385, ashFraction: 0.06 },
  },
};

/** One thing that goes into a mix. */
export interface MixPart {
  readonly composition: Composition;
  readonly massKg: number;
}

export interface Mixture {
  readonly composition: Composition;
  readonly massKg: number;
  /** At 20 °C, by the density of the mix; dissolved powder then adds 0.6–0.7 mL a gram, as published. */
  readonly litres: number;
}

/**
 * Mixes milks and powders by the exact mass balance of every component.
 * @throws RangeError when nothing is mixed or a mass is negative
 * @example mixMilks([{ composition: ewe, massKg: 1 }, { composition: skimmed, massKg: 2 }]).composition.fatFraction
 */
export function mixMilks(parts: readonly MixPart[]): Mixture {
  if (parts.some((part) => part.massKg < 0)) throw new RangeError('a mass cannot be negative');
  const massKg = parts.reduce((sum, part) => sum + part.massKg, 0);
  if (!(massKg > 0)) throw new RangeError('nothing to mix');
  const share = (of: keyof Composition): number =>
    parts.reduce((sum, part) => sum + part.massKg * part.composition[of], 0) / massKg;
  const composition: Composition = {
    fatFraction: share('fatFraction'),
    proteinFraction: share('proteinFraction'),
    lactoseFraction: share('lactoseFraction'),
    ashFraction: share('ashFraction'),
  };
  return { composition, massKg, litres: (massKg * 1000) / densityKgPerM3(composition) };
}

/** Powder that brings a milk to a protein content; `null` when this powder cannot (it is leaner than the goal). */
export function powderForProteinKg(
  milk: MixPart,
  powder: PowderKind,
  proteinFraction: number,
): number | null {
  const has = milk.composition.proteinFraction;
  const gives = POWDER_FACTS[powder].composition.proteinFraction;
  if (proteinFraction <= has) return 0;
  if (proteinFraction >= gives) return null;
  return (milk.massKg * (proteinFraction - has)) / (gives - proteinFraction);
}

/** Shares of two milks that make a fat target, by mass; `null` when the target lies outside of both. */
export function standardise(
  a: Composition,
  b: Composition,
  fatFraction: number,
): { readonly shareA: number; readonly shareB: number } | null {
  const span = a.fatFraction - b.fatFraction;
  if (Math.abs(span) < 1e-9)
    return Math.abs(fatFraction - a.fatFraction) < 1e-9 ? { shareA: 1, shareB: 0 } : null;
  const shareA = (fatFraction - b.fatFraction) / span;
  return shareA >= -1e-9 && shareA <= 1 + 1e-9 ? { shareA, shareB: 1 - shareA } : null;
}

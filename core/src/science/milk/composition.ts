/**
 * Mass fractions of a milk or cream, 0..1; the rest is water.
 * @example { fatFraction: 0.037, proteinFraction: 0.032, lactoseFraction: 0.047, ashFraction: 0.0072 }
 */
export interface Composition {
  readonly fatFraction: number;
  readonly proteinFraction: number;
  readonly lactoseFraction: number;
  readonly ashFraction: number;
}

/** Kinds of milk with a typical composition that a person can overwrite. */
export const MILK_KINDS = [
  'cow-lean',
  'cow-rich',
  'goat',
  'ewe',
  'buffalo',
  'zebu',
  'shop-whole',
  'shop-part-skimmed',
  'shop-skimmed',
] as const;
export type MilkKind = (typeof MILK_KINDS)[number];

interface MilkFacts {
  readonly label: string;
  readonly composition: Composition;
  /** One standard deviation of fat between herds and days, mass fraction [F: judgement]. */
  readonly fatSigmaFraction: number;
  /** Set body relative to cow milk of the same protein, for the firmness estimate [F]. */
  readonly bodyFactor: number;
}

const facts = (
  label: string,
  fat: number,
  protein: number,
  lactose: number,
  ash: number,
  fatSigma: number,
  bodyFactor = 1,
): MilkFacts => ({
  label,
  composition: {
    fatFraction: fat / 100,
    proteinFraction: protein / 100,
    lactoseFraction: lactose / 100,
    ashFraction: ash / 100,
  },
  fatSigmaFraction: fatSigma / 100,
  bodyFactor,
});

/** Typical percentages (fat, protein, lactose, ash), from general dairy tables; shop milk as cartons state. */
export const MILK_FACTS: Readonly<Record<MilkKind, MilkFacts>> = {
  'cow-lean': facts('Cow, lean-milk breed', 3.7, 3.2, 4.7, 0.72, 0.4),
  'cow-rich': facts('Cow, rich-milk breed', 5.0, 3.8, 4.8, 0.75, 0.5),
  goat: facts('Goat', 3.8, 3.3, 4.4, 0.8, 0.5, 0.6),
  ewe: facts('Ewe', 6.8, 5.6, 4.7, 0.9, 0.8),
  buffalo: facts('Buffalo', 7.2, 4.3, 4.8, 0.8, 0.7),
  zebu: facts('Zebu', 4.6, 3.5, 4.8, 0.75, 0.5),
  'shop-whole': facts('Shop milk, whole', 3.5, 3.3, 4.8, 0.72, 0.1),
  'shop-part-skimmed': facts('Shop milk, part-skimmed', 1.7, 3.4, 4.8, 0.73, 0.1),
  'shop-skimmed': facts('Shop milk, skimmed', 0.1, 3.5, 4.9, 0.74, 0.05),
};

/** Each milk within a sentence: "2 L ewe’s milk". */
export const MILK_SAID: Readonly<Record<MilkKind, string>> = {
  'cow-lean': 'cow’s milk, lean breed',
  'cow-rich': 'cow’s milk, rich breed',
  goat: 'goat’s milk',
  ewe: 'ewe’s milk',
  buffalo: 'buffalo’s milk',
  zebu: 'zebu’s milk',
  'shop-whole': 'shop milk, whole',
  'shop-part-skimmed': 'shop milk, part-skimmed',
  'shop-skimmed': 'shop milk, skimmed',
};

/**
 * A milk's composition with its fat replaced; the plasma keeps its own proportions.
 * @param fatFraction 0..0.6
 */
export function withFat(base: Composition, fatFraction: number): Composition {
  const scale = (1 - fatFraction) / (1 - base.fatFraction);
  return {
    fatFraction,
    proteinFraction: base.proteinFraction * scale,
    lactoseFraction: base.lactoseFraction * scale,
    ashFraction: base.ashFraction * scale,
  };
}

/** Solids-not-fat of the plasma (everything but fat), in %. Fermentation happens in plasma. */
export function plasmaSnfPercent(c: Composition): number {
  return (100 * (c.proteinFraction + c.lactoseFraction + c.ashFraction)) / (1 - c.fatFraction);
}

/** Water as a mass fraction. */
export function waterFraction(c: Composition): number {
  return 1 - c.fatFraction - c.proteinFraction - c.lactoseFraction - c.ashFraction;
}

/** A composition that cannot exist, said in words; `null` when it can. */
export function compositionFault(c: Composition): string | null {
  const values = [c.fatFraction, c.proteinFraction, c.lactoseFraction, c.ashFraction];
  if (values.some((value) => !(value >= 0 && value <= 1))) return 'Each part must be between 0 and 1.';
  if (waterFraction(c) < 0) return 'The parts add up to more than the whole.';
  return null;
}

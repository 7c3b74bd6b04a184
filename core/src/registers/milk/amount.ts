import type { Amount } from '../../contract/index.ts';
import type { Composition } from '../../science/milk/index.ts';

export const NOTHING: Amount = { massKg: 0, fatKg: 0, proteinKg: 0, lactoseKg: 0, ashKg: 0 };
const PARTS = ['massKg', 'fatKg', 'proteinKg', 'lactoseKg', 'ashKg'] as const;

/** Some mass of a composition. */
export function amountOf(massKg: number, c: Composition): Amount {
  return {
    massKg,
    fatKg: massKg * c.fatFraction,
    proteinKg: massKg * c.proteinFraction,
    lactoseKg: massKg * c.lactoseFraction,
    ashKg: massKg * c.ashFraction,
  };
}

/** Sum, or difference with `sign` −1; every part for itself. */
export function plus(a: Amount, b: Amount, sign: 1 | -1 = 1): Amount {
  return Object.fromEntries(PARTS.map((part) => [part, a[part] + sign * b[part]])) as Amount;
}

/** What an amount is made of. @throws RangeError for an amount without mass */
export function compositionOf(amount: Amount): Composition {
  if (!(amount.massKg > 0)) throw new RangeError('nothing has no composition');
  const share = (kg: number): number => Math.max(0, kg / amount.massKg);
  return {
    fatFraction: share(amount.fatKg),
    proteinFraction: share(amount.proteinKg),
    lactoseFraction: share(amount.lactoseKg),
    ashFraction: share(amount.ashKg),
  };
}

/** Parts an amount in two: some mass with its own share of fat, the plasma shared out by mass; the rest is the rest. */
export function partByFat(whole: Amount, massKg: number, fatFraction: number): [Amount, Amount] {
  const takenKg = Math.min(massKg, whole.massKg);
  const fatKg = Math.min(takenKg * fatFraction, whole.fatKg);
  const plasmaKg = whole.massKg - whole.fatKg;
  const share = plasmaKg > 0 ? Math.min(1, (takenKg - fatKg) / plasmaKg) : 0;
  const taken: Amount = {
    massKg: takenKg,
    fatKg,
    proteinKg: whole.proteinKg * share,
    lactoseKg: whole.lactoseKg * share,
    ashKg: whole.ashKg * share,
  };
  return [taken, plus(whole, taken, -1)];
}

/** What has a price in milk: everything dry. */
export const dryKg = (a: Amount): number => a.fatKg + a.proteinKg + a.lactoseKg + a.ashKg;

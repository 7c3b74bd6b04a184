import { COST_WORD, readTypedNumber, toKilograms } from '@morning-crock/core';
import type { Good } from '@morning-crock/core/contract';
import type { Units } from '../../data/units-of.ts';

const MOST_PRICE = 1e6;

/** The weight that prices are told by, and how many kilograms it is. @example priceWeight(units) // ['kg', 1] */
export const priceWeight = ({ system }: Pick<Units, 'system'>): readonly [unit: string, kg: number] =>
  system === 'metric' ? ['kg', 1] : ['lb', toKilograms(1, 'lb')];

/** A price by weight. @example perWeight(3.1, units) // '3.10 groats/kg' */
export function perWeight(perKg: number, units: Units): string {
  const [unit, kg] = priceWeight(units);
  return `${units.cost(perKg * kg)}/${unit}`;
}

/** What of goods' cost is counted: of what was put up without a word of it, the milk alone. */
const countedWords = ({ costCounts = ['milk'] }: Pick<Good, 'costCounts'>): string =>
  costCounts.map((part) => COST_WORD[part]).join(', ');

/** What goods cost by weight; `null` when nobody knows. @example 'cost 1.42 groats/kg (milk and cream, burner)' */
export function goodCostWords(good: Pick<Good, 'costPerKg' | 'costCounts'>, units: Units): string | null {
  return good.costPerKg === null ? null : `cost ${perWeight(good.costPerKg, units)} (${countedWords(good)})`;
}

/** What is wrong with a price; a comma is read as people type it. Nothing typed is no price. */
export function priceFault(text: string): string | null {
  if (text.trim() === '') return null;
  const read = readTypedNumber(text);
  if (!read.ok)
    return read.reason === 'ambiguous'
      ? `Did you mean ${read.readings.join(' or ')}? Type the number without the comma.`
      : `“${text}” is not a price.`;
  return read.value < 0
    ? 'Enter a price of 0 or more.'
    : read.value > MOST_PRICE
      ? 'That price is too high. Check the number.'
      : null;
}

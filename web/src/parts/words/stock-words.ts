import { countPieces, PLACE_WORD, type ToThaw } from '@morning-crock/core';
import type { Good, GoodStock } from '@morning-crock/core/contract';
import type { Units } from '../../data/units-of.ts';

/** "4 × 250 g", "2 × 250 g and 100 g of one opened", or by weight alone for one single thing. */
export function stockWords(good: Pick<Good, 'sizesKg'>, stock: GoodStock, units: Units): string {
  const { whole, openKg } = countPieces(good, stock);
  const each = units.mass(good.sizesKg[stock.size] ?? stock.massKg);
  const open = openKg > 0 ? units.mass(openKg) : '';
  if (whole === 0) return open === '' ? 'none left' : `${open} opened`;
  const pieces = whole === 1 ? each : `${whole} × ${each}`;
  return open === '' ? pieces : `${pieces} plus ${open} opened`;
}

/** "2 × 250 g in the cold". */
export const standsWords = (good: Pick<Good, 'sizesKg'>, stock: GoodStock, units: Units): string =>
  `${stockWords(good, stock, units)} ${PLACE_WORD[stock.place]}`;

const CODE_LONG = 6;
/** The code of new goods. The last letters of an identity are chance: enough for a kitchen's jars, and the server looks that none comes twice. */
export const codeOf = (id: string): string => id.slice(-CODE_LONG);

/** A code as a person reads it out: in two threes. @example codeWords('4F7K2Q') // '4F7 K2Q' */
export const codeWords = (code: string): string => `${code.slice(0, 3)} ${code.slice(3)}`;

/** A code as it was typed or scanned: letters that are mistaken for digits are those digits. @example codeTyped('4f7-k2q') // '4F7K2Q' */
export const codeTyped = (text: string): string =>
  text
    .toUpperCase()
    .replace(/O/g, '0')
    .replace(/[IL]/g, '1')
    .replace(/[^0-9A-Z]/g, '');

/** The lot code that the square of a label says; `null` when it is of something else. @example codeOfSquare('http://kitchen/larder/4F7K2Q') // '4F7K2Q' */
export const codeOfSquare = (text: string): string | null =>
  /\/larder\/([0-9A-HJKMNP-TV-Z]{6})$/.exec(text.trim())?.[1] ?? null;

/** When frozen goods must come out, what of them, and for when. */
export function thawWords(
  { good, stock, massKg, count, outMs, readyMs }: ToThaw,
  nowMs: number,
  units: Units,
): { readonly when: string; readonly what: string } {
  const each = good.sizesKg[stock.size];
  const some =
    count !== null && count > 1 && each !== undefined ? `${count} × ${units.mass(each)}` : units.mass(massKg);
  return {
    when:
      outMs < nowMs
        ? 'Take out of the freezer now:'
        : `Take out of the freezer by ${units.time(outMs, nowMs)}:`,
    what: `${some}, needed ${units.time(readyMs, nowMs)}`,
  };
}

import { GOOD_FACTS, goodKeepBy, localDate, MILK_ON_LABEL, type LabelWords } from '@morning-crock/core';
import type { Good, GoodStock } from '@morning-crock/core/contract';
import type { Units } from '../../data/units-of.ts';
import dayjs from 'dayjs';
import { codeWords } from '../../parts/words/stock-words.ts';

/** What is put on a label besides its name, its keep-by and MILK. */
export interface LabelWishes {
  readonly cost: boolean;
  /** Lines of the maker's own: what is needed where it is sold. */
  readonly own: readonly string[];
}

/** What the label of one piece says. */
export function labelWords(
  good: Good,
  stock: GoodStock,
  units: Units,
  zone: string,
  wishes: LabelWishes,
): LabelWords {
  // With the year: butter stands in a freezer longer than one.
  const day = (ms: number): string => dayjs(localDate(zone, ms)).format(units.dayHabit);
  const sour = good.sour === null ? '' : good.sour === 'sweet' ? 'Sweet cream' : 'Cultured';
  const salt =
    good.saltFraction !== null
      ? `salt ${(good.saltFraction * 100).toFixed(1)} %`
      : good.sour !== null
        ? 'unsalted'
        : '';
  const milk =
    good.milk === null ? '' : `${MILK_ON_LABEL[good.milk.kind]}, ${good.milk.raw ? 'RAW' : 'heated'}`;
  const kind = GOOD_FACTS[good.what].label;
  return {
    name: good.name,
    code: good.code,
    lines: [
      `Use by ${day(goodKeepBy(good, stock).fromMs)}`,
      'Contains MILK',
      `${units.mass(good.sizesKg[stock.size] ?? stock.massKg)} · ${codeWords(good.code)}`,
      `Made ${day(good.madeMs)}`,
      [sour, salt].filter((word) => word !== '').join(', '),
      good.name.toLowerCase().includes(kind.toLowerCase()) ? '' : kind,
      milk,
      ...wishes.own,
      wishes.cost && good.costPerKg !== null
        ? `Cost ${units.cost(good.costPerKg * (good.sizesKg[stock.size] ?? 0))}`
        : '',
    ].filter((line) => line !== ''),
  };
}

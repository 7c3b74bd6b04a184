import { localDate, clockTime, TAKEN_WORD } from '@morning-crock/core';
import type { Good, LarderLine, TakenFor } from '@morning-crock/core/contract';
import { inTable, tableCsv, type Cell } from '../../parts/print/table-file.ts';

const COLUMNS = [
  'day',
  'time',
  'goods',
  'lot',
  'made',
  'pieces',
  'mass_kg',
  'left_as',
  'paid',
  'note',
] as const;

/**
 * What left the larder as a table that other programs read: one line an entry, the earliest first, masses in kilograms.
 * @param lines of kinds that leave the larder
 * @param zone of the kitchen, for its days and times
 */
export function leftCsv(lines: readonly LarderLine[], goods: readonly Good[], zone: string): string {
  const rows = [...lines]
    .sort((a, b) => a.atMs - b.atMs)
    .map((line): Cell[] => {
      const good = goods.find(({ id }) => id === line.goodId);
      return [
        localDate(zone, line.atMs),
        clockTime(zone, line.atMs),
        good?.name ?? null,
        good?.code ?? null,
        good ? localDate(zone, good.madeMs) : null,
        line.count,
        inTable(line.massKg),
        TAKEN_WORD[line.kind as TakenFor],
        line.price,
        line.note,
      ];
    });
  return tableCsv(COLUMNS, rows);
}

import { localDate, clockTime, TAKEN_WORD } from '@morning-crock/core';
import type { Good, LarderLine, TakenFor } from '@morning-crock/core/contract';
import Papa from 'papaparse';

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
    .map((line): Record<(typeof COLUMNS)[number], string | number> => {
      const good = goods.find(({ id }) => id === line.goodId);
      return {
        day: localDate(zone, line.atMs),
        time: clockTime(zone, line.atMs),
        goods: good?.name ?? '',
        lot: good?.code ?? '',
        made: good ? localDate(zone, good.madeMs) : '',
        pieces: line.count ?? '',
        mass_kg: Number(line.massKg.toFixed(4)),
        left_as: TAKEN_WORD[line.kind as TakenFor],
        paid: line.price ?? '',
        note: line.note,
      };
    });
  return `${Papa.unparse(rows, { columns: [...COLUMNS], escapeFormulae: true, newline: '\n' })}\n`;
}

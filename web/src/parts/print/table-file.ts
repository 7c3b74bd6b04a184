import Papa from 'papaparse';
import { saveFile } from './save-file.ts';

/** A cell of a table; what is not known is an empty one. */
export type Cell = string | number | null;

/**
 * A table as other programs read it: comma-separated, a name on every column, no formula in it.
 * @example tableCsv(['month', 'litres'], [['2026-03', 4.5]]) // 'month,litres\n2026-03,4.5\n'
 */
export function tableCsv(columns: readonly string[], rows: readonly (readonly Cell[])[]): string {
  const fields = rows.map((row) => row.map((cell) => cell ?? ''));
  return `${Papa.unparse({ fields: [...columns], data: fields }, { escapeFormulae: true, newline: '\n' })}\n`;
}

/** Saves a table on this device. @param name of the file, without its ending */
export const saveTable = (
  name: string,
  columns: readonly string[],
  rows: readonly (readonly Cell[])[],
): void => saveFile(`${name}.csv`, new Blob([tableCsv(columns, rows)], { type: 'text/csv' }));

/** No finer than anybody weighs. @example inTable(1.23456789) // 1.2346 */
export const inTable = (value: number | null): number | null =>
  value === null ? null : Math.round(value * 1e4) / 1e4;

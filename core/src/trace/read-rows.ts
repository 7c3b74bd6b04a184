import { toCelsius } from '../science/units/index.ts';
import type { TableFormat } from './detect.ts';
import { createTimeReader } from './time-format.ts';

/** A row that cannot be taken, with its line in the file and why. */
export interface BadRow {
  readonly line: number;
  readonly text: string;
  readonly why: string;
}

export type RowRead =
  | { readonly ok: true; readonly atMs: number; readonly value: number }
  | { readonly ok: false; readonly why: string };

const RANGE = { temperature: { min: -30, max: 200 }, ph: { min: 2.5, max: 8.5 } } as const;

/** Reads the cells of one row after another by a format. Values stay as written, in the file's unit. */
export function createRowReader(
  format: TableFormat,
  context: { readonly zone: string; readonly startMs: number },
): (cells: readonly string[]) => RowRead {
  const time = createTimeReader(format.timeFormat, context);
  const { valueColumn, decimal, quantity, unit, timeColumns } = format;
  const range = RANGE[quantity];
  return (cells) => {
    const stamp = timeColumns
      .map((i) => (cells[i] ?? '').trim())
      .join(' ')
      .trim();
    const text = (cells[valueColumn] ?? '').trim();
    if (stamp === '') return { ok: false, why: 'has no time' };
    if (text === '') return { ok: false, why: 'has no value' };
    const atMs = time(stamp);
    if (atMs === null) return { ok: false, why: `“${stamp}” does not fit the time format chosen above` };
    const plain = decimal === ',' ? text.replace(',', '.') : text;
    const value = /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : Number.NaN;
    if (Number.isNaN(value)) return { ok: false, why: `“${text}” is not a number` };
    const canonical = unit === 'F' ? toCelsius(value, 'F') : value;
    if (canonical < range.min || canonical > range.max) {
      const what = quantity === 'ph' ? `pH ${text}` : `${text} °${unit}`;
      return { ok: false, why: `${what} is not possible for milk` };
    }
    return { ok: true, atMs, value };
  };
}

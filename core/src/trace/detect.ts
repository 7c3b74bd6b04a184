import type { TraceQuantity } from '../contract/index.ts';
import { partedOrder, timeShape, type TimeFormat } from './time-format.ts';

/** How a logger's file is to be read; everything here is shown and can be changed before anything is stored. */
export interface TableFormat {
  readonly delimiter: string;
  readonly decimal: '.' | ',';
  /** Lines above the first row of values. */
  readonly headLines: number;
  /** One column, or a date and a clock column. */
  readonly timeColumns: readonly number[];
  readonly timeFormat: TimeFormat;
  readonly valueColumn: number;
  readonly quantity: TraceQuantity;
  readonly unit: 'C' | 'F' | 'pH';
}

export interface Detection {
  readonly format: TableFormat;
  /** Names of the columns, from the head or made up. */
  readonly columns: readonly string[];
  /** What nobody can tell from the file alone and must be looked at. */
  readonly doubts: readonly string[];
}

export const DELIMITERS = [';', '\t', ',', '|'] as const;
export const DELIMITER_LABEL: Readonly<Record<string, string>> = {
  ';': 'semicolon',
  '\t': 'tab',
  ',': 'comma',
  '|': 'vertical bar',
};

/** Splits one line; quotes keep a delimiter inside a cell. */
export function splitLine(line: string, delimiter: string): string[] {
  if (!line.includes('"')) return line.split(delimiter);
  const cells: string[] = [];
  let cell = '';
  let quoted = false;
  for (const char of line) {
    if (char === '"') quoted = !quoted;
    else if (char === delimiter && !quoted) {
      cells.push(cell);
      cell = '';
    } else cell += char;
  }
  return [...cells, cell];
}

const NUMBER = /^[+-]?\d+(?:[.,]\d+)?$/;

/** The mark that splits most lines into the same number of cells, at least two. */
function findDelimiter(lines: readonly string[]): string | null {
  let best: { mark: string; score: number } | null = null;
  for (const mark of DELIMITERS) {
    const counts = lines.map((line) => splitLine(line, mark).length);
    const usual = counts.toSorted((a, b) => a - b)[Math.floor(counts.length / 2)] ?? 1;
    if (usual < 2) continue;
    const score = counts.filter((n) => n === usual).length / counts.length;
    if (!best || score > best.score + 0.05) best = { mark, score };
  }
  return best?.mark ?? null;
}

interface Column {
  readonly name: string;
  readonly cells: readonly string[];
  readonly shapes: readonly ReturnType<typeof timeShape>[];
  readonly numeric: number;
}

const share = <T>(items: readonly T[], test: (item: T) => boolean): number =>
  items.length === 0 ? 0 : items.filter(test).length / items.length;

const ELAPSED = [
  { words: /\b(hours?|hrs?|h)\b/i, format: 'elapsed-h' },
  { words: /\b(min(ute)?s?)\b/i, format: 'elapsed-min' },
  { words: /\b(sec(ond)?s?|s)\b/i, format: 'elapsed-s' },
] as const satisfies readonly { words: RegExp; format: TimeFormat }[];

function numberTime(column: Column): TimeFormat {
  const first = Number(column.cells[0]?.replace(',', '.') ?? 0);
  if (first > 1e11) return 'unix-ms';
  if (first > 1e8) return 'unix-s';
  return ELAPSED.find(({ words }) => words.test(column.name))?.format ?? 'elapsed-min';
}

/**
 * Guesses how a table of readings is written, from its first lines.
 * @param lines up to a few hundred, without empty ones
 * @returns `null` when nothing in it looks like a time with a value beside it
 * @example detectTable(['time;°C', '14.03.2026 06:30;42,1'])?.format.decimal // ','
 */
export function detectTable(lines: readonly string[]): Detection | null {
  const delimiter = findDelimiter(lines.slice(0, 100));
  if (delimiter === null) return null;
  const rows = lines.map((line) => splitLine(line, delimiter).map((cell) => cell.trim()));
  const looksLikeData = (row: readonly string[]): boolean =>
    row.some((cell) => timeShape(cell) !== null) && row.some((cell) => NUMBER.test(cell));
  const headLines = rows.findIndex(looksLikeData);
  if (headLines < 0) return null;
  const body = rows.slice(headLines);
  const head = headLines > 0 ? rows[headLines - 1]! : [];
  const width = Math.max(...body.slice(0, 50).map((row) => row.length));
  const columns = Array.from({ length: width }, (_, i): Column => {
    const cells = body.map((row) => row[i] ?? '').filter((cell) => cell !== '');
    return {
      name: head[i] || `column ${i + 1}`,
      cells,
      shapes: cells.map(timeShape),
      numeric: share(cells, (cell) => NUMBER.test(cell)),
    };
  });
  const shaped = (shape: string): number =>
    columns.findIndex((c) => share(c.shapes, (s) => s === shape) > 0.7 && c.cells.length > 0);
  const doubts: string[] = [];
  let timeColumns: number[] = [];
  let timeFormat: TimeFormat = 'iso';
  const clock = shaped('clock');
  for (const shape of ['iso', 'parted'] as const) {
    const at = shaped(shape);
    if (at < 0 || timeColumns.length > 0) continue;
    const dateOnly = share(columns[at]!.cells, (cell) => !cell.includes(':')) > 0.7;
    timeColumns = dateOnly && clock >= 0 ? [at, clock] : [at];
    if (shape === 'parted') {
      const order = partedOrder(columns[at]!.cells);
      timeFormat = order ?? 'day-month-year';
      if (order === null)
        doubts.push('Day and month could be either way round. Check the first and last times below.');
    }
  }
  if (timeColumns.length === 0 && clock >= 0) {
    timeColumns = [clock];
    timeFormat = 'clock';
    doubts.push('The file has no date, so the day the batch started is used.');
  }
  if (timeColumns.length === 0) {
    const named = columns.findIndex(
      (c) => c.numeric > 0.7 && /time|elapsed|min|sec|hour|stamp/i.test(c.name),
    );
    const at = named >= 0 ? named : columns.findIndex((c) => c.numeric > 0.7);
    if (at < 0) return null;
    timeColumns = [at];
    timeFormat = numberTime(columns[at]!);
    if (timeFormat.startsWith('elapsed'))
      doubts.push('Times are counted from the start of the batch. Check that this is right.');
  }
  const candidates = columns
    .map((column, i) => ({ column, i }))
    .filter(({ column, i }) => !timeColumns.includes(i) && column.numeric > 0.6);
  const value =
    candidates.find(({ column }) => /°|temp|celsius|fahrenheit|\bph\b/i.test(column.name)) ??
    candidates.at(-1);
  if (!value) return null;
  const { cells, name } = value.column;
  const decimal = delimiter !== ',' && share(cells, (cell) => cell.includes(',')) > 0.3 ? ',' : '.';
  const numbers = cells
    .map((cell) => Number(cell.replace(',', '.')))
    .filter((n) => Number.isFinite(n))
    .sort((a, b) => a - b);
  const middle = numbers[Math.floor(numbers.length / 2)] ?? 0;
  const isPh = /\bph\b/i.test(name) || (!/°|temp/i.test(name) && middle > 3 && middle < 7.5);
  // A letter alone: \b would take the F of "Fühler" for one.
  const saysC = /°\s*c|celsius|(?<!\p{L})c(?!\p{L})/iu.test(name);
  const saysF = !saysC && /°\s*f|fahrenheit|(?<!\p{L})f(?!\p{L})/iu.test(name);
  const unit = isPh ? 'pH' : saysF || (!saysC && middle > 95) ? 'F' : 'C';
  if (!isPh && !saysF && !saysC) doubts.push('The file does not say °C or °F. Check the values below.');
  return {
    format: {
      delimiter,
      decimal,
      headLines,
      timeColumns,
      timeFormat,
      valueColumn: value.i,
      quantity: isPh ? 'ph' : 'temperature',
      unit,
    },
    columns: columns.map((c) => c.name),
    doubts,
  };
}

import {
  createRowReader,
  DELIMITERS,
  detectTable,
  readMilkings,
  type BadRow,
  type Detection,
  type MilkingsContext,
  type MilkingsRead,
  type TableFormat,
} from '@morning-crock/core';
import { TRACE_MOST_ROWS } from '@morning-crock/core/contract';
import { expose } from 'comlink';
import Papa from 'papaparse';

/** The most a file may weigh; a year of one-second rows is less. */
const MOST_BYTES = 64 * 1024 * 1024;
/** Lines looked at to find out how the file is written. */
const HEAD_LINES = 400;
/** Lines read between two breaths. */
const SLICE_LINES = 10_000;
/** Bad rows listed one by one; the rest are counted. */
const BAD_LISTED = 200;

export type Opened =
  | {
      readonly ok: true;
      readonly detection: Detection;
      readonly lines: number;
      readonly encoding: string;
      readonly head: readonly string[];
    }
  | { readonly ok: false; readonly fault: string };

export interface RowsRead {
  readonly at: readonly number[];
  readonly values: readonly number[];
  readonly bad: readonly BadRow[];
  readonly badCount: number;
}

let lines: string[] = [];
let newest = 0;
const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

/** Bytes as text: marked UTF-16, UTF-8, or Western European when it is neither; not text at all is refused. */
function decode(bytes: Uint8Array): { text: string; encoding: string } | { fault: string } {
  if (bytes.length === 0) return { fault: 'The file is empty. Choose another file.' };
  if (bytes[0] === 0xff && bytes[1] === 0xfe)
    return { text: new TextDecoder('utf-16le').decode(bytes), encoding: 'UTF-16' };
  if (bytes[0] === 0xfe && bytes[1] === 0xff)
    return { text: new TextDecoder('utf-16be').decode(bytes), encoding: 'UTF-16' };
  if (bytes.subarray(0, 8192).includes(0))
    return { fault: 'This is not a text file. Export it from the logger as CSV.' };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' };
  } catch {
    return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'Western European' };
  }
}

/** A file as text, or why it cannot be read. */
async function textOf(file: File): Promise<{ text: string; encoding: string } | { fault: string }> {
  if (file.size > MOST_BYTES) {
    return {
      fault: `The file is ${Math.round(file.size / 1e6)} MB. The limit is 64 MB. Split the file and try again.`,
    };
  }
  return decode(new Uint8Array(await file.arrayBuffer()));
}

const csvWorker = {
  /** Reads a file of milkings whole; nothing is stored. */
  async milkings(file: File, context: MilkingsContext): Promise<MilkingsRead | { readonly fault: string }> {
    const decoded = await textOf(file);
    if ('fault' in decoded) return decoded;
    const text = decoded.text.replace(/^\uFEFF/, '');
    const { data } = Papa.parse<string[]>(text, { delimitersToGuess: [...DELIMITERS] });
    const table = data.map((cells, i) => ({ line: i + 1, cells }));
    return readMilkings(
      table.filter(({ cells }) => cells.some((cell) => cell.trim() !== '')),
      context,
    );
  },

  /** Takes a file in and finds out how it is written. Nothing is stored. */
  async open(file: File): Promise<Opened> {
    newest++;
    lines = [];
    const decoded = await textOf(file);
    if ('fault' in decoded) return { ok: false, fault: decoded.fault };
    lines = decoded.text.split(/\r\n|\r|\n/);
    const filled = lines.filter((line) => line.trim() !== '');
    if (filled.length === 0) return { ok: false, fault: 'The file has no lines. Choose another file.' };
    if (filled.length > TRACE_MOST_ROWS) {
      return {
        ok: false,
        fault: `The file has ${filled.length} lines. The limit is a million. Split the file and try again.`,
      };
    }
    const head = filled.slice(0, HEAD_LINES);
    const detection = detectTable(head);
    if (!detection) {
      return {
        ok: false,
        fault: 'No time column with values beside it was found. Use a CSV with one reading per line.',
      };
    }
    return { ok: true, detection, lines: filled.length, encoding: decoded.encoding, head: head.slice(0, 6) };
  },

  /** Reads every row by a format, telling how far it is; `null` when it was stopped. */
  async read(
    format: TableFormat,
    context: { readonly zone: string; readonly startMs: number },
    tell: (share: number) => void,
  ): Promise<RowsRead | null> {
    const mine = ++newest;
    const read = createRowReader(format, context);
    const at: number[] = [];
    const values: number[] = [];
    const bad: BadRow[] = [];
    let badCount = 0;
    let head = format.headLines;
    for (let from = 0; from < lines.length; from += SLICE_LINES) {
      const slice = lines.slice(from, from + SLICE_LINES);
      const rows = Papa.parse<string[]>(slice.join('\n'), {
        delimiter: format.delimiter,
        newline: '\n',
      }).data;
      // A quoted line break would shift the numbers; loggers write none, and then rows and lines agree.
      for (const [i, cells] of rows.entries()) {
        if (cells.every((cell) => cell.trim() === '')) continue;
        if (head > 0) {
          head--;
          continue;
        }
        const row = read(cells);
        if (row.ok) {
          at.push(row.atMs);
          values.push(row.value);
        } else {
          badCount++;
          if (bad.length < BAD_LISTED) {
            bad.push({ line: from + i + 1, text: (slice[i] ?? '').slice(0, 80), why: row.why });
          }
        }
      }
      tell(Math.min(1, (from + SLICE_LINES) / lines.length));
      await breathe();
      if (newest !== mine) return null;
    }
    return { at, values, bad, badCount };
  },

  stop(): void {
    newest++;
  },
};

export type CsvWorker = typeof csvWorker;
expose(csvWorker);

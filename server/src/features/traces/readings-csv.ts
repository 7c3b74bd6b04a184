import { canonicalValue, type MakeState } from '@morning-crock/core';
import type { TraceRows } from '@morning-crock/core/contract';
import Papa from 'papaparse';

/** One line of the file. Corrected and raw stand side by side. */
interface Line {
  readonly time: string;
  readonly quantity: string;
  readonly value: number | string;
  readonly unit: string;
  readonly raw: number | string;
  readonly rawUnit: string;
  readonly instrument: string;
}

const COLUMNS = ['time', 'quantity', 'value', 'unit', 'raw', 'rawUnit', 'instrument'];
const round = (value: number): number => Math.round(value * 1000) / 1000;

/** Every reading of a make as CSV, loggers' rows whole. @param traces rows of `state.traces`, in the same order */
export function readingsCsv(state: MakeState, traces: readonly TraceRows[]): string {
  const lines: (Line & { readonly atMs: number })[] = [];
  for (const event of state.events) {
    const own = { atMs: Date.parse(event.at), time: event.at };
    if (event.type === 'temperature-read') {
      const { celsius, typed, instrument } = event.data;
      lines.push({
        ...own,
        quantity: 'temperature',
        value: round(celsius),
        unit: 'C',
        raw: typed.value,
        rawUnit: typed.unit,
        instrument,
      });
    } else if (event.type === 'ph-read') {
      const { ph, instrument, typed } = event.data;
      lines.push({
        ...own,
        quantity: 'pH',
        value: ph,
        unit: 'pH',
        raw: typed.value,
        rawUnit: 'pH',
        instrument,
      });
    } else if (event.type === 'titrated') {
      const { percent, naohMl } = event.data;
      lines.push({
        ...own,
        quantity: 'titratable acidity',
        value: round(percent),
        unit: '% lactic',
        raw: naohMl,
        rawUnit: 'mL 0.1 N NaOH',
        instrument: 'titration',
      });
    } else if (event.type === 'cue-seen') {
      lines.push({
        ...own,
        quantity: 'look',
        value: event.data.cue,
        unit: '',
        raw: '',
        rawUnit: '',
        instrument: 'eye',
      });
    }
  }
  for (const [i, trace] of state.traces.entries()) {
    const rows = traces[i];
    if (!rows) continue;
    const quantity = trace.quantity === 'ph' ? 'pH' : 'temperature';
    for (const [k, atMs] of rows.at.entries()) {
      const raw = rows.values[k]!;
      lines.push({
        atMs,
        time: new Date(atMs).toISOString(),
        quantity,
        value: round(canonicalValue(raw, trace.unit, trace.correction)),
        unit: trace.unit === 'pH' ? 'pH' : 'C',
        raw,
        rawUnit: trace.unit,
        instrument: trace.instrument,
      });
    }
  }
  lines.sort((a, b) => a.atMs - b.atMs);
  // A name that begins like a formula must stay a name in a spreadsheet.
  return `${Papa.unparse(lines, { columns: COLUMNS, escapeFormulae: true, newline: '\n' })}\n`;
}

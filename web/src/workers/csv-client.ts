import type { MilkingsContext, MilkingsRead, TableFormat } from '@morning-crock/core';
import type { CsvWorker, Opened, RowsRead } from './csv.worker.ts';
import { lastingWorker } from './lasting.ts';

const ask = lastingWorker<CsvWorker>(
  () => new Worker(new URL('./csv.worker.ts', import.meta.url), { type: 'module' }),
);

/** Takes a logger's file in and finds out how it is written. */
export function openFile(file: File): Promise<Opened> {
  return ask((worker) => worker.open(file));
}

/** Reads the rows of the file that is open; `null` when it was stopped. */
export function readRows(
  format: TableFormat,
  context: { readonly zone: string; readonly startMs: number },
  tell: (share: number) => void,
): Promise<RowsRead | null> {
  return ask((worker, telling) => worker.read(format, context, telling(tell)));
}

/** Reads a file of milkings; nothing is stored. */
export function readMilkingsFile(
  file: File,
  context: MilkingsContext,
): Promise<MilkingsRead | { readonly fault: string }> {
  return ask((worker) => worker.milkings(file, context));
}

/** Stops reading. */
export function stopReading(): void {
  void ask((worker) => worker.stop()).catch(() => undefined);
}

export type { Opened, RowsRead } from './csv.worker.ts';

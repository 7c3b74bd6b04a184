import type { MilkingsContext, MilkingsRead, TableFormat } from '@morning-crock/core';
import { proxy, wrap, type Remote } from 'comlink';
import type { CsvWorker, Opened, RowsRead } from './csv.worker.ts';

let worker: Remote<CsvWorker> | null = null;

function remote(): Remote<CsvWorker> {
  worker ??= wrap<CsvWorker>(new Worker(new URL('./csv.worker.ts', import.meta.url), { type: 'module' }));
  return worker;
}

/** Takes a logger's file in and finds out how it is written. */
export function openFile(file: File): Promise<Opened> {
  return remote().open(file);
}

/** Reads the rows of the file that is open; `null` when it was stopped. */
export function readRows(
  format: TableFormat,
  context: { readonly zone: string; readonly startMs: number },
  tell: (share: number) => void,
): Promise<RowsRead | null> {
  return remote().read(format, context, proxy(tell));
}

/** Reads a file of milkings; nothing is stored. */
export function readMilkingsFile(
  file: File,
  context: MilkingsContext,
): Promise<MilkingsRead | { readonly fault: string }> {
  return remote().milkings(file, context);
}

/** Stops reading. */
export function stopReading(): void {
  void remote().stop();
}

export type { Opened, RowsRead } from './csv.worker.ts';

import type { TableFormat } from '@morning-crock/core';
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

/** Stops reading. */
export function stopReading(): void {
  void remote().stop();
}

export type { Opened, RowsRead } from './csv.worker.ts';

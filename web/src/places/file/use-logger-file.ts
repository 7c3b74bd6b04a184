import { type Detection, type MakeState, type TableFormat } from '@morning-crock/core';
import type { TraceStored } from '@morning-crock/core/contract';
import { useEffect, useRef, useState } from 'react';
import { errorWords, useStoreTraceMutation } from '../../data/api.ts';
import { deviceId } from '../../data/device.ts';
import { useKitchen } from '../../data/use-units.ts';
import { openFile, readRows, stopReading, type RowsRead } from '../../workers/csv-client.ts';

interface OpenFile {
  readonly name: string;
  readonly detection: Detection;
  readonly lines: number;
  readonly encoding: string;
}

/** What a logger's readings are called, and whose check corrects them ("": none). */
interface LoggerName {
  readonly instrument: string;
  readonly thermometerId: string;
}

/** A logger's file on its way into a batch: opened, read as it is understood, stored on request. */
export function useLoggerFile(state: MakeState) {
  const kitchen = useKitchen();
  const [file, setFile] = useState<OpenFile | null>(null);
  const [format, setFormat] = useState<TableFormat | null>(null);
  const [rows, setRows] = useState<RowsRead | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [storing, setStoring] = useState(false);
  const [done, setDone] = useState<TraceStored | null>(null);
  const [store] = useStoreTraceMutation();
  const upload = useRef<{ abort(): void } | null>(null);
  useEffect(() => () => stopReading(), []);

  async function read(next: TableFormat): Promise<void> {
    setFormat(next);
    setRows(null);
    setShare(0);
    try {
      const result = await readRows(next, { zone: kitchen.site.zone, startMs: state.startedAtMs }, setShare);
      if (!result) return;
      setRows(result);
    } catch {
      setFault('This device could not read the rows. Nothing was changed. Choose the file again.');
    }
    setShare(null);
  }
  async function open(chosen: File | null): Promise<void> {
    if (!chosen) return;
    setDone(null);
    setRows(null);
    setFile(null);
    setFault(null);
    const opened = await openFile(chosen).catch(() => ({
      ok: false as const,
      fault: 'The file could not be read.',
    }));
    if (!opened.ok) {
      setFault(`“${chosen.name}”: ${opened.fault} Nothing was changed.`);
      return;
    }
    setFile({
      name: chosen.name,
      detection: opened.detection,
      lines: opened.lines,
      encoding: opened.encoding,
    });
    await read(opened.detection.format);
  }
  async function keep({ instrument, thermometerId }: LoggerName): Promise<void> {
    if (!rows || !format || !file) return;
    setStoring(true);
    setFault(null);
    const call = store({
      makeId: state.id,
      trace: {
        quantity: format.quantity,
        instrument: instrument.trim(),
        fileName: file.name.slice(0, 200),
        unit: format.unit,
        thermometerId: format.unit === 'pH' || thermometerId === '' ? null : thermometerId,
        deviceId: deviceId(),
        at: [...rows.at],
        values: [...rows.values],
      },
    });
    upload.current = call;
    try {
      setDone(await call.unwrap());
      setRows(null);
      setFile(null);
    } catch (error) {
      const stopped =
        typeof error === 'object' && error !== null && 'name' in error && error.name === 'AbortError';
      setFault(stopped ? 'Stopped. Nothing was saved.' : errorWords(error));
    } finally {
      setStoring(false);
    }
  }
  return {
    file,
    format,
    rows,
    /** How much of it is read, a fraction; `null` when nothing is being read. */
    share,
    fault,
    storing,
    /** What the kitchen stored of it. */
    done,
    read,
    open,
    keep,
    stopReading: () => {
      stopReading();
      setShare(null);
      setFile(null);
    },
    stopStoring: () => upload.current?.abort(),
  };
}

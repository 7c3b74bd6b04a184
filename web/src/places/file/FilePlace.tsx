import '../../parts/tables/tables.css';
import '../../parts/fields/form-styles.ts';
import {
  formatPh,
  formatTemperature,
  toCelsius,
  type Detection,
  type MakeState,
  type TableFormat,
} from '@morning-crock/core';
import type { TraceStored } from '@morning-crock/core/contract';
import { Button, FileButton, NativeSelect, Progress, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { shortName } from '@morning-crock/core/contract';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { errorWords, useStoreTraceMutation } from '../../data/api.ts';
import { deviceId } from '../../data/device.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { openFile, readRows, stopReading, type RowsRead } from '../../workers/csv-client.ts';
import { FormatFields } from './FormatFields.tsx';
import './file.css';
import '@mantine/core/styles/Progress.css';

interface OpenFile {
  readonly name: string;
  readonly detection: Detection;
  readonly lines: number;
  readonly encoding: string;
}

/** A few rows as they will be understood. */
function Preview({ rows, format }: { readonly rows: RowsRead; readonly format: TableFormat }) {
  const units = useUnits();
  const { site } = useKitchen();
  const clock = new Intl.DateTimeFormat('en-GB', {
    timeZone: site.zone,
    timeStyle: 'medium',
    hourCycle: 'h23',
  });
  const ends = rows.at.map((_, i) => i).filter((i) => i < 3 || i === rows.at.length - 1);
  const value = (v: number): string =>
    format.unit === 'pH'
      ? formatPh(v)
      : formatTemperature(format.unit === 'F' ? toCelsius(v, 'F') : v, units.temperatureUnit);
  return (
    <div className="table-box" role="region" aria-label="How the file is read" tabIndex={0}>
      <table className="ledger">
        <thead>
          <tr>
            <th>Day</th>
            <th>Time</th>
            <th className="num">Value</th>
          </tr>
        </thead>
        <tbody>
          {ends.map((i) => (
            <tr key={i}>
              <td>{units.day(rows.at[i]!)}</td>
              <td>{clock.format(rows.at[i])}</td>
              <td className="num">{value(rows.values[i]!)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Rows that cannot be taken, each with its line and why. */
function BadRows({ rows, outside }: { readonly rows: RowsRead; readonly outside: string | null }) {
  if (rows.badCount === 0 && outside === null) return null;
  return (
    <section aria-label="Rows left out">
      <h2>Left out</h2>
      {outside && <p>{outside}</p>}
      {rows.badCount > 0 && (
        <details open={rows.badCount < 20}>
          <summary className="unfolds">
            {rows.badCount} {rows.badCount === 1 ? 'row' : 'rows'} could not be read
            {rows.badCount > rows.bad.length && `(first ${rows.bad.length} shown)`}
          </summary>
          <ul className="bad-rows">
            {rows.bad.map((row) => (
              <li key={row.line}>
                Line {row.line}: {row.why}. <span className="quiet">{row.text}</span>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

function Importer({ state }: { readonly state: MakeState }) {
  const kitchen = useKitchen();
  const units = useUnits();
  /** The same file may be chosen again: the browser must forget that it was. */
  const reset = useRef<() => void>(null);
  const [file, setFile] = useState<OpenFile | null>(null);
  const [format, setFormat] = useState<TableFormat | null>(null);
  const [rows, setRows] = useState<RowsRead | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const form = useForm({
    initialValues: { instrument: 'Logger', thermometerId: '' },
    validateInputOnChange: true,
    validate: {
      instrument: (called) =>
        shortName.safeParse(called.trim()).success ? null : 'Enter a name of up to 80 letters.',
    },
  });
  const { instrument, thermometerId } = form.values;
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
  async function keep(): Promise<void> {
    if (!rows || !format || !file || form.validate().hasErrors) return;
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
  const endMs = state.finished?.atMs ?? Number.POSITIVE_INFINITY;
  const early = rows?.at.filter((ms) => ms < state.startedAtMs).length ?? 0;
  const late = rows?.at.filter((ms) => ms > endMs).length ?? 0;
  const inside = (rows?.at.length ?? 0) - early - late;
  const outside =
    early + late === 0
      ? null
      : [
          early > 0 &&
            `${early} rows are from before the batch started (${units.day(state.startedAtMs)}, ${units.time(state.startedAtMs, state.startedAtMs)})`,
          late > 0 && `${late} rows are from after the batch finished`,
        ]
          .filter(Boolean)
          .join('; ') + '.';
  return (
    <div className="file-place">
      <div className="field-row">
        <FileButton
          resetRef={reset}
          accept=".csv,.txt,.tsv,text/csv,text/plain"
          onChange={(f) => {
            reset.current?.();
            void open(f);
          }}
        >
          {(p) => (
            <Button
              {...p}
              className={file ? '' : 'great'}
              h={file ? undefined : 72}
              variant={file ? 'default' : 'filled'}
            >
              {file ? 'Choose another file' : 'Choose logger file'}
            </Button>
          )}
        </FileButton>
        {file && (
          <span className="quiet">
            {file.name}: {file.lines} lines, {file.encoding}
          </span>
        )}
      </div>
      {fault && (
        <p className="field-error" role="alert">
          {fault}
        </p>
      )}
      {done && (
        <p role="status" className="serif larger">
          {done.added === 0
            ? 'Nothing new. All these readings are already saved.'
            : `${done.added} readings saved${done.already > 0 ? `, ${done.already} already saved` : ''}${done.outside > 0 ? `, ${done.outside} outside this batch left out` : ''}.`}{' '}
          <Link to={state.finished ? `/daybook/${state.id}` : `/makes/${state.id}`}>Open readings</Link>
        </p>
      )}
      {file && format && (
        <div className="file-columns">
          <div>
            <h2>Is this right?</h2>
            {file.detection.doubts.map((doubt) => (
              <p key={doubt} className="caution">
                {doubt}
              </p>
            ))}
            <FormatFields
              detection={file.detection}
              format={format}
              change={(part) => void read({ ...format, ...part })}
            />
            <div className="field-row">
              <TextInput label="Name" maxLength={80} {...form.getInputProps('instrument')} w={200} />
              {format.unit !== 'pH' && kitchen.thermometers.length > 0 && (
                <NativeSelect
                  label="Correct with the check of"
                  data={[
                    { value: '', label: 'none' },
                    ...kitchen.thermometers.map((t) => ({ value: t.id, label: t.name })),
                  ]}
                  value={thermometerId}
                  onChange={(e) => {
                    const own = kitchen.thermometers.find((t) => t.id === e.currentTarget.value);
                    form.setValues({
                      thermometerId: e.currentTarget.value,
                      ...(own ? { instrument: own.name } : {}),
                    });
                  }}
                  w={220}
                />
              )}
            </div>
          </div>
          <div>
            {share !== null && (
              <div className="field-row" role="status">
                <Progress value={share * 100} w={220} aria-label="Progress" />
                <span>Reading …</span>
                <Button
                  variant="default"
                  onClick={() => {
                    stopReading();
                    setShare(null);
                    setFile(null);
                  }}
                >
                  Stop
                </Button>
              </div>
            )}
            {rows && (
              <>
                <h2>How the file is read</h2>
                <Preview rows={rows} format={format} />
                {storing ? (
                  <div className="field-row" role="status">
                    <Progress value={100} animated w={220} aria-label="Saving" />
                    <span>Saving …</span>
                    <Button variant="default" onClick={() => upload.current?.abort()}>
                      Stop
                    </Button>
                  </div>
                ) : (
                  <Button className="great" h={72} disabled={inside === 0} onClick={() => void keep()}>
                    {inside === 0 ? 'No readings for this batch' : `Save ${inside} readings`}
                  </Button>
                )}
                <BadRows rows={rows} outside={outside} />
              </>
            )}
          </div>
        </div>
      )}
    </div>
  );
}

/** A logger's file for one make: read, shown, and only then stored. */
export function FilePlace({ state }: { readonly state: MakeState }) {
  return (
    <>
      <div className="make-head">
        <h1>Import readings</h1>
        <span className="quiet">for {state.plan.name}</span>
        <Link className="to-the-end" to={state.finished ? `/daybook/${state.id}` : `/makes/${state.id}`}>
          Back
        </Link>
      </div>
      <Importer state={state} />
    </>
  );
}

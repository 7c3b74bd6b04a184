import '../../parts/tables/tables.css';
import '../../parts/fields/form-styles.ts';
import { type MakeState } from '@morning-crock/core';
import { Button, FileButton, NativeSelect, Progress, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { shortName } from '@morning-crock/core/contract';
import { useRef } from 'react';
import { Link } from 'react-router';
import type { Units } from '../../data/units-of.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import type { RowsRead } from '../../workers/csv-client.ts';
import { BadRows, Preview } from './FileRows.tsx';
import { FormatFields } from './FormatFields.tsx';
import { useLoggerFile } from './use-logger-file.ts';
import './file.css';
import '@mantine/core/styles/Progress.css';

const counted = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`;
const areOf = (rows: number): string => `${counted(rows, 'row')} ${rows === 1 ? 'is' : 'are'}`;

/** How many of the rows fall into a batch, and in words what falls outside of it. */
function insideOf(
  rows: RowsRead | null,
  state: MakeState,
  units: Units,
): { inside: number; outside: string | null } {
  const endMs = state.finished?.atMs ?? Number.POSITIVE_INFINITY;
  const early = rows?.at.filter((ms) => ms < state.startedAtMs).length ?? 0;
  const late = rows?.at.filter((ms) => ms > endMs).length ?? 0;
  const inside = (rows?.at.length ?? 0) - early - late;
  const outside =
    early + late === 0
      ? null
      : [
          early > 0 &&
            `${areOf(early)} from before the batch started (${units.day(state.startedAtMs)}, ${units.time(state.startedAtMs, state.startedAtMs)})`,
          late > 0 && `${areOf(late)} from after the batch finished`,
        ]
          .filter(Boolean)
          .join('; ') + '.';
  return { inside, outside };
}

function Importer({ state }: { readonly state: MakeState }) {
  const kitchen = useKitchen();
  const units = useUnits();
  /** The same file may be chosen again: the browser must forget that it was. */
  const reset = useRef<() => void>(null);
  const logger = useLoggerFile(state);
  const { file, format, rows, share, fault, storing, done } = logger;
  const form = useForm({
    initialValues: { instrument: 'Logger', thermometerId: '' },
    validateInputOnChange: true,
    validate: {
      instrument: (called) =>
        shortName.safeParse(called.trim()).success ? null : 'Enter a name of up to 80 letters.',
    },
  });
  const { thermometerId } = form.values;
  const keep = (): void => {
    if (!form.validate().hasErrors) void logger.keep(form.values);
  };
  const { inside, outside } = insideOf(rows, state, units);
  return (
    <div className="file-place">
      <div className="field-row">
        <FileButton
          resetRef={reset}
          accept=".csv,.txt,.tsv,text/csv,text/plain"
          onChange={(f) => {
            reset.current?.();
            void logger.open(f);
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
            : `${counted(done.added, 'reading')} saved${done.already > 0 ? `, ${done.already} already saved` : ''}${done.outside > 0 ? `, ${done.outside} outside this batch left out` : ''}.`}{' '}
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
              change={(part) => void logger.read({ ...format, ...part })}
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
                <Button variant="default" onClick={logger.stopReading}>
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
                    <Button variant="default" onClick={logger.stopStoring}>
                      Stop
                    </Button>
                  </div>
                ) : (
                  <Button className="great" h={72} disabled={inside === 0} onClick={keep}>
                    {inside === 0 ? 'No readings for this batch' : `Save ${counted(inside, 'reading')}`}
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

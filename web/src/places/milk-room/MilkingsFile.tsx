import { MILKING_COLUMNS, type MilkingsRead } from '@morning-crock/core';
import { Button, FileButton } from '@mantine/core';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { errorWords, useStoreMilkingsMutation } from '../../data/api.ts';
import { now } from '../../data/clock.ts';
import { deviceId } from '../../data/device.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { readMilkingsFile } from '../../workers/csv-client.ts';

const BAD_SHOWN = 40;

/** Milkings from a file: looked at first, stored when confirmed, for the record and the months. */
export function MilkingsFile() {
  const kitchen = useKitchen();
  const units = useUnits();
  const reset = useRef<() => void>(null);
  const [fileName, setFileName] = useState('');
  const [read, setRead] = useState<MilkingsRead | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [reading, setReading] = useState(false);
  const [store, storing] = useStoreMilkingsMutation();
  const open = async (file: File | null): Promise<void> => {
    if (!file) return;
    setFileName(file.name);
    setRead(null);
    setFault(null);
    setSaid(null);
    setReading(true);
    const found = await readMilkingsFile(file, {
      zone: kitchen.site.zone,
      nowMs: now(),
      herd: kitchen.herd,
    }).catch(() => ({ fault: 'This device could not read the file. Choose it again.' }));
    setReading(false);
    if ('fault' in found) setFault(found.fault);
    else setRead(found);
  };
  const rows = read?.rows ?? [];
  const litres = rows.reduce((sum, row) => sum + row.litres, 0);
  return (
    <div className="milkings-file">
      <p>
        Use a CSV file with one row for each milking. The first row names the columns:{' '}
        {MILKING_COLUMNS.join(', ')}. Date, source and amount are required. These milkings count in Months.
        They do not change what is in the jars.
      </p>
      <FileButton
        resetRef={reset}
        accept=".csv,.txt,.tsv,text/csv,text/plain"
        onChange={(file) => {
          reset.current?.();
          void open(file);
        }}
      >
        {(button) => (
          <Button {...button} loading={reading}>
            Choose a file
          </Button>
        )}
      </FileButton>
      {fault && (
        <p className="field-error" role="alert">
          “{fileName}”: {fault} Nothing was changed.
        </p>
      )}
      {read && (
        <>
          <h2>{fileName}</h2>
          <p role="status">
            {rows.length} {rows.length === 1 ? 'milking' : 'milkings'}
            {rows.length > 0 &&
              `, ${units.volume(litres)} in total, ${units.day(Date.parse(rows[0]!.at))} to ${units.day(Date.parse(rows.at(-1)!.at))}, from ${[...new Set(rows.map((r) => r.source))].join(', ')}`}
            .
          </p>
          {read.doubts.map((doubt) => (
            <p key={doubt} className="caution">
              {doubt}
            </p>
          ))}
          {read.bad.length > 0 && (
            <div className="caution">
              <strong>
                {read.bad.length} {read.bad.length === 1 ? 'row' : 'rows'} skipped:
              </strong>
              <ul>
                {read.bad.slice(0, BAD_SHOWN).map((row) => (
                  <li key={row.line}>
                    line {row.line}: {row.why}
                  </li>
                ))}
                {read.bad.length > BAD_SHOWN && <li>and {read.bad.length - BAD_SHOWN} more</li>}
              </ul>
            </div>
          )}
          {rows.length > 0 && said === null && (
            <Button
              h={72}
              loading={storing.isLoading}
              onClick={() => {
                void store({ rows, deviceId: deviceId() })
                  .unwrap()
                  .then(({ added, already }) => setSaid(`${added} added, ${already} already here.`))
                  .catch((error: unknown) => setFault(errorWords(error)));
              }}
            >
              Save {rows.length === 1 ? 'this milking' : `these ${rows.length} milkings`}
            </Button>
          )}
          {said && (
            <p role="status">
              {said} <Link to="/milk/months">Open Months</Link>
            </p>
          )}
        </>
      )}
    </div>
  );
}

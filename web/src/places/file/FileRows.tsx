import { formatPh, formatTemperature, toCelsius, type TableFormat } from '@morning-crock/core';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import type { RowsRead } from '../../workers/csv-client.ts';

/** A few rows as they will be understood. */
export function Preview({ rows, format }: { readonly rows: RowsRead; readonly format: TableFormat }) {
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
export function BadRows({ rows, outside }: { readonly rows: RowsRead; readonly outside: string | null }) {
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

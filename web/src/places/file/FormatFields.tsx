import {
  DELIMITER_LABEL,
  DELIMITERS,
  TIME_FORMAT_LABEL,
  TIME_FORMATS,
  type Detection,
  type TableFormat,
  type TimeFormat,
} from '@morning-crock/core';
import { NativeSelect } from '@mantine/core';
import { Choices } from '../../parts/fields/Choices.tsx';

/** How the file is read: found out by itself, open to change. */
export function FormatFields(props: {
  readonly detection: Detection;
  readonly format: TableFormat;
  readonly change: (part: Partial<TableFormat>) => void;
}) {
  const { detection, format, change } = props;
  const columns = detection.columns.map((name, i) => ({ value: String(i), label: name }));
  return (
    <div className="format-fields">
      <Choices
        legend="Unit"
        value={format.unit}
        options={[
          { value: 'C', label: '°C' },
          { value: 'F', label: '°F' },
          { value: 'pH', label: 'pH' },
        ]}
        onChange={(unit) => change({ unit, quantity: unit === 'pH' ? 'ph' : 'temperature' })}
      />
      <NativeSelect
        label="Value column"
        data={columns}
        value={String(format.valueColumn)}
        onChange={(e) => change({ valueColumn: Number(e.currentTarget.value) })}
      />
      <NativeSelect
        label="Time column"
        data={columns}
        value={String(format.timeColumns[0] ?? 0)}
        onChange={(e) => change({ timeColumns: [Number(e.currentTarget.value)] })}
      />
      <NativeSelect
        label="Separate clock column"
        data={[{ value: '', label: 'no' }, ...columns]}
        value={String(format.timeColumns[1] ?? '')}
        onChange={(e) => {
          const date = format.timeColumns[0] ?? 0;
          change({
            timeColumns: e.currentTarget.value === '' ? [date] : [date, Number(e.currentTarget.value)],
          });
        }}
      />
      <NativeSelect
        label="Time format"
        data={TIME_FORMATS.map((f) => ({ value: f, label: TIME_FORMAT_LABEL[f] }))}
        value={format.timeFormat}
        onChange={(e) => change({ timeFormat: e.currentTarget.value as TimeFormat })}
      />
      <NativeSelect
        label="Column separator"
        data={DELIMITERS.map((d) => ({ value: d, label: DELIMITER_LABEL[d] ?? d }))}
        value={format.delimiter}
        onChange={(e) => change({ delimiter: e.currentTarget.value })}
      />
      <Choices
        legend="Decimal sign"
        value={format.decimal}
        options={[
          { value: '.', label: 'point 43.1' },
          { value: ',', label: 'comma 43,1' },
        ]}
        onChange={(decimal) => change({ decimal })}
      />
    </div>
  );
}

import { readTypedNumber } from '@morning-crock/core';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { use, useState } from 'react';
import { TriedContext } from './tried.ts';

/** A number with its unit: typed as people type, kept as typed, told what is wrong beside it. */
export function QuantityField<U extends string>(props: {
  readonly label: string;
  readonly value: number | null;
  readonly unit: U;
  readonly units: readonly { readonly value: U; readonly label: string }[];
  /** Checks a value in a unit; a text is what is wrong with it. */
  readonly check: (value: number, unit: U) => string | null;
  readonly onChange: (value: number, unit: U) => void;
  readonly onFault?: (faulty: boolean) => void;
  /** May stay empty, and be emptied again. */
  readonly optional?: boolean;
  readonly onEmpty?: () => void;
  /** What an empty field that is needed says. */
  readonly missing?: string;
  readonly width?: number;
}) {
  const {
    label,
    value,
    unit,
    units,
    check,
    onChange,
    onFault,
    optional = false,
    onEmpty,
    width = 120,
  } = props;
  const missing = props.missing ?? 'Enter a number.';
  const tried = use(TriedContext);
  const [text, setText] = useState<string | null>(null);
  const [chosen, setChosen] = useState<U>(unit);
  const [given, setGiven] = useState<U>(unit);
  // Somebody else may have set the amount in another unit, as a culture that brings its dose along.
  if (given !== unit) {
    setGiven(unit);
    setChosen(unit);
  }
  const shown = text ?? (value === null ? '' : String(Number(value.toPrecision(6))));
  const read = readTypedNumber(shown);
  let error: string | null = null;
  const empty = !read.ok && read.reason === 'empty';
  if (empty) error = !optional && (tried || text !== null) ? missing : null;
  else if (text !== null || chosen !== unit) {
    if (read.ok) error = check(read.value, chosen);
    else if (read.reason === 'not-a-number') error = `“${shown}” is not a number.`;
  }
  const ambiguous = !read.ok && read.reason === 'ambiguous';
  const take = (nextText: string, nextUnit: U): void => {
    setText(nextText);
    setChosen(nextUnit);
    const next = readTypedNumber(nextText);
    if (optional && !next.ok && next.reason === 'empty') {
      onFault?.(false);
      onEmpty?.();
      return;
    }
    const good = next.ok && check(next.value, nextUnit) === null;
    onFault?.(!good);
    if (next.ok && good) onChange(next.value, nextUnit);
  };
  return (
    <div>
      <div className="field-row">
        <TextInput
          label={label}
          value={shown}
          inputMode="decimal"
          autoComplete="off"
          error={error !== null || ambiguous}
          onChange={(event) => take(event.currentTarget.value, chosen)}
          onBlur={() => {
            if (read.ok && error === null) setText(null);
          }}
          w={width}
          styles={{ label: { whiteSpace: 'nowrap' } }}
        />
        {units.length > 1 ? (
          <NativeSelect
            aria-label={`${label}: unit`}
            data={[...units]}
            value={chosen}
            onChange={(event) => take(shown, event.currentTarget.value as U)}
            w={150}
          />
        ) : (
          <span className="unit-alone">{units[0]?.label}</span>
        )}
      </div>
      {ambiguous && (
        <div className="field-row" role="alert">
          <span className="field-error">Which number do you mean by “{shown}”?</span>
          {read.readings.map((reading) => (
            <Button key={reading} variant="default" size="sm" onClick={() => take(String(reading), chosen)}>
              {reading}
            </Button>
          ))}
        </div>
      )}
      {error !== null && (
        <p className="field-error" role="alert">
          {error}
        </p>
      )}
    </div>
  );
}

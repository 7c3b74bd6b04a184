import { readTypedNumber } from '@morning-crock/core';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';

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
  readonly width?: number;
}) {
  const { label, value, unit, units, check, onChange, onFault, width = 120 } = props;
  const [text, setText] = useState<string | null>(null);
  const [chosen, setChosen] = useState<U>(unit);
  const shown = text ?? (value === null ? '' : String(Number(value.toPrecision(6))));
  const read = readTypedNumber(shown);
  let error: string | null = null;
  if (text !== null || chosen !== unit) {
    if (!read.ok)
      error =
        read.reason === 'not-a-number'
          ? `“${shown}” is not a number.`
          : read.reason === 'empty'
            ? 'Needs a number.'
            : null;
    else error = check(read.value, chosen);
  }
  const take = (nextText: string, nextUnit: U): void => {
    setText(nextText);
    setChosen(nextUnit);
    const next = readTypedNumber(nextText);
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
          error={error !== null}
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
            w={130}
          />
        ) : (
          <span style={{ paddingBottom: 12 }}>{units[0]?.label}</span>
        )}
      </div>
      {!read.ok && read.reason === 'ambiguous' && (
        <div className="field-row" role="alert">
          <span className="field-error">“{shown}”: which is meant?</span>
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

import { readTypedNumber } from '@morning-crock/core';
import { TextInput } from '@mantine/core';
import { useState } from 'react';

/** A number that is kept as typed while it is typed. */
export function NumberField(props: {
  readonly label: string;
  readonly value: number;
  readonly unit: string;
  readonly fault: string | null;
  readonly onValue: (value: number) => void;
  readonly width?: number;
}) {
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? String(Math.round(props.value * 100) / 100);
  const read = readTypedNumber(shown);
  const own = read.ok
    ? null
    : read.reason === 'ambiguous'
      ? `Did you mean ${read.readings.join(' or ')}? Type the number without the comma.`
      : 'Enter a number.';
  return (
    <TextInput
      label={`${props.label} (${props.unit})`}
      value={shown}
      inputMode="decimal"
      autoComplete="off"
      error={own ?? props.fault}
      w={props.width ?? 150}
      onChange={(event) => {
        setText(event.currentTarget.value);
        const next = readTypedNumber(event.currentTarget.value);
        // What is not a number reaches the check as one that no section takes, so that it cannot be saved.
        props.onValue(next.ok ? next.value : Number.NaN);
      }}
      onBlur={() => {
        if (read.ok) setText(null);
      }}
    />
  );
}

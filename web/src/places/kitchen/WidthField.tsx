import { readTypedNumber } from '@morning-crock/core';
import { TextInput } from '@mantine/core';
import { useState } from 'react';

const CM_PER_INCH = 2.54;

/** How wide a pan is inside; left empty, nobody measured it. */
export function WidthField(props: {
  readonly widthCm: number | undefined;
  readonly imperial: boolean;
  readonly fault: string | null;
  readonly onWidth: (widthCm: number | undefined) => void;
}) {
  const { widthCm, imperial, fault, onWidth } = props;
  const scale = imperial ? CM_PER_INCH : 1;
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? (widthCm === undefined ? '' : String(Math.round((widthCm / scale) * 10) / 10));
  const read = readTypedNumber(shown);
  return (
    <TextInput
      label={`Inner width (${imperial ? 'in' : 'cm'})`}
      placeholder="not measured"
      value={shown}
      inputMode="decimal"
      autoComplete="off"
      w={170}
      error={shown.trim() === '' || read.ok ? fault : 'Enter a number.'}
      onChange={(event) => {
        const next = event.currentTarget.value;
        setText(next);
        const typed = readTypedNumber(next);
        if (next.trim() === '') onWidth(undefined);
        // What is no number reaches the check as one that no pot takes, so that it cannot be saved.
        else onWidth(typed.ok ? typed.value * scale : Number.NaN);
      }}
      onBlur={() => {
        if (read.ok) setText(null);
      }}
    />
  );
}

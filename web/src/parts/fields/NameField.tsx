import { TextInput } from '@mantine/core';
import { use, useState } from 'react';
import { TriedContext } from './tried.ts';

/** A name that must not stay empty; it says so once it was emptied or somebody tried to store without. */
export function NameField(props: {
  readonly label?: string;
  readonly value: string;
  readonly onChange: (name: string) => void;
}) {
  const { label = 'Name', value, onChange } = props;
  const tried = use(TriedContext);
  const [touched, setTouched] = useState(false);
  return (
    <TextInput
      label={label}
      value={value}
      maxLength={80}
      error={(tried || touched) && value.trim() === '' ? 'Enter a name.' : null}
      onChange={(event) => {
        setTouched(true);
        onChange(event.currentTarget.value);
      }}
    />
  );
}

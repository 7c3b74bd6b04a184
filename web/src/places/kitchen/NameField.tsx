import { TextInput } from '@mantine/core';

/** What a thing of the kitchen is called. */
export function NameField(props: {
  readonly name: string;
  readonly fault: string | null;
  readonly onName: (name: string) => void;
  readonly width?: number;
}) {
  return (
    <TextInput
      label="Name"
      value={props.name}
      error={props.fault}
      onChange={(e) => props.onName(e.currentTarget.value)}
      w={props.width ?? 180}
    />
  );
}

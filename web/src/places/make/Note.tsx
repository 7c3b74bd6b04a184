import type { MakeState } from '@morning-crock/core';
import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import { record } from '../../data/store.ts';

/** A line in the maker's own words. */
export function Note({ state }: { readonly state: MakeState }) {
  const [text, setText] = useState('');
  return (
    <form
      className="field-row"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === '') return;
        void record(state.id, 'noted', { text: text.trim() });
        setText('');
      }}
    >
      <TextInput
        label="Note"
        value={text}
        maxLength={2000}
        onChange={(e) => setText(e.currentTarget.value)}
        flex={1}
      />
      <Button type="submit" variant="default">
        Save note
      </Button>
    </form>
  );
}

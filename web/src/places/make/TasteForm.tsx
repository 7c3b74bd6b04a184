import { SOURNESS, type MakeState, type Sourness } from '@morning-crock/core';
import { Button, Textarea } from '@mantine/core';
import { useState } from 'react';
import { record } from '../../data/store.ts';
import { Choices } from '../../parts/Choices.tsx';

const TEXTURES = ['thin', 'pourable', 'spoonable', 'firm'] as const;

/** How it turned out, in the maker's own judgement. */
export function TasteForm({ state }: { readonly state: MakeState }) {
  const [sourness, setSourness] = useState<Sourness>(state.plan.wanted.sourness);
  const [texture, setTexture] = useState<(typeof TEXTURES)[number]>('spoonable');
  const [text, setText] = useState('');
  return (
    <form
      className="pad-face column"
      aria-label="Taste"
      onSubmit={(event) => {
        event.preventDefault();
        void record(state.id, 'tasted', { sourness, texture, text: text.trim() });
      }}
    >
      <Choices
        legend="How sour?"
        value={sourness}
        options={SOURNESS.map((s) => ({ value: s, label: s }))}
        onChange={setSourness}
      />
      <Choices
        legend="How thick?"
        value={texture}
        options={TEXTURES.map((t) => ({ value: t, label: t }))}
        onChange={setTexture}
      />
      <Textarea
        label="Notes"
        value={text}
        maxLength={2000}
        autosize
        minRows={2}
        onChange={(e) => setText(e.currentTarget.value)}
      />
      <Button type="submit" variant="default">
        Save taste
      </Button>
    </form>
  );
}

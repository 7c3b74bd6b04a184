import {
  DEFECT_FACTS,
  defectsOf,
  productOf,
  SOURNESS,
  type Defect,
  type MakeState,
  type Sourness,
} from '@morning-crock/core';
import { Button, Textarea } from '@mantine/core';
import { useState } from 'react';
import { record } from '../../data/store.ts';
import { Choices } from '../../parts/fields/Choices.tsx';

const TEXTURES = ['thin', 'pourable', 'spoonable', 'firm'] as const;

/** How it turned out, in the maker's own judgement, and what is wrong with it. */
export function TasteForm({ state }: { readonly state: MakeState }) {
  const [sourness, setSourness] = useState<Sourness>(state.plan.wanted.sourness);
  const [texture, setTexture] = useState<(typeof TEXTURES)[number]>('spoonable');
  const [defects, setDefects] = useState<readonly Defect[]>([]);
  const [text, setText] = useState('');
  // Of butter and ghee nobody asks how sour or how thick.
  const soured =
    state.steps.some(({ step }) => step.facts.sours) && productOf(state.plan).goods.out !== 'butter';
  const turn = (defect: Defect): void =>
    setDefects(defects.includes(defect) ? defects.filter((d) => d !== defect) : [...defects, defect]);
  return (
    <form
      className="pad-face column"
      aria-label="Taste"
      onSubmit={(event) => {
        event.preventDefault();
        void record(state.id, 'tasted', {
          ...(soured ? { sourness, texture } : {}),
          text: text.trim(),
          ...(defects.length > 0 ? { defects: [...defects] } : {}),
        });
      }}
    >
      {soured && (
        <>
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
        </>
      )}
      <p className="quiet">Anything wrong?</p>
      <div className="chips felt" role="group" aria-label="Anything wrong?">
        {defectsOf(state.plan).map((defect) => (
          <button
            key={defect}
            type="button"
            className="chip"
            aria-pressed={defects.includes(defect)}
            onClick={() => turn(defect)}
          >
            {DEFECT_FACTS[defect].label}
          </button>
        ))}
      </div>
      {defects.map((defect) => (
        <p key={defect} className={DEFECT_FACTS[defect].discard ? 'caution stop' : 'quiet'}>
          <strong>{DEFECT_FACTS[defect].label}</strong>: {DEFECT_FACTS[defect].explained}
        </p>
      ))}
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

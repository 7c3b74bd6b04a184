import type { MakeState } from '@morning-crock/core';
import { Button, FileButton, TextInput } from '@mantine/core';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { record } from '../../data/store.ts';
import { useAllLive } from '../../data/use-all-live.ts';
import { tagsOf } from '../../parts/print/tag-code.ts';
import './ways.css';

/** So many can be tapped without typing. */
const TAPPED = 12;

/** Which numbered tags hang on its jars: tapped, scanned or typed, so that everybody knows which jar is which. */
export function Tags({ state }: { readonly state: MakeState }) {
  const [text, setText] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const reset = useRef<() => void>(null);
  const elsewhere = new Map(
    useAllLive().flatMap(({ state: other }) =>
      other.id === state.id ? [] : other.tags.map((tag) => [tag, other.plan.name] as const),
    ),
  );
  const hang = (tags: readonly number[]): void => {
    setFault(null);
    void record(state.id, 'tagged', { tags: [...new Set(tags)].sort((a, b) => a - b) });
  };
  const shown = text ?? state.tags.join(', ');
  const read = tagsOf(shown);
  const scan = async (file: File | null): Promise<void> => {
    if (!file) return;
    try {
      const { scannedTag } = await import('../../parts/print/scan-tag.ts');
      const tag = await scannedTag(file);
      if (elsewhere.has(tag))
        setFault(`Tag ${tag} is already on ${elsewhere.get(tag)!}. Remove that tag first, or use another.`);
      else hang([...state.tags, tag]);
    } catch (error) {
      setFault(error instanceof Error ? error.message : 'This picture cannot be read. Try another one.');
    }
  };
  const tags = Array.from({ length: TAPPED }, (_, i) => i + 1);
  return (
    <details className="tags">
      <summary className="unfolds">
        {state.tags.length === 0
          ? 'No tags on these jars yet'
          : `Tags on these jars: ${state.tags.join(', ')}`}
      </summary>
      <div className="tag-chips above-s" role="group" aria-label="Tags on these jars">
        {tags.map((tag) => (
          <button
            key={tag}
            type="button"
            className="chip"
            aria-pressed={state.tags.includes(tag)}
            aria-label={elsewhere.has(tag) ? `Tag ${tag}, on ${elsewhere.get(tag)!}` : `Tag ${tag}`}
            disabled={elsewhere.has(tag) && !state.tags.includes(tag)}
            onClick={() =>
              hang(state.tags.includes(tag) ? state.tags.filter((t) => t !== tag) : [...state.tags, tag])
            }
          >
            {tag}
          </button>
        ))}
      </div>
      <form
        className="row above-s"
        aria-label="Tags"
        onSubmit={(event) => {
          event.preventDefault();
          if (typeof read === 'string') return;
          hang(read);
          setText(null);
        }}
      >
        <FileButton
          resetRef={reset}
          accept="image/*"
          capture="environment"
          onChange={(file) => {
            reset.current?.();
            void scan(file);
          }}
        >
          {(button) => (
            <Button {...button} variant="default" mt="auto">
              Scan a tag
            </Button>
          )}
        </FileButton>
        <TextInput
          label="Or type numbers"
          placeholder="4, 70"
          inputMode="numeric"
          autoComplete="off"
          value={shown}
          error={typeof read === 'string' ? read : null}
          onChange={(e) => setText(e.currentTarget.value)}
        />
        <Button
          type="submit"
          variant="default"
          disabled={text === null || typeof read === 'string'}
          mt="auto"
        >
          Save tags
        </Button>
        <Link to="/kitchen/things">Print tags</Link>
      </form>
      {fault && (
        <p className="field-error" role="alert">
          {fault}
        </p>
      )}
    </details>
  );
}

import type { MakeState } from '@morning-crock/core';
import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { record } from '../../data/store.ts';
import { useAllLive } from '../../data/use-all-live.ts';
import { tagsOf } from '../../parts/print/tag-code.ts';
import { ScanButton } from '../../parts/scan/ScanButton.tsx';
import { scannedOf } from '../../parts/scan/scanned.ts';
import './ways.css';

/** So many can be tapped without typing. */
const TAPPED = 12;

/** Which numbered tags hang on its jars: tapped, scanned or typed, so that everybody knows which jar is which. */
export function Tags({ state }: { readonly state: MakeState }) {
  const [text, setText] = useState<string | null>(null);
  const elsewhere = new Map(
    useAllLive().flatMap(({ state: other }) =>
      other.id === state.id ? [] : other.tags.map((tag) => [tag, other.plan.name] as const),
    ),
  );
  const hang = (tags: readonly number[]): void => {
    void record(state.id, 'tagged', { tags: [...new Set(tags)].sort((a, b) => a - b) });
  };
  const shown = text ?? state.tags.join(', ');
  const read = tagsOf(shown);
  const scanned = (square: string): string | null => {
    const found = scannedOf(square);
    if (found?.of !== 'tag') return 'That code is not from a jar tag.';
    const other = elsewhere.get(found.tag);
    if (other !== undefined)
      return `Tag ${found.tag} is already on ${other}. Remove that tag first, or use another.`;
    hang([...state.tags, found.tag]);
    return null;
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
        <ScanButton label="Scan a tag" onSquare={scanned} />
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
    </details>
  );
}

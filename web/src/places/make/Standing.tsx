import { sameTags, wouldMix, type MakeState } from '@morning-crock/core';
import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { record } from '../../data/store.ts';
import { useAllLive } from '../../data/use-all-live.ts';

const MOST_TAG = 999;

/** What stands beside it: other cultures in the same air, and tags that hang twice. */
export function Beside({ state }: { readonly state: MakeState }) {
  const others = useAllLive().map((live) => live.state);
  const mixing = wouldMix(state, others);
  const twice = sameTags(state, others);
  return (
    <>
      {mixing.length > 0 && (
        <p className="caution above-s">
          {mixing.map((make, i) => (
            <span key={make.id}>
              {i > 0 && ', '}
              <Link to={`/makes/${make.id}`}>{make.plan.name}</Link>
            </span>
          ))}{' '}
          sours at {state.plan.place.name} as well, by another culture: stand them apart and covered, own
          spoon for each, or they mix.
        </p>
      )}
      {twice.map(({ tag, make }) => (
        <p key={`${tag} ${make.id}`} className="caution above-s" role="alert">
          Tag {tag} hangs on <Link to={`/makes/${make.id}`}>{make.plan.name}</Link> as well: one of them is
          wrong.
        </p>
      ))}
    </>
  );
}

/** The numbers a text says, or what is wrong with it. @example tagsOf('4, 7') // [4, 7] */
function tagsOf(text: string): number[] | string {
  const parts = text.split(/[\s,;]+/).filter((part) => part !== '');
  const numbers = parts.map(Number);
  const bad = parts.find(
    (_, i) => !Number.isInteger(numbers[i]) || numbers[i]! < 1 || numbers[i]! > MOST_TAG,
  );
  if (bad !== undefined) return `“${bad}” is no tag: they go from 1 to ${MOST_TAG}.`;
  return [...new Set(numbers)].sort((a, b) => a - b);
}

/** Which numbered tags hang on its jars: so that everybody knows which jar is which. */
export function Tags({ state }: { readonly state: MakeState }) {
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? state.tags.join(', ');
  const read = tagsOf(shown);
  return (
    <form
      className="row"
      aria-label="Tags"
      onSubmit={(event) => {
        event.preventDefault();
        if (typeof read === 'string') return;
        void record(state.id, 'tagged', { tags: read });
        setText(null);
      }}
    >
      <TextInput
        label="Tags on its jars"
        placeholder="4, 7"
        inputMode="numeric"
        autoComplete="off"
        value={shown}
        error={typeof read === 'string' ? read : null}
        onChange={(e) => setText(e.currentTarget.value)}
      />
      <Button type="submit" variant="default" disabled={text === null || typeof read === 'string'} mt="auto">
        Hang them on
      </Button>
    </form>
  );
}

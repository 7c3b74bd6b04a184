import { Button } from '@mantine/core';
import type { ReactNode } from 'react';
import { ulid } from 'ulid';

/** Things of one kind, each on a row of fields, with one more to add and any but the last to remove. */
export function Rows<T extends { readonly id: string; readonly name: string }>(props: {
  readonly items: readonly T[];
  readonly set: (items: T[]) => void;
  /** There may be none at all. */
  readonly none?: boolean;
  readonly addLabel: string;
  /** A new one as it starts out. */
  readonly create: (id: string) => T;
  readonly fields: (item: T, index: number, change: (part: Partial<T>) => void) => ReactNode;
}) {
  const { items, set, none = false, addLabel, create, fields } = props;
  return (
    <div className="rows">
      {items.map((item, i) => (
        <div key={item.id} className="row">
          {fields(item, i, (part) => set(items.map((old, k) => (k === i ? { ...old, ...part } : old))))}
          {(none || items.length > 1) && (
            <Button
              variant="subtle"
              px={8}
              onClick={() => set(items.filter((_, k) => k !== i))}
              aria-label={`Remove ${item.name}`}
            >
              Remove
            </Button>
          )}
        </div>
      ))}
      <Button variant="default" onClick={() => set([...items, create(ulid())])}>
        {addLabel}
      </Button>
    </div>
  );
}

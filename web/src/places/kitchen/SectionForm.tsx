import { kitchenSettings, type KitchenChange, type KitchenSettings } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import { record } from '../../data/store.ts';

type Section = KitchenChange['section'];

/** One section: edited as typed, checked by the contract, stored as one event when asked to. */
export function SectionForm<S extends Section>(props: {
  readonly kitchenId: string;
  readonly section: S;
  readonly title: string;
  readonly value: KitchenSettings[S];
  readonly hint?: string;
  /** What is being edited with what was stored meanwhile from elsewhere; left out, as it is edited. */
  readonly renewed?:
    ((draft: KitchenSettings[S], value: KitchenSettings[S]) => KitchenSettings[S]) | undefined;
  /** It takes the whole width. */
  readonly wide?: boolean;
  readonly children: (
    draft: KitchenSettings[S],
    set: (value: KitchenSettings[S]) => void,
    fault: (path: string) => string | null,
  ) => ReactNode;
}) {
  const { kitchenId, section, title, value, hint, renewed, wide, children } = props;
  const [draft, setDraft] = useState<KitchenSettings[S] | null>(null);
  const [faults, setFaults] = useState<readonly { path: string; message: string }[]>([]);
  const [saved, setSaved] = useState(false);
  const shown = draft === null ? value : (renewed?.(draft, value) ?? draft);
  const save = (): void => {
    const parsed = kitchenSettings.shape[section].safeParse(shown);
    if (!parsed.success) {
      setFaults(parsed.error.issues.map((i) => ({ path: i.path.map(String).join('.'), message: i.message })));
      return;
    }
    setFaults([]);
    void record(kitchenId, 'kitchen-changed', { section, value: parsed.data } as KitchenChange).then(() => {
      setSaved(true);
    });
  };
  return (
    <form
      className={wide ? 'section wide' : 'section'}
      aria-label={title}
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <h2>{title}</h2>
      {hint && <p className="quiet">{hint}</p>}
      {children(
        shown,
        (next) => {
          setDraft(next);
          setSaved(false);
        },
        (path) => faults.find((f) => f.path === path)?.message ?? null,
      )}
      {faults.length > 0 && (
        <p className="field-error" role="alert">
          Not saved: {faults.map((f) => f.message).join('; ')}. Nothing was changed.
        </p>
      )}
      <div className="row">
        {draft !== null && !saved && <Button type="submit">Save</Button>}
        <span className="quiet" role="status">
          {saved ? 'Saved' : ''}
        </span>
      </div>
    </form>
  );
}

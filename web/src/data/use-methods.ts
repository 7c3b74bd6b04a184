import { defaultKitchen, foldMethods, methodsAfter, SHIPPED_METHODS } from '@morning-crock/core';
import type { KeptMethod, Method } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { useKitchenQuery, useMethodsQuery } from './api.ts';
import { listsCame, useAppSelector } from './store.ts';

listsCame({ methods: methodsAfter });

/** A method as the place shows it: its latest version, and those before. */
export interface ShownMethod {
  readonly id: string;
  readonly method: Method;
  /** The kitchen's own, rather than one that came with the product. */
  readonly own: KeptMethod | null;
}

const NOBODY = defaultKitchen('UTC');
const SHIPPED: readonly ShownMethod[] = SHIPPED_METHODS.map((method) => ({
  id: method.id,
  method,
  own: null,
}));

/** Every method there is, with what is kept on this device and not stored yet. */
export function useMethods() {
  const { data, isError, refetch } = useMethodsQuery();
  const { data: kitchen } = useKitchenQuery();
  const entries = useAppSelector((s) => s.outbox.entries);
  const own = useMemo(() => {
    const kept = new Map((data ?? []).map((m) => [m.id, m]));
    const drafts = entries.flatMap((e) => (e.refused ? [] : [e.draft]));
    for (const fresh of foldMethods(drafts.filter(({ type }) => type === 'method-changed'))) {
      const before = kept.get(fresh.id);
      kept.set(fresh.id, { ...fresh, versions: [...fresh.versions, ...(before?.versions ?? [])] });
    }
    // Dropped on this device and not stored yet: nothing was saved with it.
    for (const draft of drafts)
      if (draft.type === 'method-changed' && draft.data.kind === 'dropped') {
        const before = kept.get(draft.streamId);
        if (before) kept.set(draft.streamId, { ...before, dropped: true });
      }
    return [...kept.values()];
  }, [data, entries]);
  const shown = useMemo(
    (): readonly ShownMethod[] => [
      ...own.filter((m) => !m.dropped).map((m) => ({ id: m.id, method: m.versions[0]!.method, own: m })),
      ...SHIPPED,
    ],
    [own],
  );
  return {
    shown,
    own,
    kitchen: kitchen?.settings ?? NOBODY,
    known: data !== undefined && kitchen !== undefined,
    failed: isError && data === undefined,
    again: () => void refetch(),
  };
}

import { daysAfter, foldDays } from '@morning-crock/core';
import type { KeptDay } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { useDaysQuery } from './api.ts';
import { listsCame, useAppSelector } from './store.ts';

listsCame({ days: daysAfter });

/** Days that are kept or going on, with what is kept on this device and not stored yet. */
export function useDays(): readonly KeptDay[] {
  const { data } = useDaysQuery();
  const entries = useAppSelector((s) => s.outbox.entries);
  return useMemo(() => {
    const drafts = entries.flatMap(({ refused, draft }) =>
      !refused && draft.type === 'day-changed' ? [draft] : [],
    );
    const gone = new Set(drafts.flatMap((d) => (d.data.kind === 'dropped' ? [d.streamId] : [])));
    const fresh = foldDays(drafts);
    const kept = (data ?? []).filter(
      ({ id, day }) => !gone.has(id) && !fresh.some((f) => f.id === id && f.day.version > day.version),
    );
    return [...fresh, ...kept.filter(({ id }) => !fresh.some((f) => f.id === id))];
  }, [data, entries]);
}

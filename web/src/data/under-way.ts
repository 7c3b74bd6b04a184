import { useMemo } from 'react';
import { shallowEqual } from 'react-redux';
import { useRecentMakesQuery } from './api.ts';
import { beginsStream } from './outbox.ts';
import { useAppSelector } from './store.ts';

/** The identities of all makes under way, those begun here among them that are not sent or not listed yet. */
export function useUnderWayIds(): readonly string[] {
  const { data } = useRecentMakesQuery();
  const begunHere = useAppSelector(
    (s) => [
      ...s.outbox.entries.filter((e) => beginsStream(e.draft) && !e.refused).map((e) => e.draft.streamId),
      ...s.outbox.begun,
    ],
    shallowEqual,
  );
  return useMemo(() => {
    const stored = (data ?? []).filter((m) => m.status === 'under-way').map((m) => m.id);
    return [...new Set([...stored, ...begunHere])];
  }, [data, begunHere]);
}

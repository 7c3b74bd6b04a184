import { foldMake } from '@morning-crock/core';
import { useMemo } from 'react';
import { api } from '../api/api.ts';
import { useNow } from './clock.ts';
import { useUnderWayIds } from './LiveMakes.tsx';
import { useAppSelector } from './store.ts';
import { liveOf, type LiveMake } from './use-make.ts';

/** All makes under way that have a forecast, for the shelf, the clock line and the alarms. */
export function useAllLive(): readonly LiveMake[] {
  const ids = useUnderWayIds();
  const cache = useAppSelector((s) => s.api.queries);
  const entries = useAppSelector((s) => s.outbox.entries);
  const forecasts = useAppSelector((s) => s.live.forecasts);
  const nowMs = useNow(5000);
  const states = useMemo(
    () =>
      ids.flatMap((id) => {
        const stored = api.endpoints.make.select(id)({ api: { queries: cache } } as never).data ?? [];
        const kept = entries.filter((e) => e.draft.streamId === id && !e.refused).map((e) => e.draft);
        const state = foldMake(id, [...stored, ...kept]);
        return state && !state.finished ? [state] : [];
      }),
    [ids, cache, entries],
  );
  return useMemo(
    () =>
      states.flatMap((state) => {
        const live = forecasts[state.id];
        return live ? [liveOf(state, live.forecast, nowMs)] : [];
      }),
    [states, forecasts, nowMs],
  );
}

import { foldMake } from '@morning-crock/core';
import { useMemo } from 'react';
import { shallowEqual } from 'react-redux';
import { api } from '../api/api.ts';
import { useNow } from './clock.ts';
import { useUnderWayIds } from './LiveMakes.tsx';
import { useAppSelector } from './store.ts';
import { liveOf, type LiveMake } from './use-make.ts';

/** All makes under way that have a forecast, for the shelf, the clock line and the alarms. */
export function useAllLive(): readonly LiveMake[] {
  const ids = useUnderWayIds();
  const stored = useAppSelector((s) => ids.map((id) => api.endpoints.make.select(id)(s).data), shallowEqual);
  const entries = useAppSelector((s) => s.outbox.entries);
  const forecasts = useAppSelector((s) => s.live.forecasts);
  const nowMs = useNow(5000);
  const states = useMemo(
    () =>
      ids.flatMap((id, i) => {
        const kept = entries.filter((e) => e.draft.streamId === id && !e.refused).map((e) => e.draft);
        const state = foldMake(id, [...(stored[i] ?? []), ...kept]);
        return state && !state.finished ? [state] : [];
      }),
    [ids, stored, entries],
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

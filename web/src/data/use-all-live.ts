import { useMemo } from 'react';
import { useAppSelector } from './store.ts';
import { useUnderWayLogs } from './under-way-logs.ts';
import { liveOf, useLiveNow, type LiveMake } from './use-make.ts';

/** All makes under way that have a forecast, for places that need more of them than a picture. */
export function useAllLive(): readonly LiveMake[] {
  const logs = useUnderWayLogs();
  const forecasts = useAppSelector((s) => s.live.forecasts);
  const nowMs = useLiveNow();
  return useMemo(
    () =>
      logs.flatMap(({ state }) => {
        const live = state && !state.finished ? forecasts[state.id] : undefined;
        return state && live ? [liveOf(state, live.forecast, nowMs)] : [];
      }),
    [logs, forecasts, nowMs],
  );
}

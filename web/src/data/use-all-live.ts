import { useMemo } from 'react';
import { useAppSelector } from './store.ts';
import { useUnderWayLogs } from './under-way-logs.ts';
import { liveOf, useLiveNow, type LiveMake } from './use-make.ts';

/** All makes under way that have a forecast, for the shelf, the clock line and the alarms. */
export function useAllLive(): readonly LiveMake[] {
  const logs = useUnderWayLogs();
  const forecasts = useAppSelector((s) => s.live.forecasts);
  const day = useAppSelector((s) => s.live.day);
  const nowMs = useLiveNow();
  return useMemo(
    () =>
      logs.flatMap(({ state }) => {
        const live = state && !state.finished ? forecasts[state.id] : undefined;
        if (!state || !live) return [];
        const known = liveOf(state, live.forecast, nowMs);
        // What was kept from the last time is shown, and nothing rings by it while it is being renewed.
        const make = live.recalled ? { ...known, alarms: [] } : known;
        const planned = day?.next[state.id];
        // The day has its own order: what may wait is not asked for before its turn.
        return planned && make.next && planned.atMs > make.next.atMs
          ? [
              {
                ...make,
                next: { ...make.next, atMs: planned.atMs, mustAct: false },
                alarms: make.alarms.map((alarm) =>
                  alarm.mustAct ? alarm : { ...alarm, dueAtMs: Math.max(alarm.dueAtMs, planned.atMs) },
                ),
              },
            ]
          : [make];
      }),
    [logs, forecasts, nowMs, day],
  );
}

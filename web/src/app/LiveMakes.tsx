import { useEffect, useRef, useState } from 'react';
import { useRecentMakesQuery } from '../data/api.ts';
import { forgetForecasts, keepForecast, lastForecast } from '../data/last-forecasts.ts';
import { requestForecast } from '../workers/forecast-client.ts';
import { now } from '../data/clock.ts';
import { liveSlice } from '../data/live-slice.ts';
import { useAppDispatch, useAppSelector } from '../data/store.ts';
import { useUnderWayIds } from '../data/under-way.ts';
import { useMake } from '../data/use-make.ts';

/** A forecast is renewed this often even when nothing happens: time itself moves it. */
const RENEW_MS = 60_000;
/** One that only time moved is kept anew this often. */
const KEEP_MS = 300_000;

/** Keeps the forecast of one make fresh; shows nothing. */
function Keeper({ makeId }: { readonly makeId: string }) {
  const { shaping, state } = useMake(makeId);
  const dispatch = useAppDispatch();
  const attempts = useAppSelector((s) => s.live.attempts);
  const [turn, setTurn] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setTurn((t) => t + 1), RENEW_MS);
    return () => clearInterval(timer);
  }, []);
  const known = state !== null;
  const drawnFrom = useRef<unknown>(null);
  const keptMs = useRef(0);
  useEffect(() => {
    void lastForecast(makeId, now()).then((last) => {
      if (last) dispatch(liveSlice.actions.forecastRecalled({ makeId, ...last }));
    });
  }, [dispatch, makeId]);
  useEffect(() => {
    if (!known) return;
    let wanted = true;
    // Only news makes the old picture fade; the minute's renewal passes unseen.
    const news = drawnFrom.current !== shaping;
    if (news) dispatch(liveSlice.actions.workStarted(makeId));
    drawnFrom.current = shaping;
    const nowMs = now();
    requestForecast(makeId, { kind: 'make', makeId, events: shaping, nowMs }).then(
      (forecast) => {
        if (!forecast || !wanted) return;
        dispatch(liveSlice.actions.forecastMade({ makeId, forecast, atMs: nowMs }));
        if (!news && nowMs - keptMs.current < KEEP_MS) return;
        keptMs.current = nowMs;
        keepForecast(makeId, { forecast, atMs: nowMs });
      },
      () => {
        if (wanted) dispatch(liveSlice.actions.workFailed(makeId));
      },
    );
    return () => {
      wanted = false;
    };
  }, [dispatch, shaping, known, makeId, turn, attempts]);
  return null;
}

/** One keeper for each make under way. */
export function LiveMakes() {
  const ids = useUnderWayIds();
  const { isSuccess } = useRecentMakesQuery();
  useEffect(() => {
    if (isSuccess) void forgetForecasts(ids);
  }, [isSuccess, ids]);
  return ids.map((id) => <Keeper key={id} makeId={id} />);
}

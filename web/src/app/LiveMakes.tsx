import { useEffect, useRef, useState } from 'react';
import { requestForecast } from '../workers/forecast-client.ts';
import { now } from '../data/clock.ts';
import { liveSlice } from '../data/live-slice.ts';
import { useAppDispatch, useAppSelector } from '../data/store.ts';
import { useUnderWayIds } from '../data/under-way.ts';
import { useMake } from '../data/use-make.ts';

/** A forecast is renewed this often even when nothing happens: time itself moves it. */
const RENEW_MS = 60_000;

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
  useEffect(() => {
    if (!known) return;
    let wanted = true;
    // Only news makes the old picture fade; the minute's renewal passes unseen.
    if (drawnFrom.current !== shaping) dispatch(liveSlice.actions.workStarted(makeId));
    drawnFrom.current = shaping;
    const nowMs = now();
    requestForecast(makeId, { kind: 'make', makeId, events: shaping, nowMs }).then(
      (forecast) => {
        if (forecast && wanted) dispatch(liveSlice.actions.forecastMade({ makeId, forecast, atMs: nowMs }));
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
  return useUnderWayIds().map((id) => <Keeper key={id} makeId={id} />);
}

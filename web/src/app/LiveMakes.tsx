import { useEffect, useMemo, useRef, useState } from 'react';
import { useMakesQuery } from '../api/api.ts';
import { requestForecast } from '../workers/forecast-client.ts';
import { now } from './clock.ts';
import { liveSlice } from './live-slice.ts';
import { useAppDispatch, useAppSelector } from './store.ts';
import { useMake } from './use-make.ts';

/** A forecast is renewed this often even when nothing happens: time itself moves it. */
const RENEW_MS = 60_000;

/** Keeps the forecast of one make fresh; shows nothing. */
function Keeper({ makeId }: { readonly makeId: string }) {
  const { events, state } = useMake(makeId);
  const dispatch = useAppDispatch();
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
    if (drawnFrom.current !== events) dispatch(liveSlice.actions.workStarted(makeId));
    drawnFrom.current = events;
    const nowMs = now();
    void requestForecast(makeId, { kind: 'make', makeId, events, nowMs }).then((forecast) => {
      if (forecast && wanted) dispatch(liveSlice.actions.forecastMade({ makeId, forecast, atMs: nowMs }));
    });
    return () => {
      wanted = false;
    };
  }, [dispatch, events, known, makeId, turn]);
  return null;
}

/** The identities of all makes under way, those begun here and not yet sent among them. */
export function useUnderWayIds(): readonly string[] {
  const { data } = useMakesQuery();
  const entries = useAppSelector((s) => s.outbox.entries);
  return useMemo(() => {
    const stored = (data ?? []).filter((m) => m.status === 'under-way').map((m) => m.id);
    const begunHere = entries
      .filter((e) => (e.draft.type === 'make-started' || e.draft.type === 'waking-started') && !e.refused)
      .map((e) => e.draft.streamId);
    return [...new Set([...stored, ...begunHere])];
  }, [data, entries]);
}

/** One keeper for each make under way. */
export function LiveMakes() {
  return useUnderWayIds().map((id) => <Keeper key={id} makeId={id} />);
}

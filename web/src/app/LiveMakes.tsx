import { useEffect, useRef } from 'react';
import { useMakeQuery, useRecentMakesQuery } from '../data/api.ts';
import { forgetForecasts, keepForecast, lastForecast } from '../data/last-forecasts.ts';
import { requestForecast, requestPicture } from '../workers/kitchen-client.ts';
import { now, useTurn } from '../data/clock.ts';
import { liveSlice } from '../data/live-slice.ts';
import { useAppDispatch, useAppSelector } from '../data/store.ts';
import { useUnderWayIds } from '../data/under-way.ts';
import { makeEvents } from '../data/make-events.ts';
import { beginsStream } from '../data/outbox.ts';
import { keepShelf } from '../data/last-shelf.ts';

/** A forecast is renewed this often even when nothing happens: time itself moves it. */
const RENEW_MS = 60_000;
/** One that only time moved is kept anew this often. */
const KEEP_MS = 300_000;

/** Everything that moves with the clock is drawn anew this often. */
const DRAW_MS = 15_000;

/** Keeps the times and the picture of one make fresh; shows nothing. */
function Keeper({ makeId }: { readonly makeId: string }) {
  const entries = useAppSelector((s) => s.outbox.entries);
  const begunHere = entries.some((e) => e.draft.streamId === makeId && beginsStream(e.draft));
  const { data } = useMakeQuery(makeId, { skip: begunHere });
  const { events, shaping } = makeEvents(makeId, data, entries);
  const dispatch = useAppDispatch();
  const attempts = useAppSelector((s) => s.live.attempts);
  const last = useAppSelector((s) => s.live.forecasts[makeId]?.forecast ?? null);
  const turn = useTurn(RENEW_MS);
  const tick = useTurn(DRAW_MS);
  const known = events.length > 0;
  const drawnFrom = useRef<unknown>(null);
  const keptMs = useRef(0);
  useEffect(() => {
    void lastForecast(makeId, now()).then((kept) => {
      if (kept) dispatch(liveSlice.actions.forecastRecalled({ makeId, ...kept }));
    });
  }, [dispatch, makeId]);
  useEffect(() => {
    if (!known) return;
    let wanted = true;
    requestPicture(makeId, events, now(), last).then(
      (picture) => {
        if (!wanted) return;
        dispatch(
          picture === 'unreadable'
            ? liveSlice.actions.foundUnreadable(makeId)
            : liveSlice.actions.pictureDrawn({ makeId, picture }),
        );
      },
      () => {
        if (wanted) dispatch(liveSlice.actions.workFailed(makeId));
      },
    );
    return () => {
      wanted = false;
    };
  }, [dispatch, makeId, known, events, last, tick]);
  // What a forecast is asked from is the whole log; it is asked anew when what shapes it changes.
  const whole = useRef(events);
  whole.current = events;
  useEffect(() => {
    if (!known) return;
    let wanted = true;
    // Only news makes the old picture fade; the minute's renewal passes unseen.
    const news = drawnFrom.current !== shaping;
    if (news) dispatch(liveSlice.actions.workStarted(makeId));
    drawnFrom.current = shaping;
    const nowMs = now();
    requestForecast(makeId, { kind: 'make', makeId, events: whole.current, nowMs }).then(
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

/** Keeps the shelf as it is drawn, for the next time the page is opened. */
function ShelfKeeper() {
  const pictures = useAppSelector((s) => s.live.pictures);
  useEffect(() => {
    if (Object.keys(pictures).length > 0) keepShelf(pictures);
  }, [pictures]);
  return null;
}

/** One keeper for each make under way. */
export function LiveMakes() {
  const ids = useUnderWayIds();
  const { isSuccess } = useRecentMakesQuery();
  useEffect(() => {
    if (isSuccess) void forgetForecasts(ids);
  }, [isSuccess, ids]);
  return (
    <>
      {ids.map((id) => (
        <Keeper key={id} makeId={id} />
      ))}
      <ShelfKeeper />
    </>
  );
}

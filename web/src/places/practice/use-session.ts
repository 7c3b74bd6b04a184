import {
  alarmsOf,
  HOUR_MS,
  instantOfLocal,
  localDate,
  markBand,
  MINUTE_MS,
  PRACTISED_METHODS,
  practiceLesson,
  safetyOf,
  type BandForecast,
} from '@morning-crock/core';
import {
  PRACTICE_KITCHENS,
  TROUBLES,
  type PracticeSubject,
  type Trouble,
} from '@morning-crock/core/contract';
import { useEffect, useMemo, useRef, useSyncExternalStore } from 'react';
import { liveSlice } from '../../data/live-slice.ts';
import { openPracticeDoor } from '../../data/practice-door.ts';
import { store, useAppDispatch } from '../../data/store.ts';
import { requestForecast } from '../../workers/kitchen-client.ts';
import type { Session, SessionState } from './session.ts';

/** Numbers of worlds that somebody may tell a class. */
const MOST_NUMBER = 9999;
export const anyNumber = (): number => 1 + (crypto.getRandomValues(new Uint32Array(1))[0]! % MOST_NUMBER);

/** Practice begins in the morning of the day it is. */
const BEGINS = '07:00';
export const beginMs = (zone: string, nowMs: number): number =>
  instantOfLocal(zone, localDate(zone, nowMs), BEGINS);

/** What an address practises; `null` where there is no such thing. */
export function subjectOf(what: string, search: URLSearchParams): PracticeSubject | null {
  if (what !== 'free') return practiceLesson(what) ? { kind: 'lesson', lesson: what } : null;
  const method = search.get('method') ?? '';
  if (!PRACTISED_METHODS.some(({ id }) => id === method)) return null;
  const named = search.get('troubles') ?? 'surprise';
  const troubles = named
    .split('.')
    .filter((trouble): trouble is Trouble => (TROUBLES as readonly string[]).includes(trouble))
    .slice(0, 4);
  const level = Number(search.get('level'));
  return {
    kind: 'free',
    method,
    kitchen: PRACTICE_KITCHENS.find((one) => one === search.get('kitchen')) ?? 'usual',
    troubles: named === 'surprise' ? 'surprise' : troubles,
    level: level === 1 || level === 3 ? level : 2,
  };
}
/** The number of a world in an address; 1 where there is none. */
export const numberOf = (search: URLSearchParams): number => {
  const n = Number(search.get('n'));
  return Number.isInteger(n) && n >= 0 && n <= 4_294_967_295 && search.get('n') !== null ? n : 1;
};

export const useSessionState = (session: Session): SessionState =>
  useSyncExternalStore(session.listen, session.current);

/** Keeps the forecast of a practised batch fresh, and lets its entries in. */
export function usePractised(session: Session, no: number): void {
  const dispatch = useAppDispatch();
  const { batches, over, speed } = useSessionState(session);
  const { id, events } = batches[no]!;
  useEffect(
    () =>
      openPracticeDoor(id, (type, data) =>
        session.says(no, { type, data } as Parameters<Session['says']>[1]),
      ),
    [session, no, id],
  );
  const running = speed > 0;
  /** What was asked last: nothing else is waited for. */
  const asked = useRef<{ readonly events: unknown } | null>(null);
  useEffect(
    () => () => {
      asked.current = null;
    },
    [session, id],
  );
  useEffect(() => {
    // Anew with each entry and when the clock stops: while it goes, nothing is worked out beside the drawing.
    if (over || (running && asked.current?.events === events)) return;
    const mine = { events };
    asked.current = mine;
    const nowMs = Math.floor(session.now() / MINUTE_MS) * MINUTE_MS;
    requestForecast(id, { kind: 'make', makeId: id, events, nowMs }).then(
      (forecast) => {
        if (forecast && asked.current === mine)
          dispatch(liveSlice.actions.forecastMade({ makeId: id, forecast, atMs: nowMs }));
      },
      () => {
        if (asked.current === mine) dispatch(liveSlice.actions.workFailed(id));
      },
    );
  }, [dispatch, session, id, events, over, running]);
}

const forecastOf = (id: string): BandForecast | undefined => store.getState().live.forecasts[id]?.forecast;

/** Why the clock should stop by itself now: hands are needed. Nothing is called out at the highest level. */
function callsFor(session: Session): { readonly id: string; readonly words: string } | null {
  const { exercise } = session;
  if (exercise.level === 3) return null;
  const nowMs = session.now();
  for (const [no, { id, state }] of session.current().batches.entries()) {
    const moment = session.moment(no);
    const { current } = state;
    if (!moment || !current) continue;
    const { step } = current;
    const at = `${no} ${step.id}`;
    if (moment.work === 'hands' || moment.work === 'bowl') return { id: `hands ${at}`, words: step.doing };
    if (
      moment.celsius >= moment.boilC - 0.3 &&
      moment.work === 'stove' &&
      moment.flame !== 'off' &&
      moment.flame !== 'low'
    )
      return { id: `rises ${at}`, words: 'The milk is rising.' };
    if (exercise.level === 1 && moment.work === 'churn' && moment.churned > 0.85)
      return { id: `heavy ${at}`, words: 'The cream has turned yellow and heavy. It breaks soon.' };
    const forecast = forecastOf(id);
    if (!forecast) continue;
    const time = forecast.point.steps.find((one) => one.id === step.id);
    const dueMs = time && !time.endless ? time.endMs - (step.leadMin ?? 0) * MINUTE_MS : null;
    if (dueMs !== null && nowMs >= dueMs - MINUTE_MS && nowMs < dueMs + HOUR_MS)
      return { id: `due ${at}`, words: step.due?.text ?? step.doing };
    const safety = safetyOf(state, forecast.point.temperature, nowMs, markBand(forecast, 'safe').p90);
    const rung = alarmsOf(state, forecast, safety).find(
      (alarm) => alarm.rank <= 2 && alarm.dueAtMs > session.startMs && alarm.dueAtMs <= nowMs,
    );
    if (rung) return { id: `${rung.id} ${at}`, words: rung.text };
  }
  return null;
}

/** A session for as long as what it practises is the same. */
export function useOneSession(make: () => Session | null, key: string): Session | null {
  // oxlint-disable-next-line react/exhaustive-deps
  const session = useMemo(make, [key]);
  useEffect(() => {
    if (!session) return undefined;
    session.watch = callsFor;
    return () => session.leave();
  }, [session]);
  return session;
}

import {
  alarmsOf,
  foldMake,
  foldWaking,
  nextHands,
  safetyOf,
  type Alarm,
  type BandForecast,
  type LoggedEvent,
  type MakeState,
  type NextHands,
  type SafetyState,
  type WakingState,
} from '@morning-crock/core';
import { useMemo } from 'react';
import { useMakeQuery } from '../api/api.ts';
import type { KeptEntry } from '../api/outbox.ts';
import { useNow } from './clock.ts';
import { useAppSelector } from './store.ts';

const NO_EVENTS: readonly LoggedEvent[] = [];

/** A make's events (none for an empty identity), the ones kept here among them, and the state they fold to. */
export function useMake(makeId: string): {
  readonly events: readonly LoggedEvent[];
  readonly state: MakeState | null;
  /** Set instead when it is a waking. */
  readonly waking: WakingState | null;
  readonly kept: readonly KeptEntry[];
  readonly loading: boolean;
  readonly missing: boolean;
} {
  const entries = useAppSelector((s) => s.outbox.entries);
  const kept = useMemo(() => entries.filter((e) => e.draft.streamId === makeId), [entries, makeId]);
  const begunHere = kept.some((e) => e.draft.type === 'make-started' || e.draft.type === 'waking-started');
  const query = useMakeQuery(makeId, {
    skip: makeId === '' || (begunHere && kept.every((e) => !e.refused)),
  });
  const stored = query.data ?? NO_EVENTS;
  const events = useMemo(
    () => [...stored, ...kept.filter((e) => !e.refused).map((e) => e.draft)],
    [stored, kept],
  );
  const state = useMemo(() => foldMake(makeId, events), [makeId, events]);
  const waking = useMemo(() => (state ? null : foldWaking(makeId, events)), [state, makeId, events]);
  return {
    events,
    state,
    waking,
    kept,
    loading: query.isLoading,
    missing: query.isError && !state && !waking,
  };
}

/** Everything about a make under way that moves with the clock. */
export interface LiveMake {
  readonly state: MakeState;
  readonly forecast: BandForecast;
  readonly safety: SafetyState;
  readonly alarms: readonly Alarm[];
  readonly next: NextHands | null;
}

/** Joins a state with its latest forecast; `null` until the first forecast is there. */
export function useLive(state: MakeState | null): LiveMake | null {
  const live = useAppSelector((s) => (state ? s.live.forecasts[state.id] : undefined));
  const nowMs = useNow(5000);
  return useMemo(() => (state && live ? liveOf(state, live.forecast, nowMs) : null), [state, live, nowMs]);
}

/** The same, outside of a component. */
export function liveOf(state: MakeState, forecast: BandForecast, nowMs: number): LiveMake {
  const safety = safetyOf(state, forecast.point.temperature, nowMs, forecast.safe.p90);
  return {
    state,
    forecast,
    safety,
    alarms: alarmsOf(state, forecast, safety),
    next: nextHands(state, forecast, nowMs),
  };
}

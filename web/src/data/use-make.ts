import { markBand, safetyOf, type BandForecast, type MakeState, type SafetyState } from '@morning-crock/core';
import { useMemo } from 'react';
import { useMakeQuery } from './api.ts';
import { beginsStream, type KeptEntry } from './outbox.ts';
import { useNow } from './clock.ts';
import { makeLog, type MakeLog } from './make-log.ts';
import { useAppSelector } from './store.ts';

/** No such make; the server gave no answer; what is stored cannot be worked out. */
type Failure = 'missing' | 'away' | 'unreadable';

/** One make (nothing for an empty identity), with what is kept here carried out. */
export interface OneMake extends MakeLog {
  readonly kept: readonly KeptEntry[];
  /** Begun on this device and refused by the server: the entry that began it. */
  readonly refused: KeptEntry | null;
  readonly loading: boolean;
  /** Why there is nothing to show. */
  readonly failed: Failure | null;
  readonly again: () => void;
}

function failureOf(log: MakeLog, error: unknown): Failure | null {
  if (log.unreadable) return 'unreadable';
  if (!error) return null;
  const code = typeof error === 'object' && 'code' in error ? error.code : undefined;
  if (code === 'away') return 'away';
  return code === 'not-found' ? 'missing' : 'unreadable';
}

/** A make's log, and how it stands with it. */
export function useMake(makeId: string): OneMake {
  const entries = useAppSelector((s) => s.outbox.entries);
  const kept = useMemo(() => entries.filter((e) => e.draft.streamId === makeId), [entries, makeId]);
  const beginning = kept.find((e) => beginsStream(e.draft));
  const query = useMakeQuery(makeId, { skip: makeId === '' || beginning !== undefined });
  const log = makeLog(makeId, query.data, entries);
  return {
    ...log,
    kept,
    refused: beginning?.refused ? beginning : null,
    loading: query.isLoading,
    failed: log.state ? null : failureOf(log, query.error),
    again: () => void query.refetch(),
  };
}

/** What a make's own page has of it that moves with the clock; what rings and what comes next the worker draws. */
export interface LiveMake {
  readonly state: MakeState;
  readonly forecast: BandForecast;
  readonly safety: SafetyState;
}

/** Joins a state with its latest forecast; `null` until the first forecast is there. */
export function useLive(state: MakeState | null): LiveMake | null {
  const live = useAppSelector((s) => (state ? s.live.forecasts[state.id] : undefined));
  const nowMs = useLiveNow();
  return useMemo(() => (state && live ? liveOf(state, live.forecast, nowMs) : null), [state, live, nowMs]);
}

/** The latest of each state: several parts of the page ask for the same. */
const lives = new WeakMap<MakeState, { readonly nowMs: number; readonly live: LiveMake }>();
/** Asked for by two parts within this time, it is the same. */
const SAME_MOMENT_MS = 2000;
/** Nothing that follows from a forecast moves faster than this. */
const LIVE_EVERY_MS = 15_000;

/** The same, outside of a component. */
export function liveOf(state: MakeState, forecast: BandForecast, nowMs: number): LiveMake {
  const known = lives.get(state);
  if (known?.live.forecast === forecast && Math.abs(known.nowMs - nowMs) < SAME_MOMENT_MS) return known.live;
  const safety = safetyOf(state, forecast.point.temperature, nowMs, markBand(forecast, 'safe').p90);
  const live = {
    state,
    forecast,
    safety,
  };
  lives.set(state, { nowMs, live });
  return live;
}

/** The present of live makes. */
export const useLiveNow = (): number => useNow(LIVE_EVERY_MS);

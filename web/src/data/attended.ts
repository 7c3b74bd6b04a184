import {
  wakingAlarms,
  wakingHands,
  wakingNow,
  wakingStep,
  type Alarm,
  type NextHands,
  type Waking,
  type WakingState,
} from '@morning-crock/core';
import { useMemo } from 'react';
import { useNow } from './clock.ts';
import { useUnderWayLogs } from './under-way.ts';
import type { LiveMake } from './use-make.ts';
import { useKitchen } from './use-units.ts';

/** A moment on the thread that needs hands. */
interface Knot {
  readonly atMs: number;
  readonly title: string;
  readonly mustAct: boolean;
}

/** Anything under way that asks for hands: a make, or a waking over several days. */
export interface Attended {
  readonly id: string;
  readonly name: string;
  readonly alarms: readonly Alarm[];
  readonly next: NextHands | null;
  readonly knots: readonly Knot[];
}

const HOUR_MS = 3_600_000;
export const THREAD_H = 24;
const within = (atMs: number, nowMs: number): boolean => atMs >= nowMs && atMs <= nowMs + THREAD_H * HOUR_MS;

export function attendedMake({ state, forecast, alarms, next }: LiveMake, nowMs: number): Attended {
  const knots = state.steps.flatMap((s): Knot[] => {
    if (s.status === 'done' || s.status === 'skipped' || s.step.facts.overnight) return [];
    const time = forecast.point.steps.find((t) => t.id === s.step.id);
    if (!time || time.endless || !within(time.endMs, nowMs)) return [];
    return [{ atMs: time.endMs, title: s.step.title, mustAct: s.step.mustAct }];
  });
  return { id: state.id, name: state.plan.name, alarms, next, knots };
}

/** A waking under way with its plan from now on. */
export interface LiveWaking {
  readonly state: WakingState;
  readonly waking: Waking;
}

/** All wakings under way. */
export function useLiveWakings(): readonly LiveWaking[] {
  const logs = useUnderWayLogs();
  const kitchen = useKitchen();
  const nowMs = useNow(30_000);
  return useMemo(
    () =>
      logs.flatMap(({ waking: state }) =>
        state && !state.finished ? [{ state, waking: wakingNow(state, kitchen, nowMs) }] : [],
      ),
    [logs, kitchen, nowMs],
  );
}

export function attendedWaking({ state, waking }: LiveWaking, nowMs: number): Attended {
  const knots = waking.feeds.flatMap((feed): Knot[] => {
    const moments: Knot[] = [];
    if (feed.status === 'coming')
      moments.push({ atMs: feed.beginMs, title: `Feed ${feed.n}`, mustAct: false });
    if (feed.status !== 'done')
      moments.push({ atMs: feed.lookMs, title: `Look at feed ${feed.n}`, mustAct: false });
    return moments.filter((m) => within(m.atMs, nowMs));
  });
  const done = wakingStep(waking) === null;
  return {
    id: state.id,
    name: state.plan.name,
    alarms: wakingAlarms(state, waking),
    next: done ? { act: 'Keep some', atMs: nowMs, mustAct: false } : wakingHands(waking),
    knots,
  };
}

import type { Alarm, NextHands } from '@morning-crock/core';
import type { LiveMake } from './use-make.ts';
import { HOUR_MS, MINUTE_MS } from '@morning-crock/core';

/** A moment on the thread that needs hands. */
interface Knot {
  readonly atMs: number;
  readonly title: string;
  readonly mustAct: boolean;
}

/** What is under way and asks for hands. */
export interface Attended {
  readonly id: string;
  readonly name: string;
  readonly alarms: readonly Alarm[];
  readonly next: NextHands | null;
  readonly knots: readonly Knot[];
}

export const THREAD_H = 24;
const within = (atMs: number, nowMs: number): boolean => atMs >= nowMs && atMs <= nowMs + THREAD_H * HOUR_MS;

export function attendedMake({ state, forecast, alarms, next }: LiveMake, nowMs: number): Attended {
  const knots = state.steps.flatMap((s): Knot[] => {
    if (s.status === 'done' || s.status === 'skipped' || s.step.facts.overnight) return [];
    const time = forecast.point.steps.find((t) => t.id === s.step.id);
    // Hands of some steps begin before their end.
    const atMs = time ? time.endMs - (s.step.leadMin ?? 0) * MINUTE_MS : 0;
    if (!time || time.endless || !within(atMs, nowMs)) return [];
    return [{ atMs, title: s.step.title, mustAct: s.step.mustAct }];
  });
  return { id: state.id, name: state.plan.name, alarms, next, knots };
}

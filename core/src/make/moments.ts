import { MINUTE_MS } from '../science/units/index.ts';
import type { BandForecast, PointForecast } from './forecast.ts';
import type { MakeState } from './state.ts';
import { walkThermal } from './thermal.ts';
import { bellsOf } from './within.ts';

/** A moment of a make that needs hands. */
export interface HandsMoment {
  readonly step: string;
  readonly title: string;
  /** What to do then. */
  readonly text: string;
  /** ms since 1970. */
  readonly atMs: number;
  readonly mustAct: boolean;
}

/**
 * When the present step should have been over, by how it began and what was read of it: however late it is, that stands still.
 * @param point what is foreseen, for a step after a souring
 */
export function dueMs(state: MakeState, point?: Pick<PointForecast, 'steps'>): number | null {
  const { current } = state;
  if (!current) return null;
  const later = point?.steps.find(({ id }) => id === current.step.id)?.dueMs;
  if (later !== undefined) return later;
  const begun = walkThermal(state, current.startedAtMs ?? state.startedAtMs);
  return bellsOf(state)?.middleMs ?? begun.steps.find(({ id }) => id === current.step.id)?.endMs ?? null;
}

/** Later than this something is no longer due about now, ms. */
const LATE_MS = 5 * MINUTE_MS;

/** Since when the present step should be over; `null` while it is not late. @param point what is foreseen, for a step after a souring */
export function overdueSince(
  state: MakeState,
  nowMs: number,
  point?: Pick<PointForecast, 'steps'>,
): number | null {
  const due = dueMs(state, point);
  return isLate(due, nowMs) ? due : null;
}

/** Whether what was due by then is late by now. */
export const isLate = (due: number | null, nowMs: number): due is number =>
  due !== null && nowMs - due > LATE_MS;

/** Moments of a make that need hands, by its forecast, in order of its steps; what goes on for ever has none. */
export const momentsOf = (state: MakeState, { point }: Pick<BandForecast, 'point'>): HandsMoment[] =>
  state.steps.flatMap(({ step, status }): HandsMoment[] => {
    if (status === 'done' || status === 'skipped' || step.facts.overnight) return [];
    const time = point.steps.find((t) => t.id === step.id);
    if (!time || time.endless) return [];
    // Hands of some steps begin before their end.
    const atMs = time.endMs - (step.leadMin ?? 0) * MINUTE_MS;
    return [
      {
        step: step.id,
        title: step.title,
        text: step.facts.waits ? (step.due?.text ?? step.doing) : step.doing,
        atMs,
        mustAct: step.mustAct,
      },
    ];
  });

import type { DayDoc } from '../contract/index.ts';
import type { MakeState } from '../make/index.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** A step of a day as it was planned when the day began, and as it went. */
export interface StepWent {
  readonly step: string;
  readonly title: string;
  readonly cook: string;
  /** When its hands were to be done with it, and when they were, ms since 1970. */
  readonly plannedMs: number;
  readonly doneMs: number;
  /** How much later that was; negative sooner. */
  readonly lateMin: number;
}

/**
 * How a batch of a day went against the timetable the day began with: what is done of it, in the order it was planned. What was left
 * out, or is still to do, is not in it.
 * @param make the batch in the day
 * @example howItWent(day, 'A', state)[0].lateMin // 45
 */
export function howItWent(
  day: Pick<DayDoc, 'first' | 'slots' | 'zeroAt'>,
  make: string,
  state: Pick<MakeState, 'steps'>,
): StepWent[] {
  const zeroMs = Date.parse(day.zeroAt);
  return (day.first ?? day.slots)
    .filter((slot) => slot.make === make)
    .sort((a, b) => a.from - b.from)
    .flatMap(({ task, title, cook, to }): StepWent[] => {
      const own = state.steps.find(({ step }) => step.id === task);
      if (own?.status !== 'done' || own.endedAtMs === null) return [];
      const plannedMs = zeroMs + to * MINUTE_MS;
      const lateMin = Math.round((own.endedAtMs - plannedMs) / MINUTE_MS);
      return [{ step: task, title, cook, plannedMs, doneMs: own.endedAtMs, lateMin }];
    });
}

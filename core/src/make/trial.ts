import { makeOutcome } from '../contract/index.ts';
import { pointForecast } from './forecast.ts';
import type { LoggedEvent } from '../log/index.ts';
import { foldMake } from './state.ts';
import { summaryOf } from './summary.ts';

/** Whether every number in it is one. */
function isFinite(value: unknown): boolean {
  if (typeof value === 'number') return Number.isFinite(value);
  if (typeof value !== 'object' || value === null) return true;
  return Object.values(value).every(isFinite);
}

/**
 * What is accepted must be readable ever after: works a make out from its events as every list, record and forecast
 * will, and says what is wrong when that cannot be done.
 * @returns `null` when it can, or when there is no make in the events
 * @example faultOfFold(id, [started]) // "nothing can be worked out from it (…)" for milk without water
 */
export function faultOfFold(makeId: string, events: readonly LoggedEvent[]): string | null {
  try {
    const state = foldMake(makeId, events);
    if (!state) return null;
    const { steps, temperature } = pointForecast(state, state.startedAtMs);
    if (!isFinite([steps.map((s) => s.endMs), temperature]))
      return 'cannot be forecast: one of its numbers is out of range';
    return makeOutcome.safeParse(summaryOf(state)).success
      ? null
      : 'cannot be summarised: one of its numbers is out of range';
  } catch (error) {
    return `cannot be calculated (${error instanceof Error ? error.message : String(error)})`;
  }
}

import type { MakeState } from './state.ts';
import { churningStep } from './too-long.ts';
import { HOUR_MS } from '../science/units/index.ts';

/** So long before it begins there is still an evening, ms. */
const EVENING_MS = 10 * HOUR_MS;

/**
 * From when on a churning is to be made ready for, ms since 1970: the evening before. `null` when it was decided later than
 * that, was begun, or is no churning.
 */
export function preparedFromMs(state: MakeState): number | null {
  const begun = state.steps.some(({ status }) => status === 'done' || status === 'skipped');
  if (begun || state.current === null || !churningStep(state)) return null;
  const dueMs = Date.parse(state.plan.startAt) - EVENING_MS;
  const decidedMs = Math.min(...state.events.map((event) => Date.parse(event.at)));
  return decidedMs < dueMs ? dueMs : null;
}

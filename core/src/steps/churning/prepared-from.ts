import { HOUR_MS } from '../../science/units/index.ts';
import type { MakeView } from '../make-view.ts';
import { churningStep } from './too-long.ts';

/** So long before it begins there is still an evening, ms. */
const EVENING_MS = 10 * HOUR_MS;

/**
 * From when on a churning is to be made ready for, ms since 1970: the evening before. `null` when it was decided later than
 * that, was begun, or is no churning.
 */
export function preparedFromMs(make: MakeView): number | null {
  const begun = make.steps.some(({ status }) => status === 'done' || status === 'skipped');
  if (begun || make.current === null || !churningStep(make)) return null;
  const dueMs = Date.parse(make.plan.startAt) - EVENING_MS;
  const decidedMs = Math.min(...make.events.map((event) => Date.parse(event.at)));
  return decidedMs < dueMs ? dueMs : null;
}

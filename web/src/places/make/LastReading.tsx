import type { MakeState } from '@morning-crock/core';
import { formatMinutes, MINUTE_MS, STEP_TYPES } from '@morning-crock/core';
import { useUnits } from '../../data/use-units.ts';

const OLD_MS = 15 * MINUTE_MS;
const SILENT_MS = 5 * MINUTE_MS;

/** The latest temperature with its age once it is old, and a word when a probe fell silent. */
export function LastReading({ state, nowMs }: { readonly state: MakeState; readonly nowMs: number }) {
  const units = useUnits();
  const latest = state.temperatures.at(-1);
  // Parted into two, neither is what was measured.
  const parted = state.steps.some((s) => STEP_TYPES[s.step.kind].besides && s.status === 'done');
  if (!latest || state.chilledAtMs !== null || parted) return null;
  const ageMs = nowMs - latest.atMs;
  const probe = state.temperatures.findLast((t) => t.live);
  const silent = probe && nowMs - probe.atMs > SILENT_MS ? probe : null;
  return (
    <p className="quiet">
      Last measured {units.temperature(latest.celsius)}
      {ageMs > OLD_MS
        ? `, ${formatMinutes(ageMs / MINUTE_MS)} ago. Measure again when you can`
        : ` at ${units.time(latest.atMs, nowMs)}`}
      .
      {silent &&
        ` No reading from ${silent.instrument} for ${formatMinutes((nowMs - silent.atMs) / MINUTE_MS)}.`}
    </p>
  );
}

import {
  batchOf,
  interpolateLinear,
  seenSetMs,
  type MakeState,
  type PointForecast,
  type SafetyState,
} from '@morning-crock/core';
import type { CrockLook } from './CrockDrawing.tsx';

/** How a make's crock looks now, from its step and what the model and the cues say. */
export function crockLook(
  state: MakeState,
  point: PointForecast | null,
  safety: SafetyState | null,
  nowMs: number,
): CrockLook {
  const fill = batchOf(state.plan).litres / state.plan.pot.litres;
  const { name } = state.plan;
  if (safety?.verdict === 'over') return { fill, surface: 'bad', label: `${name}: do not taste` };
  switch (state.current?.step.facts.inThePot) {
    case 'milk':
    case undefined:
      return { fill, surface: 'still', label: `${name}: milk standing` };
    case 'hot-milk':
      return { fill, surface: 'hot', label: `${name}: hot milk` };
    case 'warm-milk':
      return { fill, surface: 'liquid', label: `${name}: warm milk` };
    case 'souring':
      break;
    case 'cold':
      return { fill, surface: 'cold', label: `${name}: in the cold` };
  }
  const seen = state.acidity.findLast((entry) => entry.reading.kind === 'cue')?.reading;
  if (seen?.kind === 'cue' && seen.cue === 'whey-shows')
    return { fill, surface: 'whey', label: `${name}: set, whey shows` };
  if (seenSetMs(state) !== null) return { fill, surface: 'set', label: `${name}: set` };
  if (!point || point.ph.length === 0) return { fill, surface: 'liquid', label: `${name}: incubating` };
  const ph = interpolateLinear(
    point.ph.map(([ms]) => ms),
    point.ph.map(([, v]) => v),
    nowMs,
  );
  if (ph <= 4.6) return { fill, surface: 'set', label: `${name}: about set` };
  if (ph <= 5.2) return { fill, surface: 'trembles', label: `${name}: about to set` };
  return { fill, surface: 'liquid', label: `${name}: still liquid` };
}

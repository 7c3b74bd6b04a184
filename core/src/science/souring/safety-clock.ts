/** How the milk is being soured; decides how long it may stay warm without acid. */
export type SouringKind = 'with-starter' | 'raw-alone' | 'treated-without-starter';

/** Warm is everything between these, °C. */
export const WARM_FROM_C = 5;
export const WARM_TO_C = 60;
/** The clock stops when a reading or a cue shows this pH or less. */
export const SAFE_PH = 5.3;

export interface SafetyLimit {
  /** Warm hours allowed; `null` when souring here is advised against altogether. */
  readonly limitH: number | null;
  readonly reason: string;
}

/** Warm hours allowed before pH 5.3 is shown, by mean temperature. Source: docs/SCIENCE.md, safety clock. */
export function safetyLimit(kind: SouringKind, meanC: number): SafetyLimit {
  if (kind === 'treated-without-starter') {
    return {
      limitH: 2,
      reason: 'Without a starter, heated or pasteurised milk may stay warm for 2 h at most.',
    };
  }
  if (kind === 'raw-alone') {
    if (meanC >= 20)
      return { limitH: 48, reason: 'Limit for raw milk souring by itself at 20 °C (68 °F) or more: 48 h.' };
    if (meanC >= 16)
      return { limitH: 72, reason: 'Limit for raw milk souring by itself at 16–20 °C (61–68 °F): 72 h.' };
    return { limitH: null, reason: 'Too cold for raw milk to sour safely by itself.' };
  }
  if (meanC >= 28) return { limitH: 12, reason: 'Limit with a starter at 28 °C (82 °F) or more: 12 h.' };
  if (meanC >= 20) return { limitH: 24, reason: 'Limit with a starter at 20–28 °C (68–82 °F): 24 h.' };
  if (meanC >= 14) return { limitH: 36, reason: 'Limit with a starter at 14–20 °C (57–68 °F): 36 h.' };
  return { limitH: null, reason: 'Too cold to sour safely.' };
}

export interface WarmSpell {
  readonly warmH: number;
  readonly meanC: number;
}

/** Warm hours and their mean temperature over a course of [hour, °C] points, linear between, up to `untilH`. */
export function warmSpell(points: readonly (readonly [number, number])[], untilH: number): WarmSpell {
  let warmH = 0;
  let degreeHours = 0;
  for (let i = 1; i < points.length; i++) {
    const [fromH, fromC] = points[i - 1]!;
    const toH = Math.min(untilH, points[i]![0]);
    if (fromH >= untilH) break;
    if (toH <= fromH) continue;
    const slope = (points[i]![1] - fromC) / (points[i]![0] - fromH);
    const pieces = Math.max(1, Math.ceil((toH - fromH) / 0.1));
    const width = (toH - fromH) / pieces;
    for (let k = 0; k < pieces; k++) {
      const celsius = fromC + slope * (k + 0.5) * width;
      if (celsius < WARM_FROM_C || celsius > WARM_TO_C) continue;
      warmH += width;
      degreeHours += celsius * width;
    }
  }
  return { warmH, meanC: warmH > 0 ? degreeHours / warmH : Number.NaN };
}

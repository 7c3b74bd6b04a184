import { productOf } from '../../products/index.ts';
import { STEP_TYPES } from '../../steps/index.ts';
import type { MakeState } from '../../make/index.ts';
import { HOUR_MS } from '../../science/units/index.ts';

/** Longer than this share of what was foreseen, somebody said late that it was done: the flame was out by then [judgement]. */
const MOST_OF_FORESEEN = 2;

/** How long a step was foreseen to take when the make began, h; `null` when nothing was stored then. */
function foreseenH({ planned }: MakeState, step: string): number | null {
  const at = planned?.steps.findIndex((s) => s.step === step) ?? -1;
  const [from, to] = [planned?.steps[at - 1]?.end.p50, planned?.steps[at]?.end.p50];
  return from == null || to == null ? null : (to - from) / HOUR_MS;
}

/**
 * What the burners drew for a make so far, kW·h: each step on the fire at what it draws, for as long as it lasted. An estimate;
 * warm places and hot water are not in it.
 * @example burnerKwh(state) // 0.9 for five litres heated and held
 */
export function burnerKwh(state: MakeState): number {
  const { plan } = state;
  const { goods } = productOf(plan);
  return state.steps.reduce((sum, { step, status, startedAtMs, endedAtMs }) => {
    const kw = STEP_TYPES[step.kind].drawsKw?.(plan, { step: step.instance, goods }) ?? 0;
    if (status !== 'done' || kw <= 0 || startedAtMs === null || endedAtMs === null) return sum;
    const hours = (endedAtMs - startedAtMs) / HOUR_MS;
    const foreseen = foreseenH(state, step.id);
    return sum + kw * (foreseen === null ? hours : Math.min(hours, MOST_OF_FORESEEN * foreseen));
  }, 0);
}

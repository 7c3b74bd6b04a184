import type { Culture } from '../../contract/index.ts';
import { grainsAfter } from '../../science/curd/index.ts';
import type { MakeState } from '../../make/index.ts';
import { DAY_MS } from '../../science/units/index.ts';

/** What kefir grains did in one batch. */
export interface GrainGain {
  readonly dosedKg: number;
  /** From when they went in until they were weighed, or until now. */
  readonly days: number;
  /** What grains usually weigh by then; an estimate. */
  readonly expectedKg: number;
  /** `null` while nobody weighed them since they went in. */
  readonly weighedKg: number | null;
}

/**
 * What the grains of a batch gained since they went in, beside what is usual.
 * @param culture of the register, where the grains were chosen from it
 * @returns `null` before they went in, or where nobody knows how much went in
 * @example grainGain(kefir, grains, nowMs) // { dosedKg: 0.06, days: 1.1, expectedKg: 0.0646, weighedKg: null }
 */
export function grainGain(
  state: Pick<MakeState, 'dose' | 'inoculatedAtMs'>,
  culture: Pick<Culture, 'weighings'> | undefined,
  nowMs: number,
): GrainGain | null {
  const { inoculatedAtMs } = state;
  const dosedKg = state.dose.massKg;
  if (inoculatedAtMs === null || dosedKg === null || dosedKg <= 0) return null;
  const last = culture?.weighings.findLast(([atMs]) => atMs > inoculatedAtMs);
  const days = ((last?.[0] ?? nowMs) - inoculatedAtMs) / DAY_MS;
  return { dosedKg, days, expectedKg: grainsAfter(dosedKg, days, 'milk'), weighedKg: last?.[1] ?? null };
}

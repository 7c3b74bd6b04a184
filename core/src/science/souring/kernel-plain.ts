import { phOfScaledAcid } from './acid-ph.ts';
import type { GroupConstants } from './groups.ts';

/** What a run steps through; laid out by the kernel, read and written here. */
export interface PlainTables {
  readonly steps: number;
  readonly stepH: number;
  /** Temperature factor × readiness and e^(−∫kill dt), group after group, 2·steps + 1 of each. */
  readonly warmth: Float64Array;
  readonly survival: Float64Array;
  /** 1 where it is hot enough to kill a group. */
  readonly kills: Uint8Array;
  /** Cells at the beginning, and as they would be at the end if none had been killed. */
  readonly unkilledN: Float64Array;
  readonly acid: Float64Array;
  readonly acidByGroup: readonly Float64Array[];
}

/** e^x for |x| ≤ 0.5 by its series (relative error below 1e-10); a step never grows more than that. */
export function expSmall(x: number): number {
  return (
    1 +
    x *
      (1 +
        x *
          (1 / 2 +
            x * (1 / 6 + x * (1 / 24 + x * (1 / 120 + x * (1 / 720 + x * (1 / 5040 + x * (1 / 40320))))))))
  );
}

/** One group's constants as the inner loop wants them. */
interface Pace {
  readonly mu: number;
  readonly perNMax: number;
  readonly phMin: number;
  readonly phOpt: number;
  readonly phMax: number;
  readonly yieldBy: number;
  readonly keepBy: number;
}

export const paceOf = (c: GroupConstants): Pace => ({
  mu: c.muPerH,
  perNMax: 10 ** -c.log10NMax,
  phMin: c.phMin,
  phOpt: c.phOpt,
  phMax: c.phMax,
  yieldBy: c.growthYield / 1e9,
  keepBy: c.maintenance / 1e9,
});

/** Slope of ln N with the kill left out, 1/h. @param n all of its kind that are there */
export function growth(pace: Pace, n: number, ph: number, rate: number, warm: number): number {
  const { phMin, phMax } = pace;
  const aboveMin = ph - phMin;
  if (aboveMin <= 0 || ph >= phMax) return 0;
  const room = 1 - n * pace.perNMax;
  if (room <= 0) return 0;
  const product = aboveMin * (ph - phMax);
  const away = ph - pace.phOpt;
  return ((rate * pace.mu * warm * product) / (product - away * away)) * room;
}

/** Slope of acid of a group, mmol/kg/h. */
export function souring(pace: Pace, n: number, ph: number, rate: number, warm: number, grow: number): number {
  const aboveMin = ph - pace.phMin;
  const keep = aboveMin <= 0 ? 0 : aboveMin < 0.6 ? aboveMin / 0.6 : 1;
  return n * (pace.yieldBy * grow + rate * pace.keepBy * warm * keep);
}

const NOBODY: Pace = { mu: 0, perNMax: 0, phMin: 14, phOpt: 14, phMax: 14, yieldBy: 0, keepBy: 0 };

/**
 * The steps of the model for one or two groups that nothing joins, as nearly every batch has them: the same sums in the same order
 * as the general loop, kept in registers instead of lists.
 * @param carried acid the starter brought, mmol/kg plasma @param scale reference SNF over this plasma's
 */
export function runPlain(
  paces: readonly Pace[],
  tables: PlainTables,
  from: { readonly carried: number; readonly rate: number; readonly scale: number },
  ph: Float32Array | Float64Array,
  offset: number,
): void {
  const { steps, stepH, warmth, survival, kills, unkilledN, acid, acidByGroup } = tables;
  const { carried, rate, scale } = from;
  const halves = 2 * steps + 1;
  const first = paces[0]!;
  const second = paces[1] ?? NOBODY;
  const isTwo = paces.length > 1;
  const killsFirst = kills[0] === 1;
  const killsSecond = isTwo && kills[1] === 1;
  const madeFirst = acidByGroup[0]!;
  const madeSecond = acidByGroup[1];
  let n1 = unkilledN[0]!;
  let n2 = isTwo ? unkilledN[1]! : 0;
  let acid1 = 0;
  let acid2 = 0;
  let total = carried;
  ph[offset] = phOfScaledAcid(total * scale);
  for (let i = 0; i < steps; i++) {
    let stage1 = n1;
    let stage2 = n2;
    let stageAcid = total;
    let grown1 = 0;
    let grown2 = 0;
    let soured1 = 0;
    let soured2 = 0;
    for (let k = 0; k < 4; k++) {
      const half = 2 * i + (k === 0 ? 0 : k === 3 ? 2 : 1);
      const weight = k === 0 || k === 3 ? 1 : 2;
      const reach = k === 2 ? stepH : stepH / 2;
      const stagePh = phOfScaledAcid(stageAcid * scale);
      const warm1 = warmth[half]!;
      stageAcid = total;
      let grow1 = 0;
      if (warm1 !== 0) {
        const n = killsFirst ? stage1 * survival[half]! : stage1;
        grow1 = growth(first, n, stagePh, rate, warm1);
        const sour1 = souring(first, n, stagePh, rate, warm1, grow1);
        grown1 += weight * grow1;
        soured1 += weight * sour1;
        stageAcid += reach * sour1;
      }
      stage1 = n1 * expSmall(reach * grow1);
      if (!isTwo) continue;
      const warm2 = warmth[halves + half]!;
      let grow2 = 0;
      if (warm2 !== 0) {
        const n = killsSecond ? stage2 * survival[halves + half]! : stage2;
        grow2 = growth(second, n, stagePh, rate, warm2);
        const sour2 = souring(second, n, stagePh, rate, warm2, grow2);
        grown2 += weight * grow2;
        soured2 += weight * sour2;
        stageAcid += reach * sour2;
      }
      stage2 = n2 * expSmall(reach * grow2);
    }
    n1 *= expSmall((stepH / 6) * grown1);
    acid1 += (stepH / 6) * soured1;
    madeFirst[i + 1] = acid1;
    total = carried + acid1;
    if (madeSecond) {
      n2 *= expSmall((stepH / 6) * grown2);
      acid2 += (stepH / 6) * soured2;
      madeSecond[i + 1] = acid2;
      total += acid2;
    }
    ph[offset + i + 1] = phOfScaledAcid(total * scale);
  }
  unkilledN[0] = n1;
  acid[0] = acid1;
  if (isTwo) {
    unkilledN[1] = n2;
    acid[1] = acid2;
  }
}

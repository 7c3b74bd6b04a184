import { phOfScaledAcid, REFERENCE_SNF_PERCENT } from './acid-ph.ts';
import type { CourseGrid } from './course.ts';
import { expSmall, growth, paceOf, runPlain, souring } from './kernel-plain.ts';
import { GROUP_CONSTANTS, killRatePerH, lnReadiness, temperatureFactor, type Group } from './groups.ts';

// Bound once: a look-up of the global in the inner loops costs more than the function itself in some hosts.
const { exp } = Math;

/** One group's start in one run. */
export interface GroupStart {
  readonly group: Group;
  readonly log10CfuPerMl: number;
  readonly lagH: number;
}

/** Something with cells and acid of its own that comes to what is souring already: more starter, or another make. */
export interface Joining {
  /** Hours since the first inoculation; counted to the nearest step. */
  readonly hour: number;
  /** What was there, as a share of what there is then; 0..1. */
  readonly keeps: number;
  /** What it brings, per mL of the whole. */
  readonly starts: readonly GroupStart[];
  /** Acid it brings, mmol/kg plasma of the whole. */
  readonly acidMmolPerKg: number;
}

/** What makes one ensemble member differ from another. */
export interface MemberParameters {
  /** Multiplies growth and acid making: the culture's and the batch's own pace. */
  rate: number;
  log10Offset: number;
  biasC: number;
  lagFactor: number;
  plasmaSnfPercent: number;
}

/** Integrates one member over a course; created once, run thousands of times without allocating. */
export interface Kernel {
  readonly steps: number;
  readonly stepH: number;
  /** Writes steps + 1 pH values into `ph` from `offset` on. */
  run(member: MemberParameters, ph: Float32Array | Float64Array, offset: number): void;
  /** Acid made by each started group up to each step of the latest run, mmol/kg plasma; then by those of each joining. */
  readonly acidByGroup: readonly Float64Array[];
  /** Living cells of each of them at the end of the latest run, per mL. */
  readonly cellsAtEnd: Float64Array;
}

const KILL_SUBSTEPS = 10;

/** Readiness past e^18 is 1 to eight digits. */
const READY_LN_Q = 18;

/**
 * The three-group model (docs/SCIENCE.md, culture and acid) by RK4 on ln N + ∫kill dt, with the readiness
 * integrated ahead (it depends on temperature alone) and ∫kill tabulated only where it is hot enough to kill.
 * Everything is laid out in flat typed arrays and nothing is allocated while running.
 * @param present the groups present; @param startAcidMmolPerKg what the starter brings along
 * @param joinings what comes to it under way; those beyond the course are passed over
 */
export function createKernel(
  grid: CourseGrid,
  present: readonly GroupStart[],
  startAcidMmolPerKg: number,
  joinings: readonly Joining[] = [],
): Kernel {
  const { steps, stepH } = grid;
  const joined = joinings
    .map((joining) => ({ ...joining, step: Math.max(0, Math.round(joining.hour / stepH)) }))
    .filter(({ step }) => step < steps)
    .sort((a, b) => a.step - b.step);
  // What joins is a population of its own, from its step on, crowded by all of its kind.
  const starts = [...present, ...joined.flatMap((joining) => joining.starts)];
  const fromStep = [
    ...present.map(() => 0),
    ...joined.flatMap((joining) => joining.starts.map(() => joining.step)),
  ];
  const halves = 2 * steps + 1;
  const groups = starts.length;
  const constants = starts.map((s) => GROUP_CONSTANTS[s.group]);
  const acidByGroup = starts.map(() => new Float64Array(steps + 1));
  const temperature = new Float64Array(halves);
  /** Temperature factor × readiness, group after group. */
  const warmth = new Float64Array(groups * halves);
  /** e^(−∫kill dt), group after group; untouched (and unread) where nothing is killed. */
  const survival = new Float64Array(groups * halves);
  const gamma = new Float64Array(halves);
  const kills = new Uint8Array(groups);
  const unkilledN = new Float64Array(groups);
  const stageN = new Float64Array(groups);
  const slope = new Float64Array(groups);
  const slopeSum = new Float64Array(groups);
  const acidSlope = new Float64Array(groups);
  const acidSum = new Float64Array(groups);
  const acid = new Float64Array(groups);
  const cellsAtEnd = new Float64Array(groups);
  const paces = constants.map(paceOf);
  /** Where those of one kind came at different times: the first of the kind, for each of them. */
  const kindOf = starts.map((s) => starts.findIndex(({ group }) => group === s.group));
  const crowded = joined.length > 0;
  const crowd = new Float64Array(groups);
  const isPlain = !crowded && (groups === 1 || groups === 2);
  const tables = { steps, stepH, warmth, survival, kills, unkilledN, acid, acidByGroup };

  const tabulateSurvival = (g: number): void => {
    const c = constants[g]!;
    const widthH = stepH / 2 / KILL_SUBSTEPS;
    let killed = 0;
    const first = 2 * fromStep[g]!;
    survival[g * halves + first] = 1;
    for (let i = first + 1; i < halves; i++) {
      const from = temperature[i - 1]!;
      const to = temperature[i]!;
      if (from > c.tMaxC || to > c.tMaxC) {
        for (let k = 0; k < KILL_SUBSTEPS; k++) {
          const t0 = from + ((to - from) * k) / KILL_SUBSTEPS;
          const t1 = from + ((to - from) * (k + 1)) / KILL_SUBSTEPS;
          killed +=
            (widthH / 6) * (killRatePerH(c, t0) + 4 * killRatePerH(c, (t0 + t1) / 2) + killRatePerH(c, t1));
        }
      }
      survival[g * halves + i] = exp(-killed);
    }
  };

  const prepare = (member: MemberParameters): void => {
    let hottest = Number.NEGATIVE_INFINITY;
    for (let i = 0; i < halves; i++) {
      const t = grid.halfStepC[i]! + member.biasC * grid.looseness[i]!;
      temperature[i] = t;
      if (t > hottest) hottest = t;
    }
    for (let g = 0; g < groups; g++) {
      const c = constants[g]!;
      const at = g * halves;
      const third = (member.rate * c.muPerH * stepH) / 24;
      for (let i = 0; i < halves; i++) gamma[i] = temperatureFactor(c, temperature[i]!);
      let lnQ = lnReadiness(c, starts[g]!.lagH * member.lagFactor);
      const first = fromStep[g]!;
      warmth[at + 2 * first] = gamma[2 * first]! / (1 + exp(-lnQ));
      for (let i = first; i < steps; i++) {
        const a = gamma[2 * i]!;
        const m = gamma[2 * i + 1]!;
        const b = gamma[2 * i + 2]!;
        if (lnQ > READY_LN_Q) {
          warmth[at + 2 * i + 1] = m;
          warmth[at + 2 * i + 2] = b;
          continue;
        }
        warmth[at + 2 * i + 1] = m / (1 + exp(-(lnQ + third * (5 * a + 8 * m - b))));
        lnQ += third * 4 * (a + 4 * m + b);
        warmth[at + 2 * i + 2] = b / (1 + exp(-lnQ));
      }
      kills[g] = hottest > c.tMaxC ? 1 : 0;
      if (kills[g]) tabulateSurvival(g);
    }
  };

  /** Slopes of ln N (kill left out) and of acid at a half step, for a stage state. */
  const slopes = (half: number, rate: number, ph: number): void => {
    if (crowded) {
      crowd.fill(0);
      for (let g = 0; g < groups; g++)
        crowd[kindOf[g]!]! += kills[g] ? stageN[g]! * survival[g * halves + half]! : stageN[g]!;
    }
    for (let g = 0; g < groups; g++) {
      const warm = warmth[g * halves + half]!;
      if (warm === 0) {
        slope[g] = 0;
        acidSlope[g] = 0;
        continue;
      }
      const n = kills[g] ? stageN[g]! * survival[g * halves + half]! : stageN[g]!;
      const grow = growth(paces[g]!, crowded ? crowd[kindOf[g]!]! : n, ph, rate, warm);
      slope[g] = grow;
      acidSlope[g] = souring(paces[g]!, n, ph, rate, warm, grow);
    }
  };

  const countAtEnd = (): void => {
    for (let g = 0; g < groups; g++)
      cellsAtEnd[g] = kills[g] ? unkilledN[g]! * survival[g * halves + 2 * steps]! : unkilledN[g]!;
  };

  const run = (member: MemberParameters, ph: Float32Array | Float64Array, offset: number): void => {
    prepare(member);
    const scale = REFERENCE_SNF_PERCENT / member.plasmaSnfPercent;
    const { rate } = member;
    let carried = startAcidMmolPerKg;
    let total = carried;
    let next = 0;
    for (let g = 0; g < groups; g++) {
      unkilledN[g] = g < present.length ? 10 ** (starts[g]!.log10CfuPerMl + member.log10Offset) : 0;
      acid[g] = 0;
      acidByGroup[g]![0] = 0;
    }
    if (isPlain) {
      runPlain(paces, tables, { carried, rate, scale }, ph, offset);
      countAtEnd();
      return;
    }
    ph[offset] = phOfScaledAcid(total * scale);
    for (let i = 0; i < steps; i++) {
      const start = 2 * i;
      for (; next < joined.length && joined[next]!.step === i; next++) {
        const { keeps, acidMmolPerKg } = joined[next]!;
        carried = carried * keeps + acidMmolPerKg;
        total = carried;
        for (let g = 0; g < groups; g++) {
          unkilledN[g] = unkilledN[g]! * keeps;
          acid[g] = acid[g]! * keeps;
          acidByGroup[g]![i] = acid[g]!;
          total += acid[g]!;
        }
        let g = present.length;
        for (let k = 0; k < next; k++) g += joined[k]!.starts.length;
        for (const { log10CfuPerMl } of joined[next]!.starts)
          unkilledN[g++] = 10 ** (log10CfuPerMl + member.log10Offset);
        ph[offset + i] = phOfScaledAcid(total * scale);
      }
      let stageAcid = total;
      for (let g = 0; g < groups; g++) stageN[g] = unkilledN[g]!;
      for (let k = 0; k < 4; k++) {
        slopes(k === 0 ? start : k === 3 ? start + 2 : start + 1, rate, phOfScaledAcid(stageAcid * scale));
        const weight = k === 0 || k === 3 ? 1 : 2;
        const reach = k === 2 ? stepH : stepH / 2;
        stageAcid = total;
        for (let g = 0; g < groups; g++) {
          slopeSum[g] = (k === 0 ? 0 : slopeSum[g]!) + weight * slope[g]!;
          acidSum[g] = (k === 0 ? 0 : acidSum[g]!) + weight * acidSlope[g]!;
          stageN[g] = unkilledN[g]! * expSmall(reach * slope[g]!);
          stageAcid += reach * acidSlope[g]!;
        }
      }
      total = carried;
      for (let g = 0; g < groups; g++) {
        unkilledN[g] = unkilledN[g]! * expSmall((stepH / 6) * slopeSum[g]!);
        acid[g] = acid[g]! + (stepH / 6) * acidSum[g]!;
        acidByGroup[g]![i + 1] = acid[g]!;
        total += acid[g]!;
      }
      ph[offset + i + 1] = phOfScaledAcid(total * scale);
    }
    countAtEnd();
  };

  return { steps, stepH, run, acidByGroup, cellsAtEnd };
}

/** Hours at which a falling row of pH values passes `ph`; Infinity when it does not within the row. */
export function crossingH(
  row: ArrayLike<number>,
  offset: number,
  steps: number,
  stepH: number,
  ph: number,
): number {
  if (row[offset]! <= ph) return 0;
  if (row[offset + steps]! > ph) return Number.POSITIVE_INFINITY;
  let low = 0;
  let high = steps;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (row[offset + middle]! > ph) low = middle;
    else high = middle;
  }
  const before = row[offset + low]!;
  const after = row[offset + high]!;
  return (low + (before - ph) / (before - after)) * stepH;
}

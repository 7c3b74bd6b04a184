import { createRandom, weightedQuantiles, type Random } from '../numerics/index.ts';
import type { CourseGrid } from './course.ts';
import { createKernel, crossingH, type GroupStart, type Joining, type MemberParameters } from './kernel.ts';

// Bound once: a look-up of the global in the inner loops costs more than the function itself in some hosts.
const { exp, max, min, floor, round } = Math;

/** One standard deviation of each thing nobody knows exactly; all [F] until a kitchen's own makes are known. */
export interface Spread {
  /** ln of the culture's and the batch's pace together. */
  readonly lnRate: number;
  /** log10 of the count, one offset for all groups. */
  readonly log10Count: number;
  /** Temperature where nobody measured, K. */
  readonly biasC: number;
  readonly lnLag: number;
  /** Relative, of plasma SNF. */
  readonly snf: number;
}

export const KITCHEN_LN_RATE = 0.15;
const BATCH_LN_RATE = 0.1;

/**
 * The spread of an ordinary make, and the wide one of raw milk left to itself.
 * @param input.kitchenLnRate σ of ln of this kitchen's own pace: the book's until its makes have taught it
 */
export function spreadOf(input: {
  readonly wild: boolean;
  readonly biasSigmaC: number;
  readonly kitchenLnRate?: number | undefined;
}): Spread {
  return {
    lnRate: input.wild ? 0.3 : Math.hypot(input.kitchenLnRate ?? KITCHEN_LN_RATE, BATCH_LN_RATE),
    log10Count: input.wild ? 1.0 : 0.3,
    biasC: input.biasSigmaC,
    lnLag: 0.34,
    snf: 0.04,
  };
}

/** How many unknowns a member draws: pace, count, temperature, lag, SNF. */
export const DIMENSIONS = 5;

export interface EnsembleSpec {
  readonly grid: CourseGrid;
  readonly starts: readonly GroupStart[];
  readonly startAcidMmolPerKg: number;
  /** What comes to it under way. */
  readonly joinings?: readonly Joining[];
  readonly plasmaSnfPercent: number;
  /** Middle of the pace; 1 is the book. */
  readonly rate: number;
  readonly spread: Spread;
}

/** Members with their pH rows; `z` holds each member's five standard-normal draws. */
export interface Ensemble {
  readonly members: number;
  readonly steps: number;
  readonly stepH: number;
  readonly z: Float64Array;
  /** members × (steps + 1). */
  readonly ph: Float32Array;
  /** ln weights, up to a constant. */
  readonly lnWeight: Float64Array;
}

/** Independent standard-normal draws for some members. */
export function drawMembers(members: number, random: Random): Float64Array {
  return Float64Array.from({ length: members * DIMENSIONS }, () => random.normal());
}

/**
 * One σ of the hours to a pH before anything was measured, to first order: every unknown alone one σ up and down. Sooner than an
 * ensemble by a hundred times.
 * @returns 0 when the pH is not reached
 * @example crossingSigmaH(spec, 4.6) // h
 */
export function crossingSigmaH(spec: EnsembleSpec, ph: number): number {
  const kernel = createKernel(spec.grid, spec.starts, spec.startAcidMmolPerKg, spec.joinings);
  const row = new Float64Array(kernel.steps + 1);
  const member: MemberParameters = { rate: 1, log10Offset: 0, biasC: 0, lagFactor: 1, plasmaSnfPercent: 9 };
  const hours = (unknown: number, sign: number): number => {
    const z = new Float64Array(DIMENSIONS);
    z[unknown] = sign;
    memberOf(spec, z, 0, member);
    kernel.run(member, row, 0);
    return crossingH(row, 0, kernel.steps, kernel.stepH, ph);
  };
  let variance = 0;
  for (let unknown = 0; unknown < DIMENSIONS; unknown++) {
    const half = (hours(unknown, 1) - hours(unknown, -1)) / 2;
    if (Number.isFinite(half)) variance += half ** 2;
  }
  return Math.sqrt(variance);
}

/** A member's parameters from its standard-normal draws. */
export function memberOf(spec: EnsembleSpec, z: Float64Array, index: number, out: MemberParameters): void {
  const at = index * DIMENSIONS;
  out.rate = spec.rate * exp(spec.spread.lnRate * z[at]!);
  out.log10Offset = spec.spread.log10Count * z[at + 1]!;
  out.biasC = spec.spread.biasC * z[at + 2]!;
  out.lagFactor = exp(spec.spread.lnLag * z[at + 3]!);
  out.plasmaSnfPercent = spec.plasmaSnfPercent * (1 + spec.spread.snf * z[at + 4]!);
}

/** Members in the making, run in slices so that a worker can stop between them. */
export interface EnsembleRun {
  /** Runs up to `count` more; @returns how many are done. */
  advance(count: number): number;
  readonly ensemble: Ensemble;
}

/** Prepares a run of the members whose draws are in `z`. */
export function createEnsembleRun(spec: EnsembleSpec, z: Float64Array): EnsembleRun {
  const members = z.length / DIMENSIONS;
  const kernel = createKernel(spec.grid, spec.starts, spec.startAcidMmolPerKg, spec.joinings);
  const width = kernel.steps + 1;
  const ensemble: Ensemble = {
    members,
    steps: kernel.steps,
    stepH: kernel.stepH,
    z,
    ph: new Float32Array(members * width),
    lnWeight: new Float64Array(members),
  };
  const member: MemberParameters = { rate: 1, log10Offset: 0, biasC: 0, lagFactor: 1, plasmaSnfPercent: 9 };
  let done = 0;
  return {
    ensemble,
    advance(count) {
      const until = min(members, done + count);
      for (; done < until; done++) {
        memberOf(spec, z, done, member);
        kernel.run(member, ensemble.ph, done * width);
      }
      return done;
    },
  };
}

/**
 * Runs a whole ensemble from a seed.
 * @example quantilesOfCrossing(runEnsemble(spec, 1000, 7), 4.6, [0.1, 0.5, 0.9])
 */
export function runEnsemble(spec: EnsembleSpec, members: number, seed: number): Ensemble {
  const run = createEnsembleRun(spec, drawMembers(members, createRandom(seed)));
  run.advance(members);
  return run.ensemble;
}

/** Weights that add up to one. */
export function weightsOf(ensemble: Ensemble): Float64Array {
  let top = Number.NEGATIVE_INFINITY;
  for (const value of ensemble.lnWeight) top = max(top, value);
  const weights = ensemble.lnWeight.map((value) => exp(value - top));
  const total = weights.reduce((sum, value) => sum + value, 0);
  return weights.map((value) => value / total);
}

/** Each member's hours to a pH; Infinity when it is beyond the horizon. */
export function crossings(ensemble: Ensemble, ph: number): Float64Array {
  const width = ensemble.steps + 1;
  return Float64Array.from({ length: ensemble.members }, (_, i) =>
    crossingH(ensemble.ph, i * width, ensemble.steps, ensemble.stepH, ph),
  );
}

/** Hours to a pH at given probabilities; Infinity means "later than the horizon". */
export function quantilesOfCrossing(
  ensemble: Ensemble,
  ph: number,
  probabilities: readonly number[],
): number[] {
  return weightedQuantiles(crossings(ensemble, ph), weightsOf(ensemble), probabilities);
}

/** A member's pH at an hour, linear between steps. */
export function memberPh(ensemble: Ensemble, member: number, hour: number): number {
  const x = min(ensemble.steps, max(0, hour / ensemble.stepH));
  const i = min(ensemble.steps - 1, floor(x));
  const at = member * (ensemble.steps + 1) + i;
  return ensemble.ph[at]! + (x - i) * (ensemble.ph[at + 1]! - ensemble.ph[at]!);
}

/** One moment of the band. */
export interface BandPoint {
  readonly hour: number;
  readonly p10: number;
  readonly p50: number;
  readonly p90: number;
}

/** The pH band at every `everyH` hours. */
export function phBand(ensemble: Ensemble, everyH: number): BandPoint[] {
  const weights = weightsOf(ensemble);
  const stride = max(1, round(everyH / ensemble.stepH));
  const width = ensemble.steps + 1;
  const column = new Float64Array(ensemble.members);
  // Who is ahead changes little from one moment to the next.
  const order = Uint32Array.from({ length: ensemble.members }, (_, i) => i);
  const band: BandPoint[] = [];
  for (let i = 0; i <= ensemble.steps; i += stride) {
    for (let m = 0; m < ensemble.members; m++) column[m] = ensemble.ph[m * width + i]!;
    const [p10 = 0, p50 = 0, p90 = 0] = weightedQuantiles(column, weights, [0.1, 0.5, 0.9], order);
    band.push({ hour: i * ensemble.stepH, p10, p50, p90 });
  }
  return band;
}

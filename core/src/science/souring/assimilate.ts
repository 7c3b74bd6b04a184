import { cholesky, createRandom, effectiveSize, solveLower } from '../numerics/index.ts';
import {
  createEnsembleRun,
  DIMENSIONS,
  weightsOf,
  memberPh,
  type Ensemble,
  type EnsembleRun,
  type EnsembleSpec,
} from './ensemble.ts';
import {
  countedReadings,
  CUE_SIGMA,
  cueSpan,
  lnLikelihoods,
  MODEL_PH_SIGMA,
  type AcidityReading,
} from './readings.ts';

// Bound once: a look-up of the global in the inner loops costs more than the function itself in some hosts.
const { exp, log, max } = Math;

/** Fewer effective members than this and new ones are drawn where the readings point. */
export const ENOUGH_MEMBERS = 200;
const MAX_ROUNDS = 3;
const WIDEN_COVARIANCE = 1.3;
const PRIOR_SHARE = 0.1;

/** A Gaussian in the members' standard-normal space. */
interface Proposal {
  readonly mean: readonly number[];
  readonly lower: readonly (readonly number[])[];
  readonly lnDeterminant: number;
}

export interface Assimilation {
  readonly ensemble: Ensemble;
  readonly stats: { readonly rounds: number; readonly effectiveMembers: number };
}

/** The same members with the readings' likelihood as their weight. */
export function reweighted(
  ensemble: Ensemble,
  readings: readonly AcidityReading[],
  denatured: number,
): Ensemble {
  const likelihood = lnLikelihoods(ensemble, readings, denatured);
  return { ...ensemble, lnWeight: likelihood.map((value, i) => value + ensemble.lnWeight[i]!) };
}

/** Fits the proposal to members weighted by a tempered likelihood that keeps enough of them. */
function fitProposal(ensemble: Ensemble): Proposal {
  const tempered = (power: number): Float64Array =>
    weightsOf({ ...ensemble, lnWeight: ensemble.lnWeight.map((value) => value * power) });
  let power = 1;
  let weights = tempered(power);
  for (let i = 0; i < 30 && effectiveSize(weights) < ENOUGH_MEMBERS / 2; i++) {
    power *= 0.8;
    weights = tempered(power);
  }
  const mean = new Array<number>(DIMENSIONS).fill(0);
  for (let m = 0; m < ensemble.members; m++) {
    for (let d = 0; d < DIMENSIONS; d++) mean[d]! += weights[m]! * ensemble.z[m * DIMENSIONS + d]!;
  }
  const covariance = mean.map((mi, i) =>
    mean.map((mj, j) => {
      let sum = 0;
      for (let m = 0; m < ensemble.members; m++) {
        sum += weights[m]! * (ensemble.z[m * DIMENSIONS + i]! - mi) * (ensemble.z[m * DIMENSIONS + j]! - mj);
      }
      return WIDEN_COVARIANCE * sum;
    }),
  );
  const lower = cholesky(covariance, 1e-6);
  return { mean, lower, lnDeterminant: lower.reduce((sum, row, i) => sum + log(row[i]!), 0) };
}

/** ln(prior ÷ proposal mixture) of each member. */
function lnImportance(z: Float64Array, proposal: Proposal): Float64Array {
  return Float64Array.from({ length: z.length / DIMENSIONS }, (_, m) => {
    const own = Array.from(z.subarray(m * DIMENSIONS, (m + 1) * DIMENSIONS));
    const away = solveLower(
      proposal.lower,
      own.map((value, d) => value - proposal.mean[d]!),
    );
    const lnPrior = -0.5 * own.reduce((sum, value) => sum + value * value, 0);
    const lnFitted = -0.5 * away.reduce((sum, value) => sum + value * value, 0) - proposal.lnDeterminant;
    const top = max(lnPrior, lnFitted);
    const mixture = top + log(PRIOR_SHARE * exp(lnPrior - top) + (1 - PRIOR_SHARE) * exp(lnFitted - top));
    return lnPrior - mixture;
  });
}

/**
 * Lets readings move and narrow an ensemble: plain reweighting while enough members carry the weight, else up to
 * three rounds of adaptive importance sampling (weight = prior × likelihood of all readings ÷ proposal).
 * It is a generator so that a worker can stop between slices: each `yield` is a good moment.
 * @param prior an unweighted ensemble of `spec`
 * @param seed for the new members; the same seed gives the same answer everywhere
 */
export function* assimilating(
  spec: EnsembleSpec,
  prior: Ensemble,
  readings: readonly AcidityReading[],
  denatured: number,
  seed: number,
): Generator<undefined, Assimilation> {
  let best = reweighted(prior, readings, denatured);
  let bestSize = effectiveSize(weightsOf(best));
  let latest = best;
  let rounds = 0;
  const random = createRandom(seed ^ 0x5bd1e995);
  while (readings.length > 0 && bestSize < ENOUGH_MEMBERS && rounds < MAX_ROUNDS) {
    rounds++;
    const proposal = fitProposal(latest);
    const z = new Float64Array(prior.members * DIMENSIONS);
    for (let m = 0; m < prior.members; m++) {
      const fromPrior = random.uniform() < PRIOR_SHARE;
      const draw = Array.from({ length: DIMENSIONS }, () => random.normal());
      for (let d = 0; d < DIMENSIONS; d++) {
        let value = draw[d]!;
        if (!fromPrior) {
          value = proposal.mean[d]!;
          for (let k = 0; k <= d; k++) value += proposal.lower[d]![k]! * draw[k]!;
        }
        z[m * DIMENSIONS + d] = value;
      }
    }
    const run: EnsembleRun = createEnsembleRun(spec, z);
    while (run.advance(100) < prior.members) yield;
    const fresh: Ensemble = { ...run.ensemble, lnWeight: lnImportance(z, proposal) };
    latest = reweighted(fresh, readings, denatured);
    const size = effectiveSize(weightsOf(latest));
    if (size > bestSize) {
      best = latest;
      bestSize = size;
    }
  }
  return { ensemble: best, stats: { rounds, effectiveMembers: bestSize } };
}

/** `assimilating` run to its end. */
export function assimilate(
  spec: EnsembleSpec,
  prior: Ensemble,
  readings: readonly AcidityReading[],
  denatured: number,
  seed: number,
): Assimilation {
  const work = assimilating(spec, prior, readings, denatured, seed);
  for (;;) {
    const step = work.next();
    if (step.done === true) return step.value;
  }
}

/** A reading that the model cannot believe. */
export interface Contradiction {
  readonly hour: number;
  /** The milk is less acid than any believable member, or more. */
  readonly direction: 'slower' | 'faster';
}

/** From how many σ on a reading counts as contradicting. */
const CONTRADICTS_SIGMA = 3;

function meanPh(ensemble: Ensemble, weights: Float64Array, hour: number): number {
  let sum = 0;
  for (let m = 0; m < ensemble.members; m++) sum += weights[m]! * memberPh(ensemble, m, hour);
  return sum;
}

/** How far the readings pulled the members from what was believed before, in σ of the prior. */
function leanOf(ensemble: Ensemble, weights: Float64Array): number {
  const mean = new Float64Array(DIMENSIONS);
  for (let m = 0; m < ensemble.members; m++) {
    for (let d = 0; d < DIMENSIONS; d++) mean[d]! += weights[m]! * ensemble.z[m * DIMENSIONS + d]!;
  }
  return Math.hypot(...mean);
}

/** The pH a reading speaks for, and its scatter; a cue speaks for the nearest end of its interval. */
function spokenPh(reading: AcidityReading, nearPh: number, denatured: number): { ph: number; sigma: number } {
  if (reading.kind === 'ph') return { ph: reading.ph, sigma: Math.hypot(reading.sigma, MODEL_PH_SIGMA) };
  const { above, below } = cueSpan(reading.cue, denatured);
  const upper = below ?? Number.POSITIVE_INFINITY;
  const lower = above ?? Number.NEGATIVE_INFINITY;
  return { ph: Math.min(upper, max(lower, nearPh)), sigma: CUE_SIGMA };
}

/**
 * Looks whether the latest reading contradicts the model: either even the members that fit best miss it by
 * 3 σ, or they had to lean 3 σ away from everything believed before to meet it.
 * @param prior the members before any reading; @param posterior after them
 */
export function contradictionOf(
  prior: Ensemble,
  posterior: Ensemble,
  readings: readonly AcidityReading[],
  denatured: number,
): Contradiction | null {
  const latest = countedReadings(readings).at(-1);
  if (!latest) return null;
  const weights = weightsOf(posterior);
  const believed = meanPh(posterior, weights, latest.hour);
  const spoken = spokenPh(latest, believed, denatured);
  const misses = Math.abs(spoken.ph - believed) / spoken.sigma >= CONTRADICTS_SIGMA;
  if (!misses && leanOf(posterior, weights) < CONTRADICTS_SIGMA) return null;
  const expected = meanPh(prior, weightsOf(prior), latest.hour);
  return {
    hour: latest.hour,
    direction: spokenPh(latest, expected, denatured).ph > expected ? 'slower' : 'faster',
  };
}

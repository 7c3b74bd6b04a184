import { expectedBits, type CauseShare, type Suspect } from '../science/causes/index.ts';
import { interpolateLinear } from '../science/numerics/index.ts';
import { cueProbability, memberPh, normalCdf, type Cue } from '../science/souring/index.ts';
import type { SouringWorld } from './souring-worlds.ts';

/** A reading that may be taken now, and the bits it is expected to tell. */
export interface ReadingTells {
  readonly reading: 'cue' | 'temperature' | 'ph';
  readonly bits: number;
}

/** Edges between outcomes that tell apart: temperature in K from what is expected, and pH. */
const OFF_EDGES_C = [-9, -7, -5, -3.5, -2, 2, 4];
const PH_EDGES = [4.5, 4.8, 5.1, 5.4, 5.7, 6, 6.3, 6.5];
const HEAT_SIGMA_C = 0.7;
const STRIP_SIGMA = 0.25;

/** How likely a value with a scatter falls between edges. */
function shares(value: number, sigma: number, edges: readonly number[]): number[] {
  const below = [0, ...edges.map((edge) => normalCdf((edge - value) / sigma)), 1];
  return below.slice(1).map((share, i) => Math.max(0, share - below[i]!));
}

/**
 * What a look, a thermometer or a strip would tell now.
 * @param weights how likely each world is with all that is known
 * @param members ln likelihood of the log for the members of each world
 */
export function readingsTell(
  beliefs: readonly CauseShare[],
  worlds: readonly SouringWorld[],
  weights: readonly number[],
  members: readonly Float64Array[],
  now: { readonly hour: number; readonly cues: readonly Cue[]; readonly denatured: number },
): ReadingTells[] {
  const base = worlds[0];
  if (!base) return [];
  const at = ({ incubation: { course } }: SouringWorld): number =>
    interpolateLinear(
      course.map(([h]) => h),
      course.map(([, c]) => c),
      now.hour,
    );
  const expectedC = at(base);
  const outcomes = (of: (world: SouringWorld, i: number) => number[]): number[][] => {
    const each = worlds.map(of);
    return beliefs.map(({ cause }: { readonly cause: Suspect }) => {
      const own = worlds.flatMap((world, i) => (world.cause === cause ? [i] : []));
      const all = own.reduce((sum, i) => sum + weights[i]!, 0);
      const count = each[0]!.length;
      // What nobody knows may look like anything.
      if (own.length === 0 || all <= 0) return new Array<number>(count).fill(1 / count);
      return Array.from({ length: count }, (_, k) =>
        own.reduce((sum, i) => sum + (weights[i]! / all) * each[i]![k]!, 0),
      );
    });
  };
  const overMembers = (world: SouringWorld, i: number, of: (ph: number) => number[]): number[] => {
    const ln = members[i]!;
    const top = Math.max(...ln);
    let total = 0;
    const sum: number[] = [];
    for (let m = 0; m < world.ensemble.members; m++) {
      const weight = Math.exp(ln[m]! - top);
      total += weight;
      for (const [k, share] of of(memberPh(world.ensemble, m, now.hour)).entries())
        sum[k] = (sum[k] ?? 0) + weight * share;
    }
    return sum.map((value) => value / total);
  };
  const told: ReadingTells[] = [
    {
      reading: 'cue',
      bits: expectedBits(
        beliefs,
        outcomes((world, i) =>
          overMembers(world, i, (ph) => now.cues.map((cue) => cueProbability(cue, ph, now.denatured))),
        ),
      ),
    },
    {
      reading: 'temperature',
      bits: expectedBits(
        beliefs,
        outcomes((world) =>
          shares(
            at(world) - expectedC + (world.readsHighC ?? 0),
            Math.hypot(HEAT_SIGMA_C, world.incubation.ambientSigmaC),
            OFF_EDGES_C,
          ),
        ),
      ),
    },
    {
      reading: 'ph',
      bits: expectedBits(
        beliefs,
        outcomes((world, i) => overMembers(world, i, (ph) => shares(ph, STRIP_SIGMA, PH_EDGES))),
      ),
    },
  ];
  return told.sort((a, b) => b.bits - a.bits);
}

import type { CauseId } from '../science/causes/index.ts';
import { interpolateLinear } from '../science/numerics/index.ts';
import { lnLikelihoods, memberPh, type Cue, type Ensemble } from '../science/souring/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import { lnAcid, lnWarm } from './souring-fit.ts';
import type { Walked } from './walked.ts';
import type { SouringWorld } from './souring-worlds.ts';

/** Something that speaks for a cause, or against it. */
export interface Evidence {
  /** The log's own figures; temperatures in braces, in °C. */
  readonly words: string;
  /** When it was read; `null` where it has no instant. */
  readonly atMs: number | null;
  /** ln of how much better it goes with this cause than with the others; below 0 worse. */
  readonly nats: number;
}

/** Cues as somebody says them. */
const CUE_SAID: Readonly<Record<Cue, string>> = {
  liquid: 'Liquid',
  trembles: 'Trembling',
  set: 'Set',
  'whey-shows': 'Whey showing',
  runs: 'Running',
  thick: 'Thick',
  dollop: 'A spoon of it held',
  curdled: 'Curdled',
};

const lnMeanOf = (values: ArrayLike<number>): number => {
  const top = Math.max(...Array.from(values));
  return (
    top + Math.log(Array.from(values).reduce((sum, value) => sum + Math.exp(value - top), 0) / values.length)
  );
};

const middlePh = (ensemble: Ensemble, hour: number): number => {
  let sum = 0;
  for (let m = 0; m < ensemble.members; m++) sum += memberPh(ensemble, m, hour);
  return sum / ensemble.members;
};

/**
 * What each reading of a souring says for a cause or against it: in its worlds, against a batch in which nothing is wrong.
 * @param shares how likely each world is
 */
export function readingEvidence(
  { worlds, log }: Pick<Walked, 'worlds' | 'log'>,
  shares: readonly number[],
  cause: CauseId,
): Evidence[] {
  const zero = worlds[0]?.state.inoculatedAtMs;
  if (zero === null || zero === undefined) return [];
  const usual = worlds.find((world) => world.cause === 'not-yet');
  /** ln likelihood of one reading with this cause, against a batch in which nothing is wrong; of that one, against the rest. */
  const compare = (ln: (world: SouringWorld) => number): number => {
    const mean = (counts: (world: SouringWorld) => boolean): number => {
      const of = worlds.flatMap((world, i) => (counts(world) ? [[world, shares[i]!] as const] : []));
      const all = of.reduce((sum, [, share]) => sum + share, 0);
      const weighted = of.map(
        ([world, share]) => [ln(world), all > 0 ? share / all : 1 / of.length] as const,
      );
      const top = Math.max(...weighted.map(([value]) => value));
      return (
        top + Math.log(weighted.reduce((sum, [value, weight]) => sum + weight * Math.exp(value - top), 0))
      );
    };
    const own = mean((world) => world.cause === cause);
    const nats = own - mean((world) => (cause === 'not-yet' ? world.cause !== cause : world === usual));
    return Number.isFinite(nats) ? nats : 0;
  };
  const acid = log.acid.map((reading): Evidence => {
    const before = usual ? middlePh(usual.ensemble, reading.hour) : null;
    const said =
      reading.kind === 'cue'
        ? CUE_SAID[reading.cue]
        : reading.instrument === 'tongue'
          ? 'Not sour to taste'
          : `pH ${reading.ph.toFixed(1)}`;
    return {
      words: before === null ? `${said}.` : `${said}. Usual by then: pH ${before.toFixed(1)}.`,
      atMs: zero + reading.hour * HOUR_MS,
      nats: compare((world) => lnMeanOf(lnLikelihoods(world.ensemble, [reading], log.denatured))),
    };
  });
  const { unset } = log;
  if (unset) {
    const before = usual ? middlePh(usual.ensemble, unset.hour) : null;
    acid.push({
      words: before === null ? 'Not set.' : `Not set. Usual by then: pH ${before.toFixed(1)}.`,
      atMs: zero + unset.hour * HOUR_MS,
      nats: compare((world) => lnMeanOf(lnAcid(world, { ...log, acid: [] }))),
    });
  }
  const warm = log.warm.map(({ hour, celsius }): Evidence => {
    const { course } = (usual ?? worlds[0]!).unread;
    const expected = interpolateLinear(
      course.map(([h]) => h),
      course.map(([, c]) => c),
      hour,
    );
    return {
      words: `{${celsius.toFixed(1)}}, planned {${expected.toFixed(1)}}.`,
      atMs: zero + hour * HOUR_MS,
      nats: compare((world) => lnWarm(world, [{ hour, celsius }])),
    };
  });
  // Ten readings of one warmth say one thing.
  const strongest = (of: readonly Evidence[]): Evidence[] =>
    [...of].sort((a, b) => Math.abs(b.nats) - Math.abs(a.nats)).slice(0, 2);
  return [...strongest(acid), ...strongest(warm)];
}

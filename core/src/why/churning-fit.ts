import type { CauseId, Suspect } from '../science/causes/index.ts';
import {
  churnForecast,
  STAGE_LN_SIGMA,
  STAGE_SHARE,
  STAGE_WORDS,
  warmsAt,
  windowOf,
  type Churning,
} from '../science/butter/index.ts';
import { normalCdf } from '../science/souring/index.ts';
import type { Evidence } from './evidence.ts';
import type { ChurningLog } from '../steps/index.ts';

/** A world that one cause may have made of a churning. */
interface ChurnWorld {
  readonly cause: CauseId;
  readonly share: number;
  readonly churning: Churning;
}

const evenly = <T>(amounts: readonly T[], of: (amount: T) => Omit<ChurnWorld, 'share'>): ChurnWorld[] =>
  amounts.map((amount) => ({ ...of(amount), share: 1 / amounts.length }));

const slower = (churning: Churning, times: number): Churning => ({
  ...churning,
  own: { slower: (churning.own?.slower ?? 1) * times, lnSigma: churning.own?.lnSigma ?? 0.3 },
});

/** What may hold a churning up, each cause on a coarse grid. Source: docs/SCIENCE.md, causes [judgement]. */
function churnWorlds({ churning }: ChurningLog): ChurnWorld[] {
  const [low, high] = windowOf(churning);
  const best = low + 0.75 * (high - low);
  // All but the cold ones began as they should.
  const well = { ...churning, startC: best };
  return [
    ...evenly([best - 1.5, best, best + 1.5], (startC) => ({
      cause: 'churn-not-yet',
      churning: { ...well, startC },
    })),
    ...evenly(
      [low - 2, low - 4, low - 6, low - 8].map((c) => Math.max(1, c)),
      (startC) => ({ cause: 'cream-cold', churning: { ...well, startC } }),
    ),
    ...evenly([2, 3, 5, 8], (times) => ({ cause: 'churn-weak', churning: slower(well, times) })),
    ...evenly([0.5, 0.6, 0.7], (share) => ({
      cause: 'thin-cream',
      churning: { ...well, fatFraction: Math.min(0.24, well.fatFraction * share) },
    })),
    ...evenly([0.65, 0.8, 0.95], (fillFraction) => ({
      cause: 'overfull',
      churning: { ...well, fillFraction },
    })),
    ...evenly([1.5, 3, 6, 1000], (times) => ({
      cause: 'uht-cream',
      churning: slower({ ...well, treatment: 'pasteurised' }, times),
    })),
    ...evenly([1.5, 2.5], (times) => ({ cause: 'late-lactation', churning: slower(well, times) })),
  ];
}

/** From churning to churning in the same world, one σ of ln. */
const WORLD_LN_SIGMA = 0.25;
/** Scatter of one heat read in cream, one σ, K: its middle is colder than its edge. */
const HEAT_SIGMA_C = 0.8;

/** How far off the warming of a churn is, one σ, K for each minute. */
const DRIFT_C_PER_MIN = 0.08;

const lnNormal = (away: number, sigma: number): number => -((away / sigma) ** 2) / 2 - Math.log(sigma);

/** What a churning's log says, a part at a time. */
type Part = 'startC' | 'lastC' | 'stage' | 'unbroken';

/** ln likelihood of each part of a churning's log in a world; 0 where the log does not have it. */
function lnParts({ churning }: ChurnWorld, log: ChurningLog): Readonly<Record<Part, number>> {
  const { minutes } = churnForecast(churning);
  const last = log.seen.at(-1);
  return {
    startC: log.startC === null ? 0 : lnNormal(log.startC - churning.startC, HEAT_SIGMA_C),
    lastC:
      log.lastC === null
        ? 0
        : lnNormal(
            log.lastC.celsius - (churning.startC + warmsAt(churning, churning.startC) * log.lastC.minutes),
            Math.hypot(2 * HEAT_SIGMA_C, DRIFT_C_PER_MIN * log.lastC.minutes),
          ),
    stage: last
      ? lnNormal(
          Math.log(Math.max(0.5, last.minutes) / STAGE_SHARE[last.stage]) - Math.log(minutes),
          Math.hypot(STAGE_LN_SIGMA, WORLD_LN_SIGMA),
        )
      : 0,
    unbroken:
      log.brokeMin === null
        ? Math.log(
            Math.max(
              1e-9,
              normalCdf((Math.log(minutes) - Math.log(Math.max(0.5, log.elapsedMin))) / WORLD_LN_SIGMA),
            ),
          )
        : 0,
  };
}

/** ln likelihood of a churning's log in a world: heats, stages, and that it has not broken yet. */
function lnChurnFit(world: ChurnWorld, log: ChurningLog): number {
  const { startC, lastC, stage, unbroken } = lnParts(world, log);
  return startC + lastC + stage + unbroken;
}

/** What a churning's log says for a cause or against it: in its worlds, against a churning in which nothing is wrong. */
export function churnEvidence(log: ChurningLog, cause: CauseId): Evidence[] {
  const worlds = churnWorlds(log);
  const mean = (counts: (world: ChurnWorld) => boolean, part: Part): number => {
    const of = worlds.filter(counts);
    return Math.log(
      of.reduce((sum, world) => sum + world.share * Math.exp(lnParts(world, log)[part]), 0) /
        of.reduce((sum, { share }) => sum + share, 0),
    );
  };
  const usual = (world: ChurnWorld): boolean => world.cause === 'churn-not-yet';
  const nats = (part: Part): number =>
    mean((world) => world.cause === cause, part) -
    mean((world) => (cause === 'churn-not-yet' ? !usual(world) : usual(world)), part);
  const { minutes } = churnForecast(worlds.find(usual)!.churning);
  const [low, high] = windowOf(log.churning);
  const last = log.seen.at(-1);
  const said: readonly (readonly [Part, string | null])[] = [
    [
      'startC',
      log.startC === null
        ? null
        : `Cream at {${log.startC}} when churning began. {${low}}–{${high}} is best.`,
    ],
    ['lastC', log.lastC && `Cream at {${log.lastC.celsius}} after ${Math.round(log.lastC.minutes)} min.`],
    ['stage', last ? `${STAGE_WORDS[last.stage]} after ${Math.round(last.minutes)} min.` : null],
    [
      'unbroken',
      log.brokeMin === null
        ? `Not broken after ${Math.round(log.elapsedMin)} min. Usual: about ${Math.round(minutes)} min.`
        : null,
    ],
  ];
  return said.flatMap(([part, words]) =>
    words === null
      ? []
      : [{ words: words.charAt(0).toUpperCase() + words.slice(1), atMs: null, nats: nats(part) }],
  );
}

/** A fault nobody named takes any time, and its cream is as warm as any. */
const NONE_LN = { heat: Math.log(1 / 16), stage: Math.log(1 / 4), unbroken: Math.log(0.5) };

/** How well each cause goes with a churning's log, and none of them. */
export function churnSuspects(log: ChurningLog): ReadonlyMap<Suspect, number> {
  const by = new Map<Suspect, number>();
  for (const world of churnWorlds(log)) {
    const likelihood = world.share * Math.exp(lnChurnFit(world, log));
    by.set(world.cause, (by.get(world.cause) ?? 0) + likelihood);
  }
  const suspects = new Map<Suspect, number>(
    [...by].map(([cause, l]) => [cause, Math.log(Math.max(1e-300, l))]),
  );
  const root = Math.log(Math.sqrt(2 * Math.PI));
  const told = (log.startC === null ? 0 : 1) + (log.lastC === null ? 0 : 1) + (log.seen.length > 0 ? 1 : 0);
  suspects.set(
    null,
    (log.startC === null ? 0 : NONE_LN.heat) +
      (log.lastC === null ? 0 : NONE_LN.heat) +
      (log.seen.length > 0 ? NONE_LN.stage : 0) +
      (log.brokeMin === null ? NONE_LN.unbroken : 0) +
      // The densities above leave out 1/√2π, so this does too.
      told * root,
  );
  return suspects;
}

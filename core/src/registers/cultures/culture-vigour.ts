import type { Culture, Factor } from '../../contract/index.ts';
import { livingShare, STARTER_FACTS } from '../../science/souring/index.ts';
import { agedNow, grownSoFar, isLive } from './culture.ts';

/** How strong a culture is: what its keeping should have left, and what its makes said of its pace. */
export interface Vigour {
  /** Living share of a fresh one, 0..1; an estimate by age, kind and cold. */
  readonly living: number;
  /** ln of its pace against the book, learned from the makes of its line; `null` before the first. */
  readonly lnPace: number | null;
  readonly paceSigma: number | null;
  readonly makes: number;
}

/** The factor a line's makes have taught. */
export const lineFactor = (culture: Culture, factors: readonly Factor[]): Factor | undefined =>
  factors.find((f) => f.kind === 'rate' && f.thing === culture.lineId);

export function vigourOf(culture: Culture, factors: readonly Factor[], nowMs: number): Vigour {
  const factor = lineFactor(culture, factors);
  return {
    living: livingShare(culture.kind, agedNow(culture, nowMs)),
    lnPace: factor?.mean ?? null,
    paceSigma: factor?.sigma ?? null,
    makes: factor?.makes ?? 0,
  };
}

/** One make's say on the pace of a turn. */
export interface TurnPace {
  readonly turn: number;
  readonly cultureId: string;
  readonly makeName: string;
  readonly atMs: number;
  readonly observed: number;
  readonly sigma: number;
  /** What was believed of the line after it. */
  readonly mean: number;
}

/** The pace of a line over its turns, each make at the turn it was begun with. */
export function paceOverTurns(
  lineId: string,
  cultures: ReadonlyMap<string, Culture>,
  factors: readonly Factor[],
): TurnPace[] {
  const factor = factors.find((f) => f.kind === 'rate' && f.thing === lineId);
  if (!factor) return [];
  const usedIn = new Map(
    [...cultures.values()].flatMap((c) => c.makes.map((m): [string, Culture] => [m.makeId, c])),
  );
  return factor.history.flatMap((step) => {
    const culture = usedIn.get(step.makeId);
    return culture
      ? [
          {
            turn: culture.turn,
            cultureId: culture.id,
            makeName: step.name,
            atMs: Date.parse(step.at),
            observed: step.observed,
            sigma: step.sigma,
            mean: step.mean,
          },
        ]
      : [];
  });
}

/** Weighings nearer together say nothing of growth. */
const LEAST_DAYS = 0.5;

/**
 * Growth of grains per day, as a share, from weighings between which nothing was taken of them; `null` when there are none
 * half a day apart, and for cultures that do not grow but are made.
 */
export function growthPerDay(culture: Culture): number | null {
  if (culture.kind !== 'kefir-grains') return null;
  const { ln, days } = grownSoFar(culture);
  return days < LEAST_DAYS ? null : Math.expm1(ln / days);
}

/** Cultures a make of this kind may start from, the freshest first. */
export function startersFor(cultures: readonly Culture[]): Culture[] {
  return cultures
    .filter((c) => isLive(c) && STARTER_FACTS[c.kind].dosing !== 'none')
    .sort((a, b) => b.bornMs - a.bornMs);
}

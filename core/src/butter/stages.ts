/** What a churning goes through, in order, as eye and ear tell it. */
export const CHURN_STAGES = ['froth', 'soft', 'stiff', 'yellow', 'easier', 'broken', 'lump'] as const;
export type ChurnStage = (typeof CHURN_STAGES)[number];

/** What each looks, sounds or feels like. */
export const STAGE_WORDS: Readonly<Record<ChurnStage, string>> = {
  froth: 'froth',
  soft: 'soft cream',
  stiff: 'stiff',
  yellow: 'yellow and heavy',
  easier: 'goes easier',
  broken: 'it broke',
  lump: 'one lump',
};

/** Typical share of the whole time at which each begins [F]. */
export const STAGE_SHARE: Readonly<Record<ChurnStage, number>> = {
  froth: 0.15,
  soft: 0.35,
  stiff: 0.6,
  yellow: 0.85,
  easier: 0.95,
  broken: 1,
  lump: 1,
};
/** Scatter of what one stage says of the whole, σ of ln [F]. */
const STAGE_LN_SIGMA = 0.15;

/** A stage seen, minutes since churning began. */
export interface SeenStage {
  readonly stage: ChurnStage;
  readonly minutes: number;
}

/** How long the whole takes, and how far off that may be. */
export interface ChurnTime {
  readonly minutes: number;
  /** One σ of ln. */
  readonly lnSigma: number;
}

/** When it broke, minutes since churning began; `null` when nobody said so. */
export const brokeAfter = (seen: readonly SeenStage[]): number | null =>
  seen.find(({ stage }) => STAGE_SHARE[stage] === 1)?.minutes ?? null;

/**
 * The book's time met by the last stage that was seen: two lognormals, weighted by their precisions.
 * @example timeByStages({ minutes: 20, lnSigma: 0.4 }, [{ stage: 'stiff', minutes: 18 }]).minutes // 28.6
 */
export function timeByStages(book: ChurnTime, seen: readonly SeenStage[]): ChurnTime {
  const broke = brokeAfter(seen);
  if (broke !== null) return { minutes: broke, lnSigma: 0 };
  const last = seen.at(-1);
  if (!last || last.minutes <= 0) return book;
  const says = last.minutes / STAGE_SHARE[last.stage];
  const [a, b] = [1 / book.lnSigma ** 2, 1 / STAGE_LN_SIGMA ** 2];
  const ln = (a * Math.log(book.minutes) + b * Math.log(says)) / (a + b);
  // It cannot break before the stage it is in.
  return { minutes: Math.max(last.minutes, Math.exp(ln)), lnSigma: Math.sqrt(1 / (a + b)) };
}

/** What a churning goes through, in order, as eye and ear tell it. */
export const CHURN_STAGES = ['froth', 'soft', 'stiff', 'yellow', 'easier', 'broken', 'lump'] as const;
export type ChurnStage = (typeof CHURN_STAGES)[number];

export const isChurnStage = (stage: string): stage is ChurnStage =>
  (CHURN_STAGES as readonly string[]).includes(stage);

/** What each looks, sounds or feels like. */
export const STAGE_WORDS: Readonly<Record<ChurnStage, string>> = {
  froth: 'froth',
  soft: 'soft cream',
  stiff: 'stiff',
  yellow: 'yellow and heavy',
  easier: 'easier to churn',
  broken: 'broken',
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
export const STAGE_LN_SIGMA = 0.15;

/** A stage seen, minutes since churning began. */
export interface SeenStage {
  readonly stage: ChurnStage;
  readonly minutes: number;
}

/** When it broke, minutes since churning began; `null` when nobody said so. */
export const brokeAfter = (seen: readonly SeenStage[]): number | null =>
  seen.find(({ stage }) => STAGE_SHARE[stage] === 1)?.minutes ?? null;

import type { MakePlan, Trouble } from '../contract/index.ts';
import { createRandom, hashSeed, type Random } from '../science/numerics/index.ts';

/** What is truly so in a practice, and shown to nobody before its end. */
export interface PracticeTruth {
  /** What the burner gives, times what is planned; what the pot loses, likewise. */
  readonly burner: number;
  readonly loss: number;
  /** How far room and warm place are off what is planned, K. */
  readonly roomOffC: number;
  readonly placeOffC: number;
  /** Living cells against a starter as planned, ln; the culture's pace and its lag, times what is usual. */
  readonly lnCells: number;
  readonly rate: number;
  readonly lag: number;
  /** How much too high the thermometer reads, K. */
  readonly readsHighC: number;
  /** Minutes to break, times what is usual. */
  readonly churn: number;
  /** Fat of the cream, times what is planned. */
  readonly fat: number;
  /** How slowly the cloth drains, times what is usual. */
  readonly cloth: number;
  /** Strength of the rennet, times what its label says. */
  readonly rennet: number;
  /** Water in the butter for ghee, times what is planned. */
  readonly moisture: number;
  /** It sours, churns and drains by a rougher model than the forecast's: the forecast is not always right. */
  readonly rough: boolean;
}

/** A simulated crock: the plan as its cook knows it, and what is true. */
export interface PracticeWorld {
  readonly seed: number;
  readonly startMs: number;
  readonly plan: MakePlan;
  readonly truth: PracticeTruth;
  readonly troubles: readonly Trouble[];
  /** How it stands when practice begins, where that is not its first moment. */
  readonly begins: {
    /** Steps before this one are done; left out, none. */
    readonly at?: string;
    readonly celsius?: number;
    readonly denatured?: number;
  };
}

type Draw = { -readonly [K in keyof PracticeTruth]: PracticeTruth[K] };

/** What each trouble does to a world: a little more or less with the draw. */
const MAKES: Readonly<Record<Trouble, (truth: Draw, random: Random) => void>> = {
  'cold-place': (t, r) => void (t.placeOffC -= 9.5 + 2.5 * r.uniform()),
  'warm-place': (t, r) => void (t.placeOffC += 4 + 2 * r.uniform()),
  'weak-starter': (t, r) => void (t.lnCells -= 6.5 + 1.5 * r.uniform()),
  'strong-burner': (t, r) => void (t.burner *= 1.5 + 0.3 * r.uniform()),
  'weak-burner': (t, r) => void (t.burner *= 0.6 + 0.1 * r.uniform()),
  'cold-kitchen': (t, r) => void (t.roomOffC -= 4 + 1.5 * r.uniform()),
  'warm-kitchen': (t, r) => void (t.roomOffC += 5 + 2 * r.uniform()),
  'thermometer-high': (t, r) => void (t.readsHighC += 4 + 1.5 * r.uniform()),
  'thin-cream': (t, r) => void (t.fat *= 0.7 + 0.1 * r.uniform()),
  'slow-churn': (t, r) => void (t.churn *= 1.6 + 0.4 * r.uniform()),
  'fast-cloth': (t, r) => void (t.cloth *= 0.5 + 0.1 * r.uniform()),
  'slow-cloth': (t, r) => void (t.cloth *= 1.7 + 0.3 * r.uniform()),
  'weak-rennet': (t, r) => void (t.rennet *= 0.55 + 0.1 * r.uniform()),
  'wet-butter': (t, r) => void (t.moisture *= 1.35 + 0.15 * r.uniform()),
};

/** One world in so many goes by the rougher model. */
const ROUGH_IN = 4;
/** Scatter that every batch has, one σ: of ln, or K. */
const USUAL = {
  burner: 0.06,
  loss: 0.05,
  roomC: 0.4,
  placeC: 0.4,
  cells: 0.25,
  rate: 0.06,
  lag: 0.15,
} as const;
const USUAL_LN = { churn: 0.12, cloth: 0.1, rennet: 0.08 } as const;

/**
 * What is true in a practice: the scatter of every batch, and its troubles. The same number draws the same world.
 * @example truthOf(7, ['cold-place']).placeOffC // about -7
 */
export function truthOf(seed: number, troubles: readonly Trouble[]): PracticeTruth {
  const random = createRandom(hashSeed(`world ${seed}`));
  const about = (sigma: number): number => Math.exp(sigma * Math.max(-1.5, Math.min(1.5, random.normal())));
  const off = (sigma: number): number => sigma * Math.max(-1.5, Math.min(1.5, random.normal()));
  const truth: Draw = {
    burner: about(USUAL.burner),
    loss: about(USUAL.loss),
    roomOffC: off(USUAL.roomC),
    placeOffC: off(USUAL.placeC),
    lnCells: off(USUAL.cells),
    rate: about(USUAL.rate),
    lag: about(USUAL.lag),
    readsHighC: 0,
    churn: about(USUAL_LN.churn),
    fat: 1,
    cloth: about(USUAL_LN.cloth),
    rennet: about(USUAL_LN.rennet),
    moisture: 1,
    rough: random.uniform() < 1 / ROUGH_IN,
  };
  for (const trouble of troubles) MAKES[trouble](truth, random);
  return truth;
}

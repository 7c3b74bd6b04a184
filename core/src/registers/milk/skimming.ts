import type { Lot } from '../../contract/index.ts';
import { CREAM_SPREAD, ladle, settle, type Layers } from '../../science/milk/index.ts';
import { lotCreaming, settledHours } from './lot.ts';

/** What a source's weighed churnings taught. */
export interface CreamFactor {
  readonly mean: number;
  readonly sigma: number;
}

/** How sure a measured cream line makes the amount of cream, one σ. */
const MEASURED_SPREAD = 0.1;

/** What skimming gives at a moment, with how sure it is. */
export interface SkimOffer {
  readonly hours: number;
  readonly layers: Layers;
  readonly creamKg: number;
  readonly creamFatFraction: number;
  readonly restKg: number;
  readonly restFatFraction: number;
  /** The range shown: this share more or less cream. */
  readonly spread: number;
}

/**
 * What a lot gives when it is skimmed at an instant.
 * @param depth share of the layer the ladle takes, 1 is the layer
 */
export function skimOffer(
  lot: Lot,
  atMs: number,
  options: { readonly depth?: number; readonly learned?: CreamFactor | undefined } = {},
): SkimOffer {
  const { depth = 1, learned } = options;
  const hours = settledHours(lot, atMs);
  const massKg = Math.max(0, lot.has.massKg);
  const layers = settle({
    composition: lot.of,
    massKg,
    creaming: lotCreaming(lot),
    hours,
    factor: lot.creamFactor ?? 1,
    fatFactor: learned ? Math.exp(learned.mean) : 1,
  });
  const lifted = ladle(layers, depth);
  const restKg = massKg - lifted.massKg;
  const fatKg = massKg * lot.of.fatFraction;
  return {
    hours,
    layers,
    creamKg: lifted.massKg,
    creamFatFraction: lifted.fatFraction,
    restKg,
    restFatFraction: restKg > 0 ? Math.max(0, (fatKg - lifted.massKg * lifted.fatFraction) / restKg) : 0,
    spread: Math.min(
      CREAM_SPREAD,
      lot.creamFactor !== null ? MEASURED_SPREAD : CREAM_SPREAD,
      learned ? Math.max(0.05, learned.sigma) : CREAM_SPREAD,
    ),
  };
}

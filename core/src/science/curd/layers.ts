import { layerFatFraction, type Treatment } from '../milk/index.ts';

/** Share of the fat that rises before a jar sets [F: wide band]. */
const MOST_RISEN: Readonly<Record<'raw' | 'heated', number>> = { raw: 0.8, heated: 0.5 };
/** At room heat, h per 10 cm of depth [F]. */
const TAU_H_PER_10CM = 10;
/** Richer than this no layer is promised: it is cream all through. */
export const NO_LAYER_FROM = 0.25;

/** A jar of creamy milk that sours standing. */
export interface TwoLayers {
  readonly massKg: number;
  readonly fatFraction: number;
  readonly depthCm: number;
  readonly treatment: Treatment | 'heated';
  readonly homogenised: boolean;
  /** Until it gels: from then on nothing rises. */
  readonly hoursToGel: number;
}

/** What comes of it: sour cream on top, buttermilk below; every gram of fat is in one of them. */
export interface JarOfTwo {
  readonly creamKg: number;
  readonly creamFatFraction: number;
  readonly buttermilkKg: number;
  readonly buttermilkFatFraction: number;
}

/**
 * Sour cream and buttermilk of one jar. Source: docs/SCIENCE.md, one jar, two products [F: wide band].
 * @returns `null` when no layer is promised: too rich, or homogenised
 * @example jarOfTwo({ massKg: 2, fatFraction: 0.06, depthCm: 12, treatment: 'raw', homogenised: false, hoursToGel: 14 })!.creamKg // 0.32
 */
export function jarOfTwo(jar: TwoLayers): JarOfTwo | null {
  const { massKg, fatFraction, depthCm, treatment, homogenised, hoursToGel } = jar;
  if (homogenised || treatment === 'ultra-heated' || fatFraction > NO_LAYER_FROM) return null;
  const tauH = (TAU_H_PER_10CM * depthCm) / 10;
  const most = MOST_RISEN[treatment === 'raw' ? 'raw' : 'heated'];
  const risen = most * (1 - Math.exp(-Math.max(0, hoursToGel) / tauH));
  const creamFatFraction = Math.max(layerFatFraction(hoursToGel), fatFraction);
  const fatKg = massKg * fatFraction;
  const creamKg = Math.min(massKg, (risen * fatKg) / creamFatFraction);
  const buttermilkKg = massKg - creamKg;
  return {
    creamKg,
    creamFatFraction,
    buttermilkKg,
    buttermilkFatFraction: buttermilkKg > 0 ? (fatKg - creamKg * creamFatFraction) / buttermilkKg : 0,
  };
}

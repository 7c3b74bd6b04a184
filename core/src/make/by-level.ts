import { batchOf } from '../setup/index.ts';
import { densityKgPerM3 } from '../science/milk/index.ts';
import type { MakeState } from './state.ts';

/** How full a jar or pot looks, and the share of what it holds that is. */
export const LEVELS = [
  { share: 0.25, words: 'a quarter' },
  { share: 0.5, words: 'half' },
  { share: 0.75, words: 'three quarters' },
  { share: 0.9, words: 'to the shoulder' },
  { share: 1, words: 'to the brim' },
] as const;

/** A level read by eye, one σ of its amount [F: judgement]. */
export const LEVEL_SPREAD = 0.1;

/**
 * What some litres of a batch weigh, kg: as dense as the milk or cream it was made of. An estimate.
 * @example levelKg(state, 1.5) // about 1.54
 */
export const levelKg = ({ plan }: Pick<MakeState, 'plan'>, litres: number): number =>
  Math.round(litres * densityKgPerM3(batchOf(plan).composition)) / 1000;

/** Litres in an upright vessel by a ruler, @param depthCm from the bottom to the surface @example litresByRuler(20, 10) // 3.1 */
export const litresByRuler = (widthCm: number, depthCm: number): number =>
  ((Math.PI / 4) * widthCm ** 2 * depthCm) / 1000;

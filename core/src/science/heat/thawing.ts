import { densityKgPerM3, specificHeatKjPerKgK, waterFraction, type Composition } from '../milk/index.ts';

/** Heat to melt ice, kJ/kg. */
const MELTING_KJ_PER_KG = 334;
/** Specific heat of ice, kJ/(kg·K). */
const ICE_KJ_PER_KG_K = 2.1;
/** Refrigerator air on a vessel, W/(m²·K). Source: docs/SCIENCE.md, cooling. */
const FRIDGE_W_PER_M2_K = 7;
/** Still room air, wall side. */
const ROOM_W_PER_M2_K = 12;
/** Cold water around a tight vessel: what has thawed inside holds most of it back [F: judgement]. */
const WATER_W_PER_M2_K = 40;
/** With so much of its ice melted a piece can be broken up and poured [F: about 14 h for a kilogram of cream in the fridge]. */
const SOFT_SHARE = 0.32;
/** A portion's own shape and its lid: the hours are known to about a third. */
export const THAW_SPREAD = 0.3;

export interface Thawing {
  readonly composition: Composition;
  /** The largest single piece: pieces side by side thaw together. */
  readonly pieceKg: number;
  readonly freezerC: number;
  readonly airC: number;
  readonly where: ThawPlace;
}

/** Where something thaws; in cold water that is changed when it gets icy. */
export const THAW_PLACES = ['fridge', 'room', 'water'] as const;
export type ThawPlace = (typeof THAW_PLACES)[number];
const W_PER_M2_K: Readonly<Record<ThawPlace, number>> = {
  fridge: FRIDGE_W_PER_M2_K,
  room: ROOM_W_PER_M2_K,
  water: WATER_W_PER_M2_K,
};
/** Cold tap water, °C. */
export const TAP_C = 12;

/** Hours until it is soft enough to pour, and until the last ice is gone. Estimates, ± 30 %. */
export interface ThawTimes {
  readonly softH: number;
  readonly wholeH: number;
}

/**
 * Hours until a frozen piece is liquid: its heat (ice warmed, water melted) over what the air gives a jar of its
 * own volume, the surface at 0 °C while ice is left; then up to 1 K below the air or 4 °C.
 * An estimate: ± 30 %. Source: docs/SCIENCE.md, thawing.
 * @throws RangeError for air that cannot thaw anything
 * @example thawHours({ composition: cream, pieceKg: 0.5, freezerC: -18, airC: 4, where: 'fridge' })
 */
export const thawHours = (of: Thawing): number => thawTimes(of).wholeH;

/** The same, with the moment before at which it pours. @throws RangeError for air that cannot thaw anything */
export function thawTimes({ composition, pieceKg, freezerC, airC, where }: Thawing): ThawTimes {
  if (!(airC > 0.5)) throw new RangeError('nothing thaws in air at or below freezing');
  const h = W_PER_M2_K[where];
  const volumeM3 = pieceKg / densityKgPerM3(composition);
  // A jar half as high as wide, all sides, lid and bottom.
  const diameterM = ((8 * volumeM3) / Math.PI) ** (1 / 3);
  const areaM2 = Math.PI * diameterM * (diameterM / 2) + (Math.PI * diameterM ** 2) / 2;
  const wPerK = h * areaM2;
  const water = waterFraction(composition);
  // Frozen solids and fat are taken with the heat they have thawed; the ice decides.
  const frozenKjPerK =
    pieceKg * (water * ICE_KJ_PER_KG_K + (1 - water) * 0.5 * specificHeatKjPerKgK(composition, 0));
  const warmIceS =
    freezerC < 0 ? ((frozenKjPerK * 1000) / wPerK) * Math.log((airC - freezerC) / Math.max(airC, 0.5)) : 0;
  const meltS = (pieceKg * water * MELTING_KJ_PER_KG * 1000) / (wPerK * airC);
  return { softH: (warmIceS + SOFT_SHARE * meltS) / 3600, wholeH: (warmIceS + meltS) / 3600 };
}

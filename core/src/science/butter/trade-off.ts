import { butterBalance } from './balance.ts';
import { churnForecast, churnSpread, HAND_WORKED_FAT, type Churning } from './churning.ts';

/** What churning at one heat comes to. */
export interface HeatChoice {
  readonly startC: number;
  readonly minutes: number;
  /** P10 and P90 of the minutes. */
  readonly fromMin: number;
  readonly toMin: number;
  readonly breakC: number;
  /** Share of the fat that stays in the buttermilk, 0..1. */
  readonly lostFraction: number;
  /** How the butter comes. */
  readonly softness: 'hard' | 'firm' | 'soft' | 'greasy';
}

/** Warmer than this at its break it comes soft; greasy from where the fat is half melted, and hard below the first, °C [F]. */
const SOFTNESS_C = { hard: 11, firm: 17, soft: 20 } as const;

/** How butter comes by the heat at which it broke. @example softnessAt(14) // 'firm' */
export const softnessAt = (breakC: number): HeatChoice['softness'] =>
  breakC < SOFTNESS_C.hard
    ? 'hard'
    : breakC < SOFTNESS_C.firm
      ? 'firm'
      : breakC < SOFTNESS_C.soft
        ? 'soft'
        : 'greasy';

/**
 * The trade-off of heat: what is won in minutes is lost in fat and firmness. Minutes never grow with the heat it
 * begins at, the fat left behind never falls with the heat it breaks at.
 * @param churning its own heat is passed over @param heatsC rising, °C
 * @example heatTradeOff(churning, [10, 12, 14]).map((h) => Math.round(h.minutes)) // [36, 25, 17]
 */
export function heatTradeOff(churning: Churning, heatsC: readonly number[]): HeatChoice[] {
  const spread = churnSpread(churning);
  return heatsC.map((startC) => {
    const { minutes, breakC, buttermilkFatFraction } = churnForecast({ ...churning, startC });
    const { buttermilkKg } = butterBalance({
      creamKg: 1,
      creamFatFraction: churning.fatFraction,
      buttermilkFatFraction: Math.min(buttermilkFatFraction, churning.fatFraction),
      butterFatFraction: HAND_WORKED_FAT,
    });
    return {
      startC,
      minutes,
      fromMin: minutes / spread,
      toMin: minutes * spread,
      breakC,
      lostFraction: Math.min(1, (buttermilkKg * buttermilkFatFraction) / churning.fatFraction),
      softness: softnessAt(breakC),
    };
  });
}

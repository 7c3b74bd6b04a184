import type { Flavouring } from './salted.ts';
import { KEEPING_SERUM } from './washing.ts';

/** Where butter is kept. */
export const BUTTER_PLACES = ['cold', 'freezer', 'counter', 'under-water'] as const;
export type ButterPlace = (typeof BUTTER_PLACES)[number];

/** What decides how long butter keeps. */
export interface KeptButter {
  readonly place: ButterPlace;
  /** Buttermilk left in it, share of what it carried, 0..1; `null` when nobody knows how it was washed. */
  readonly serumLeft: number | null;
  /** Salt of the brine that its water makes with it, 0..1. */
  readonly brineFraction: number;
  /** Of ripened cream. */
  readonly cultured: boolean;
  readonly flavoured: readonly Flavouring[];
  /** Of raw cream: it keeps shorter. */
  readonly raw?: boolean;
}

/** How long, in days, and why. */
export interface ButterKeeping {
  readonly days: readonly [number, number];
  readonly reason: string;
}

/** Brine from here on keeps butter notably better, 0..1. */
export const KEEPING_BRINE = 0.08;
/** Some buttermilk washed out: between what is not washed at all and what keeps. */
const HALF_WASHED = 0.5;
const MONTH_D = 30;
/** Butter of raw cream keeps so much of that [judgement]. */
const RAW_SHARE = 0.7;

/**
 * How long butter keeps, sealed; a judgement, shown as a range with its reason. Fresh herbs or garlic in fat are kept cold, four
 * days, or frozen, whatever the salt.
 * @example butterKeeping({ place: 'cold', serumLeft: 0.02, brineFraction: 0.1, cultured: false, flavoured: [] }).days // [30, 60]
 */
export function butterKeeping(of: KeptButter): ButterKeeping {
  const kept = pasteurisedKeeping(of);
  if (!of.raw) return kept;
  const [least, most] = kept.days;
  return {
    days: [Math.floor(least * RAW_SHARE), Math.ceil(most * RAW_SHARE)],
    reason: `${kept.reason}; from raw cream, so it keeps shorter`,
  };
}

function pasteurisedKeeping(of: KeptButter): ButterKeeping {
  const { place, serumLeft, brineFraction, cultured } = of;
  const fresh = of.flavoured.some((what) => what === 'herbs' || what === 'garlic');
  if (place === 'freezer')
    return fresh
      ? { days: [MONTH_D, 3 * MONTH_D], reason: 'frozen at once; up to 4 days in the fridge once thawed' }
      : { days: [6 * MONTH_D, 9 * MONTH_D], reason: 'frozen' };
  if (fresh)
    return place === 'cold'
      ? { days: [2, 4], reason: 'with fresh herbs or garlic: 4 days in the fridge at most, or freeze' }
      : { days: [0, 0], reason: 'with fresh herbs or garlic: never keep out of the fridge' };
  const washed = serumLeft !== null && serumLeft <= KEEPING_SERUM * 1.0001;
  const salty = brineFraction >= KEEPING_BRINE;
  if (place === 'counter' || place === 'under-water') {
    const daily = place === 'under-water' ? ', water changed every day' : '';
    return washed && salty
      ? { days: [5, 7], reason: `salted and washed, kept at 20 °C or cooler${daily}` }
      : {
          days: [1, 2],
          reason: `${salty ? 'not washed enough' : brineFraction > 0 ? 'too little salt' : 'unsalted'}, kept at 20 °C or cooler${daily}`,
        };
  }
  const sour = cultured ? '; from ripened cream, so it turns sour rather than foul' : '';
  if (washed && salty) return { days: [30, 60], reason: `washed, with enough salt in its water${sour}` };
  if (washed) return { days: [14, 21], reason: `washed${sour}` };
  if (serumLeft !== null && serumLeft <= HALF_WASHED)
    return { days: [7, 14], reason: `partly washed: leftover buttermilk sours${sour}` };
  return { days: [5, 7], reason: `not washed: leftover buttermilk sours${sour}` };
}

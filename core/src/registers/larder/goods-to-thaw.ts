import type { Good, GoodStock } from '../../contract/index.ts';
import { MILK_FACTS, withFat, type Composition } from '../../science/milk/index.ts';
import { FREEZER_C, FRIDGE_C, THAW_SPREAD, thawHours } from '../../science/heat/index.ts';
import { countPieces } from './count.ts';
import { GOOD_FACTS } from './kinds.ts';
import { HOUR_MS } from '../../science/units/index.ts';

const MILK = MILK_FACTS['cow-lean'].composition;
/** What is frozen, by what its ice is like: the share of water decides. */
const THAWS: Readonly<Record<'milk' | 'cream' | 'butter', Composition>> = {
  milk: MILK,
  cream: withFat(MILK, 0.32),
  butter: { fatFraction: 0.82, proteinFraction: 0.006, lactoseFraction: 0.006, ashFraction: 0.002 },
};

/** Frozen goods that are wanted thawed. */
export interface ToThaw {
  readonly good: Good;
  readonly stock: GoodStock;
  readonly massKg: number;
  /** Whole pieces; `null` when it was weighed. */
  readonly count: number | null;
  /** When they must go into the cold, and when they are wanted, ms since 1970. */
  readonly outMs: number;
  readonly readyMs: number;
}

/**
 * Hours until a piece of some goods is thawed in the cold, at the long end of the estimate. Source: docs/SCIENCE.md, thawing.
 * @example goodThawHours(butter, 0.25) // about 9
 */
export const goodThawHours = ({ what }: Pick<Good, 'what'>, pieceKg: number): number =>
  (1 + THAW_SPREAD) *
  thawHours({
    composition: THAWS[GOOD_FACTS[what].thawsAs ?? 'milk'],
    pieceKg,
    freezerC: FREEZER_C,
    airC: FRIDGE_C,
    where: 'fridge',
  });

/** The largest single piece of a stock, kg: pieces side by side thaw together. */
export const pieceOf = (good: Pick<Good, 'sizesKg'>, stock: GoodStock): number =>
  countPieces(good, stock).whole > 0 ? (good.sizesKg[stock.size] ?? stock.massKg) : stock.massKg;

/** What is to be taken out of the freezer, what is due soonest first. */
export function toThaw(goods: readonly Good[]): ToThaw[] {
  return goods
    .flatMap((good) =>
      good.stocks.flatMap((stock): ToThaw[] => {
        const { thawFor } = stock;
        if (!thawFor) return [];
        const massKg = Math.min(thawFor.massKg, stock.massKg);
        const hours = goodThawHours(good, Math.min(massKg, pieceOf(good, stock)));
        const { count, readyMs } = thawFor;
        return [{ good, stock, massKg, count, outMs: readyMs - hours * HOUR_MS, readyMs }];
      }),
    )
    .sort((a, b) => a.outMs - b.outMs);
}

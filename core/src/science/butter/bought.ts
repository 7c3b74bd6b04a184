import { butterBalance } from './balance.ts';
import { HAND_WORKED_FAT } from './churning.ts';

/** Cream for sale, and the butter it stands against. */
export interface BoughtCream {
  readonly creamKg: number;
  /** As the carton says, 0..1. */
  readonly fatFraction: number;
  /** Of all of it. */
  readonly creamCost: number;
  /** The shop's butter, per kg. */
  readonly butterCostPerKg: number;
  /** What the buttermilk is worth here, per kg; 0 when it is poured away. */
  readonly buttermilkCostPerKg: number;
  readonly buttermilkFatFraction: number;
}

/** Whether it pays. */
export interface Pays {
  readonly butterKg: number;
  readonly buttermilkKg: number;
  /** Of one kg of one's own butter, the buttermilk's worth taken off. */
  readonly ownCostPerKg: number;
  /** Against the shop's, of all of it: above 0 it is cheaper to churn. */
  readonly savedCost: number;
  /** Up to this price of all the cream it pays. */
  readonly breakEvenCost: number;
}

/**
 * Does bought cream pay? By the fat balance, with butter worked by hand; hands cost nothing in it.
 * @throws RangeError for cream that gives no butter
 * @example boughtCreamPays({ creamKg: 1, fatFraction: 0.35, creamCost: 4, butterCostPerKg: 12, buttermilkCostPerKg: 0, buttermilkFatFraction: 0.006 }).butterKg // 0.428
 */
export function boughtCreamPays(of: BoughtCream): Pays {
  const { butterKg, buttermilkKg } = butterBalance({
    creamKg: of.creamKg,
    creamFatFraction: of.fatFraction,
    buttermilkFatFraction: of.buttermilkFatFraction,
    butterFatFraction: HAND_WORKED_FAT,
  });
  if (!(butterKg > 0)) throw new RangeError('this cream gives no butter');
  const worth = butterKg * of.butterCostPerKg + buttermilkKg * of.buttermilkCostPerKg;
  return {
    butterKg,
    buttermilkKg,
    ownCostPerKg: (of.creamCost - buttermilkKg * of.buttermilkCostPerKg) / butterKg,
    savedCost: worth - of.creamCost,
    breakEvenCost: worth,
  };
}

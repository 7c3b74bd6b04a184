import { isCream } from '@morning-crock/core';
import { useMemo } from 'react';
import { useMilkRoom } from './use-milk.ts';

/** What a kilogram of milk, and of cream, costs in this kitchen now: the middle of the lots that have a price; `null` without one. */
export function useMilkPrice(): { readonly milk: number | null; readonly cream: number | null } {
  const { lots } = useMilkRoom();
  return useMemo(() => {
    const middle = (ofCream: boolean): number | null => {
      const prices = lots
        .flatMap((lot) => (lot.costPerKg !== null && isCream(lot) === ofCream ? [lot.costPerKg] : []))
        .sort((a, b) => a - b);
      return prices[Math.floor(prices.length / 2)] ?? null;
    };
    return { milk: middle(false), cream: middle(true) };
  }, [lots]);
}

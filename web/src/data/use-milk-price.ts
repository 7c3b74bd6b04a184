import { isCream } from '@morning-crock/core';
import { PRODUCT_TAKES, type ProductId } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { useMilkRoom } from './use-milk.ts';

/** What a kilogram of what goes into a product costs in this kitchen now: the middle of the lots that have a price; `null` without one. */
export function useMilkPrice(): (product: ProductId) => number | null {
  const { lots } = useMilkRoom();
  return useMemo(() => {
    const middle = (ofCream: boolean): number | null => {
      const prices = lots
        .flatMap((lot) => (lot.costPerKg !== null && isCream(lot) === ofCream ? [lot.costPerKg] : []))
        .sort((a, b) => a - b);
      return prices[Math.floor(prices.length / 2)] ?? null;
    };
    const [milk, cream] = [middle(false), middle(true)];
    return (product) => (PRODUCT_TAKES[product] === 'cream' ? cream : milk);
  }, [lots]);
}

import { PRODUCTS } from '@morning-crock/core';
import { PRODUCT_TAKES, type ProductId } from '@morning-crock/core/contract';

/** What most people come for. */
export const LARGE_PRODUCTS: readonly ProductId[] = Object.values(PRODUCTS)
  .filter(({ usual }) => usual === true)
  .map(({ id }) => id);
/** So many others fit into the same row. */
const MOST_OFTEN = 2;

/**
 * What else a kitchen makes often, by its latest batches: the most frequent first.
 * @example oftenMade(['skyr', 'kefir', 'skyr', 'yogurt']) // ['skyr', 'kefir']
 */
export function oftenMade(latest: readonly ProductId[]): ProductId[] {
  const times = new Map<ProductId, number>();
  for (const id of latest)
    if (!LARGE_PRODUCTS.includes(id) && PRODUCT_TAKES[id] !== 'packet')
      times.set(id, (times.get(id) ?? 0) + 1);
  return [...times]
    .sort(([, a], [, b]) => b - a)
    .slice(0, MOST_OFTEN)
    .map(([id]) => id);
}

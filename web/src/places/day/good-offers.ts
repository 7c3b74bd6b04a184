import type { ProductId } from '@morning-crock/core/contract';

/** So many offers are looked at before somebody looks away. */
const FEW = 5;

interface Made {
  readonly product: ProductId | null;
  readonly methodId: string | null;
}

/**
 * A few good ones of all that could be made: one for each product, by the method it was made with last, what this kitchen makes
 * most often first.
 * @param made the kitchen's batches, the latest first
 * @example goodOffers(all, made) // yogurt as always, skyr, kefir, …
 */
export function goodOffers<T extends { readonly id: string; readonly product: ProductId }>(
  all: readonly T[],
  made: readonly Made[],
): T[] {
  const times = new Map<ProductId, number>();
  for (const { product } of made) if (product) times.set(product, (times.get(product) ?? 0) + 1);
  const products = [...new Set(all.map(({ product }) => product))];
  return products
    .sort((a, b) => (times.get(b) ?? 0) - (times.get(a) ?? 0))
    .slice(0, FEW)
    .flatMap((product) => {
      const own = all.filter((offer) => offer.product === product);
      const last = made.find((m) => m.product === product && own.some(({ id }) => id === m.methodId));
      return own.find(({ id }) => id === last?.methodId) ?? own[0]!;
    });
}

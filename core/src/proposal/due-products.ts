import type { Culture, ProductId } from '../contract/index.ts';
import { PRODUCTS } from '../products/index.ts';
import type { Due } from '../registers/cultures/index.ts';

/** What a batch does for a culture: it is used while it is strong, and fed. */
const USED: ReadonlySet<Due['kind']> = new Set(['use-within', 'use-by', 'feed']);

/**
 * Products that use the cultures that want to be used by then: for each culture the one in front of the list, where it is the
 * product's own.
 * @param products those to choose from, the most often made in front
 * @example dueProducts(due, cultures, ['yogurt', 'kefir'], endMs) // new Set(['kefir'])
 */
export function dueProducts(
  due: readonly Due[],
  cultures: readonly Culture[],
  products: readonly ProductId[],
  endMs: number,
): ReadonlySet<ProductId> {
  const wanting = new Set(due.filter(({ kind, atMs }) => USED.has(kind) && atMs < endMs).map(({ id }) => id));
  return new Set(
    cultures
      .filter(({ id }) => wanting.has(id))
      .flatMap(({ kind }) => products.find((product) => PRODUCTS[product].starters[0] === kind) ?? []),
  );
}

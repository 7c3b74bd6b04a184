import type { Method, ProductId } from '../../contract/index.ts';
import { BUTTER_METHODS, GHEE_METHODS } from './of-butter.ts';
import { CHEESE_METHODS, FRESH_CHEESE_METHODS } from './of-cheese.ts';
import { CREAM_METHODS, SHORT_METHODS } from './of-cream.ts';
import { ROOM_MILK_METHODS, YOGURT_METHODS } from './of-milk.ts';

/** The schools that come with the product, in the order they are shown. */
export const SHIPPED_METHODS: readonly Method[] = [
  ...YOGURT_METHODS,
  ...ROOM_MILK_METHODS,
  ...CREAM_METHODS,
  ...BUTTER_METHODS,
  ...GHEE_METHODS,
  ...FRESH_CHEESE_METHODS,
  ...CHEESE_METHODS,
  ...SHORT_METHODS,
];

/** The method a product is usually made by; `null` where its plan knows its own way. */
export const usualMethod = (product: ProductId): Method | null =>
  SHIPPED_METHODS.find((method) => method.product === product) ?? null;

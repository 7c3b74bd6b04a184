import type { ProductId } from '../contract/index.ts';

/** Products whose work can be simulated from the first step to the last: what can be practised. */
export const PRACTISED_PRODUCTS = [
  'yogurt',
  'cultured-cream',
  'kefir',
  'skyr',
  'butter',
  'ghee',
  'fresh-cheese',
] as const satisfies readonly ProductId[];

import type { Way } from '../contract/index.ts';

/** Ways in which makers differ, as they call them. */
export const WAY_WORDS: Readonly<Record<Way, string>> = {
  touched: 'only brought to temperature',
  'held-hot': 'held hot',
  scalded: 'scalded',
  towels: 'in towels',
  oven: 'in the oven',
  'washed-little': 'washed once',
  'washed-much': 'washed three times or more',
};

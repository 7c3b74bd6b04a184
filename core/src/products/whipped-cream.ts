import type { Product } from './product.ts';

/** Whipped cream. */
export const WHIPPED_CREAM: Product = {
  id: 'whipped-cream',
  label: 'Whipped cream',
  calledBy: /whipped/i,
  line: 'Cold cream, whipped until it holds its shape',
  goods: { into: 'cream', out: 'whipped cream' },
  drawn: { brush: 'stars', as: 'thick' },
  takes: 'cream',
  starters: [],
};

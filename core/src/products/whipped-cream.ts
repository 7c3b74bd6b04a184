import type { Product } from './product.ts';

/** Whipped cream. */
export const WHIPPED_CREAM: Product = {
  id: 'whipped-cream',
  label: 'Whipped cream',
  calledBy: /whipped/i,
  line: 'Cold cream, whipped until it holds its shape',
  goods: { into: 'cream', out: 'whipped cream' },
  drawn: { brush: 'stars', as: 'thick' },
  starters: [],
  keeps: { cold: [1, 2], freezer: [30, 60], cellar: null, reason: 'sweet and full of air', thawsAs: 'cream' },
};

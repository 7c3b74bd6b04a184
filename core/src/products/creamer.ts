import type { Product } from './product.ts';

/** Flavoured creamer: cream and what tastes in it. */
export const CREAMER: Product = {
  id: 'creamer',
  label: 'Creamer',
  calledBy: /creamer/i,
  line: 'Flavoured cream for coffee or tea',
  goods: { into: 'cream', out: 'creamer' },
  drawn: { brush: 'stars', as: 'poured' },
  starters: [],
  keeps: { cold: [3, 5], freezer: null, cellar: null, reason: 'sweet cream, flavoured' },
};

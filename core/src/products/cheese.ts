import type { Product } from './product.ts';

/** Cheese of rennet curd: brined, washed or cheddared, with its tail of days. */
export const CHEESE: Product = {
  id: 'cheese',
  label: 'Cheese',
  calledByMethod: true,
  calledBy: /cheese/i,
  line: 'Rennet curd, cut and brined or pressed over days or weeks',
  goods: { into: 'milk', out: 'cheese' },
  drawn: { brush: 'nets', as: 'wheel' },
  starters: ['cultured-buttermilk', 'dried-mesophilic', 'sour-milk-whey', 'fresh-yogurt', 'dried-yogurt'],
  gives: { whey: { role: 'whey', name: () => 'Sweet whey' } },
  keeps: { cold: [60, 180], freezer: null, cellar: [60, 180], reason: 'salted and pressed or brined' },
};

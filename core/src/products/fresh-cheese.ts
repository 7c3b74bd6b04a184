import type { Product } from './product.ts';

/** Fresh cheese: acid-set, renneted, or of creamy milk, drained and eaten soon. */
export const FRESH_CHEESE: Product = {
  id: 'fresh-cheese',
  label: 'Fresh cheese',
  calledByMethod: true,
  calledBy: /cream\s+cheese|fresh\s+cheese|cottage|curd/i,
  line: 'Curd drained in a cloth, to eat within the week',
  goods: { into: 'milk', out: 'fresh cheese' },
  drawn: { brush: 'nets', as: 'lump' },
  madeFrom: ['milk'],
  starters: ['cultured-buttermilk', 'dried-mesophilic', 'sour-milk-whey', 'fresh-yogurt', 'dried-yogurt'],
  gives: { whey: { role: 'whey', name: () => 'Whey' } },
  keeps: { cold: [5, 7], freezer: [30, 60], cellar: null, reason: 'fresh and moist' },
};

import { soured } from './keeps.ts';
import type { Product } from './product.ts';

/** One jar of creamy milk: its fat rises before it sets, sour cream above, buttermilk below. */
export const JAR_OF_TWO: Product = {
  id: 'jar-of-two',
  label: 'Sour cream and buttermilk',
  thickness: 'pourable',
  line: 'One jar of creamy milk gives both',
  goods: { into: 'milk', out: 'sour cream' },
  drawn: { brush: 'sprigs', as: 'thick' },
  starters: ['cultured-buttermilk', 'milk-kefir', 'sour-milk-whey', 'dried-mesophilic', 'none'],
  gives: {
    out: { role: 'cream', name: () => 'Sour cream' },
    buttermilk: { role: 'buttermilk', name: () => 'Cultured buttermilk' },
  },
  keeps: soured([7, 12]),
};

import { soured } from './keeps.ts';
import type { Product } from './product.ts';

/** Cultured buttermilk: milk soured at room heat. */
export const BUTTERMILK: Product = {
  id: 'buttermilk',
  label: 'Buttermilk',
  thickness: 'pourable',
  calledBy: /buttermilk/i,
  line: 'Milk soured at room temperature, for drinking and baking',
  goods: { into: 'milk', out: 'buttermilk' },
  drawn: { brush: 'reeds', as: 'poured' },
  madeFrom: ['milk'],
  starters: ['cultured-buttermilk', 'dried-mesophilic', 'sour-milk-whey', 'milk-kefir'],
  gives: { out: { role: 'buttermilk', name: ({ name }) => name } },
  keeps: { ...soured([10, 14], [60, 90]), pours: ['curd'], starts: 'cultured-buttermilk' },
};

import { soured } from './keeps.ts';
import type { Product } from './product.ts';

/** Kefir: milk soured by grains, which are taken out and go on. */
export const KEFIR: Product = {
  id: 'kefir',
  label: 'Kefir',
  thickness: 'pourable',
  calledBy: /kefir/i,
  line: 'Milk with kefir grains, a day at room temperature',
  goods: { into: 'milk', out: 'kefir' },
  drawn: { brush: 'reeds', as: 'poured' },
  madeFrom: ['milk'],
  starters: ['kefir-grains', 'milk-kefir'],
  keeps: { ...soured([7, 14], [30, 60]), pours: ['curd'], starts: 'milk-kefir' },
};

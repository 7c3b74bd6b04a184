import type { Product } from './product.ts';

/** Kefir: milk soured by grains, which are taken out and go on. */
export const KEFIR: Product = {
  id: 'kefir',
  label: 'Kefir',
  calledBy: /kefir/i,
  line: 'Milk with kefir grains, a day at room temperature',
  goods: { into: 'milk', out: 'kefir' },
  drawn: { brush: 'reeds', as: 'poured' },
  takes: 'milk',
  madeFrom: ['milk'],
  starters: ['kefir-grains', 'milk-kefir'],
};

import { soured } from './keeps.ts';
import type { Product } from './product.ts';

/** Cultured cream: cream soured at room heat or in the warm, thick after a night in the cold. */
export const CULTURED_CREAM: Product = {
  id: 'cultured-cream',
  label: 'Cultured cream',
  calledBy: /sour\s+cream|cultured\s+cream|crème|creme/i,
  line: 'Cream soured at room temperature, thick the next day',
  usual: true,
  goods: { into: 'cream', out: 'cultured cream' },
  drawn: { brush: 'sprigs', as: 'thick' },
  starters: [
    'cultured-buttermilk',
    'milk-kefir',
    'fresh-yogurt',
    'yogurt-whey',
    'sour-milk-whey',
    'dried-mesophilic',
    'none',
  ],
  gives: { out: { role: 'cream', name: ({ name }) => name } },
  keeps: {
    ...soured([10, 14], [60, 90]),
    thawsAs: 'cream',
    pours: ['ripened-cream'],
    starts: 'cultured-buttermilk',
  },
};

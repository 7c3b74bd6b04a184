import { soured } from './keeps.ts';
import type { Product } from './product.ts';

/** Skyr: skimmed milk soured in the warm with a little rennet, and drained. */
export const SKYR: Product = {
  id: 'skyr',
  label: 'Skyr',
  calledBy: /skyr/i,
  line: 'Skimmed milk set with a little rennet, drained until thick',
  goods: { into: 'milk', out: 'skyr' },
  drawn: { brush: 'nets', as: 'set' },
  madeFrom: ['milk'],
  starters: ['fresh-yogurt', 'dried-yogurt'],
  gives: { whey: { role: 'whey', name: () => 'Acid whey' } },
  keeps: { ...soured([14, 21], [30, 60]), pours: ['set-milk'] },
};

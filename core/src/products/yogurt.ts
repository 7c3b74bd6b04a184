import { STARTER_KINDS } from '../science/souring/index.ts';
import { soured } from './keeps.ts';
import type { Product } from './product.ts';

/** Yogurt: milk warmed, soured in the warm by its culture, and chilled. */
export const YOGURT: Product = {
  id: 'yogurt',
  label: 'Yogurt',
  line: 'Heated milk, set in a warm place',
  usual: true,
  goods: { into: 'milk', out: 'yogurt' },
  drawn: { brush: 'waves', as: 'set' },
  madeFrom: ['milk'],
  starters: STARTER_KINDS,
  keeps: { ...soured([14, 21], [30, 60]), pours: ['curd', 'set-milk'], starts: 'fresh-yogurt' },
};

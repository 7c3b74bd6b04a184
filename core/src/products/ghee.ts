import type { Product } from './product.ts';

/** Ghee: butter clarified on the fire until its water is gone. */
export const GHEE: Product = {
  id: 'ghee',
  label: 'Ghee',
  line: 'Butter, clarified over the heat',
  goods: { into: 'butter', out: 'ghee' },
  drawn: { brush: 'flames', as: 'gold' },
  madeFrom: ['butter'],
  starters: [],
  keeps: {
    cold: [180, 360],
    freezer: null,
    cellar: [90, 180],
    reason: 'no water left; kept closed and dark',
  },
};

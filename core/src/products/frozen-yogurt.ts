import type { Product } from './product.ts';

/** Frozen yogurt: thick yogurt with something sweet, frozen. */
export const FROZEN_YOGURT: Product = {
  id: 'frozen-yogurt',
  label: 'Frozen yogurt',
  calledBy: /frozen\s+yog/i,
  line: 'Yogurt, sweetened and frozen',
  goods: { into: 'yogurt', out: 'frozen yogurt' },
  drawn: { brush: 'stars', as: 'thick' },
  madeFrom: ['set-milk'],
  starters: [],
  keeps: { cold: [0, 0], freezer: [30, 90], cellar: null, reason: 'frozen; once thawed, only soft yogurt' },
};

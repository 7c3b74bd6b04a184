import { soured } from './keeps.ts';
import type { Product } from './product.ts';

/** Clabber: raw milk that sours by itself, or by a spoonful of the last. */
export const CLABBER: Product = {
  id: 'clabber',
  label: 'Clabber',
  thickness: 'pourable',
  calledBy: /clabber/i,
  line: 'Raw milk left to sour by itself',
  goods: { into: 'milk', out: 'clabber' },
  drawn: { brush: 'reeds', as: 'set' },
  starters: ['none', 'cultured-buttermilk', 'sour-milk-whey'],
  keeps: { ...soured([7, 10]), pours: ['curd'], starts: 'cultured-buttermilk' },
};

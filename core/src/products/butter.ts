import { creamDegree } from '../science/butter/index.ts';
import type { Product } from './product.ts';

const BUTTERMILK = {
  sweet: 'Sweet buttermilk',
  'just-sour': 'Just-sour buttermilk',
  sour: 'Cultured buttermilk',
} as const;

/** Butter: cream tempered, churned till it breaks, washed and worked. */
export const BUTTER: Product = {
  id: 'butter',
  label: 'Butter',
  line: 'Sweet or ripened cream, churned until it breaks',
  usual: true,
  goods: { into: 'cream', out: 'butter' },
  drawn: { brush: 'cord', as: 'lump' },
  madeFrom: ['ripened-cream', 'curd'],
  starters: [],
  gives: {
    buttermilk: {
      role: 'buttermilk',
      name: ({ milk }) => BUTTERMILK[creamDegree(milk)],
    },
  },
  keeps: {
    cold: [5, 21],
    freezer: [180, 270],
    cellar: [2, 5],
    reason: 'depends on washing and salt',
    pours: ['butter'],
    thawsAs: 'butter',
  },
};

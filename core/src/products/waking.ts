import { ACID_PRESERVES } from './keeps.ts';
import type { Product } from './product.ts';

/** The waking of a dried culture: growing feeds over several days, until it sets its milk by itself. */
export const WAKING: Product = {
  id: 'waking',
  label: 'Woken culture',
  line: 'A dried culture, fed until it works',
  goods: { into: 'milk', out: 'culture' },
  drawn: { brush: 'buds', as: 'set' },
  starters: ['dried-yogurt', 'dried-mesophilic'],
  keeps: { cold: [3, 7], freezer: null, cellar: null, reason: ACID_PRESERVES },
};

import type { ProductId } from '../../contract/index.ts';
import type { Begin } from '../product.ts';
import { beginButter } from './butter.ts';
import { beginCulturedCream } from './cultured-cream.ts';
import { beginGhee } from './ghee.ts';
import { beginUsualWaking } from './waking.ts';
import { defaultPlan } from './yogurt.ts';

const BEGIN: Readonly<Record<ProductId, Begin>> = {
  yogurt: defaultPlan,
  'cultured-cream': beginCulturedCream,
  butter: beginButter,
  ghee: beginGhee,
  waking: beginUsualWaking,
};

/** The plan a new make of a product begins with. Apart from the products: only who plans needs it. */
export const beginPlan = (product: ProductId, ...of: Parameters<Begin>): ReturnType<Begin> =>
  BEGIN[product](...of);

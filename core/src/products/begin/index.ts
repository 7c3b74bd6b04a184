import {
  PRODUCT_TAKES,
  type KitchenSettings,
  type MakePlan,
  type Method,
  type ProductId,
} from '../../contract/index.ts';
import { kitchenOfToday } from '../../kitchen/index.ts';
import { STEP_TYPES } from '../../steps/index.ts';
import { usualMethod } from '../methods/index.ts';
import type { Begin } from '../product.ts';
import { beginButter } from './begin-butter.ts';
import { beginCulturedCream } from './begin-cultured-cream.ts';
import { beginGhee } from './begin-ghee.ts';
import { planByMethod } from './of-method.ts';
import { beginUsualWaking } from './begin-waking.ts';
import { defaultPlan } from './begin-yogurt.ts';

/** Products whose plan knows its own way; every other begins by its usual method. */
const BEGIN: Readonly<Partial<Record<ProductId, Begin>>> = {
  yogurt: defaultPlan,
  'cultured-cream': beginCulturedCream,
  butter: beginButter,
  ghee: beginGhee,
  waking: beginUsualWaking,
};

/** What goes in begins as it does for the like. */
const baseOf = (product: ProductId): Begin =>
  BEGIN[product] ?? (PRODUCT_TAKES[product] === 'cream' ? beginCulturedCream : defaultPlan);

/** The plan of a method in a kitchen; the others of its product begin alike but for what it decides. */
export function planOfMethod(
  method: Method,
  stored: KitchenSettings,
  startAt: string,
  about?: number,
): MakePlan {
  const kitchen = kitchenOfToday(stored);
  const base = baseOf(method.product)(kitchen, startAt, about);
  // Curd that an acid parts has no starter, whatever else the product is made of.
  const sours = method.steps.some(({ kind }) => STEP_TYPES[kind].facts.inoculates);
  return planByMethod(
    BEGIN[method.product]
      ? base
      : {
          ...base,
          heat: { ...base.heat, kind: 'none', holdMin: 0 },
          ...(sours
            ? {}
            : {
                starter: { kind: 'none', ageD: null, massKg: null, statedRatio: null, typed: null } as const,
              }),
        },
    method,
    kitchen,
  );
}

/** The plan a new make of a product begins with. Apart from the products: only who plans needs it. */
export function beginPlan(product: ProductId, ...[stored, ...asked]: Parameters<Begin>): MakePlan {
  const of: Parameters<Begin> = [kitchenOfToday(stored), ...asked];
  const own = BEGIN[product];
  const usual = usualMethod(product);
  if (own) return own(...of);
  if (!usual) throw new TypeError(`nobody knows how ${product} begins`);
  return planOfMethod(usual, ...of);
}

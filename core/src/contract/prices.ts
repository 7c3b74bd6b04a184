import * as z from 'zod';
import { PRODUCT_IDS } from './methods.ts';

/** An amount of the kitchen's own money; `null` when it is not counted. */
const price = z
  .number('is not a price')
  .min(0, 'cannot be negative')
  .max(100_000, 'is too high to be right')
  .nullable();

const paid = {
  /** A kilowatt hour of the burners. */
  energyPerKwh: price,
  saltPerKg: price,
  powderPerKg: price,
  /** Starter that was bought by weight; one's own is reckoned at what its milk cost. */
  starterPerKg: price,
  /** Dried culture, for the volume its packet states. */
  packetEach: price,
  /** What an hour of one's own hands is worth to the kitchen. */
  handsPerHour: price,
};

/** What things cost this kitchen, and what the shop asks for what it makes. */
export const pricesSection = z.strictObject({
  ...paid,
  shop: z
    .array(z.strictObject({ product: z.enum(PRODUCT_IDS), perKg: price.unwrap() }))
    .max(PRODUCT_IDS.length)
    .refine((shop) => new Set(shop.map(({ product }) => product)).size === shop.length, {
      error: 'names a product twice',
    }),
});
export type Prices = z.infer<typeof pricesSection>;

/** The prices of the moment a make began: what is priced otherwise later leaves it. */
export const planPrices = z.strictObject({ ...paid, shopPerKg: price });
export type PlanPrices = z.infer<typeof planPrices>;

/** What a cost is made of. */
export const COST_PARTS = ['milk', 'goods', 'starter', 'powder', 'salt', 'energy', 'hands'] as const;
export type CostPart = (typeof COST_PARTS)[number];

import * as z from 'zod';
import { MILK_KINDS } from '../science/milk/index.ts';
import { PRODUCT_IDS } from './methods.ts';
import { COST_PARTS } from './prices.ts';
import { fraction, instant, longText, massKg, shortName, text, typedQuantity, ulid } from './quantities.ts';

/** Where goods stand. */
export const LARDER_PLACES = ['cold', 'freezer', 'cellar', 'stall'] as const;
export type LarderPlace = (typeof LARDER_PLACES)[number];

/** What comes out besides the product. */
export const BY_GOODS = [
  'skimmed-milk',
  'sweet-buttermilk',
  'cultured-buttermilk',
  'acid-whey',
  'sweet-whey',
  'ghee-solids',
] as const;
export type ByGood = (typeof BY_GOODS)[number];
/** Of which part of a make what comes out besides its product is, as it is weighed; `null` where nobody weighs it. */
export const BY_PART: Readonly<Record<ByGood, 'buttermilk' | 'whey' | null>> = {
  'skimmed-milk': null,
  'sweet-buttermilk': 'buttermilk',
  'cultured-buttermilk': 'buttermilk',
  'acid-whey': 'whey',
  'sweet-whey': 'whey',
  'ghee-solids': null,
};
/** What goods are: one of the products, what comes out besides, or something else. */
export const GOOD_KINDS = [...PRODUCT_IDS, ...BY_GOODS, 'other'] as const;
export type GoodKind = (typeof GOOD_KINDS)[number];

/** What goods leave the larder for. */
export const TAKEN_FOR = ['eaten', 'sold', 'given', 'fed', 'made-into', 'spoiled'] as const;
export type TakenFor = (typeof TAKEN_FOR)[number];

const place = z.enum(LARDER_PLACES);
const day = z
  .number('is not a number of days')
  .min(0, 'cannot be negative')
  .max(3650, 'is more than ten years');

/** How long goods keep at a place, days from when they were made, and why. */
export const goodKeeping = z
  .strictObject({ place, days: z.tuple([day, day]), reason: text(160) })
  .refine(({ days }) => days[0] <= days[1], { error: 'ends before it begins', path: ['days'] });
export type GoodKeeping = z.infer<typeof goodKeeping>;

/** What a label carries and a phone reads: six characters that are not mistaken for others. */
export const lotCode = z.string().regex(/^[0-9A-HJKMNP-TV-Z]{6}$/, 'is not a lot code (six characters)');

/** Goods of one lot, as they were put up. */
export const goodFacts = z.strictObject({
  name: shortName,
  what: z.enum(GOOD_KINDS),
  code: lotCode,
  /** The make they come of; `null` for what nobody made here. */
  makeId: ulid.nullable(),
  madeAt: instant,
  /** Of sweet or of ripened cream, of sweet or of soured milk; `null` where it does not matter. */
  sour: z.enum(['sweet', 'cultured']).nullable(),
  saltFraction: fraction.max(0.3, 'is more than 30 % salt').nullable(),
  milk: z.strictObject({ kind: z.enum(MILK_KINDS), raw: z.boolean() }).nullable(),
  /** Judged when they were put up: what is judged otherwise later leaves it as it was. */
  keeps: z
    .array(goodKeeping)
    .min(1, 'needs at least one keeping time')
    .max(LARDER_PLACES.length)
    .refine((keeps) => new Set(keeps.map((k) => k.place)).size === keeps.length, {
      error: 'gives two keeping times for one place',
    }),
  /** In the kitchen's own money, as it was reckoned when they were put up; `null` when something of it has no price. */
  costPerKg: z.number().min(0, 'cannot be negative').max(100_000, 'is too high').nullable(),
  /** What that counts; left out, the milk alone. */
  costCounts: z.array(z.enum(COST_PARTS)).max(COST_PARTS.length).optional(),
  note: longText,
});
export type GoodFacts = z.infer<typeof goodFacts>;

/** Jars, tubs or pieces of one size. */
export const goodPieces = z.strictObject({
  count: z
    .number('is not a number')
    .int('is not a whole number')
    .min(1, 'is less than 1')
    .max(500, 'is more than 500'),
  eachKg: massKg,
  typed: typedQuantity,
});
export type GoodPieces = z.infer<typeof goodPieces>;

/** Some of a lot: its pieces of one size that stand at a place. */
export const someOfGood = { place, size: z.number().int().min(0).max(19) };
/** How many whole pieces were meant; `null` when it was weighed. */
const pieceCount = z.number().int().min(1).max(500).nullable();
const price = z.number('is not a price').min(0, 'cannot be negative').max(1e6, 'is too high');

/** What may happen to goods; the event's stream is their lot. */
export const larderMovement = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('put-up'),
    good: goodFacts,
    place,
    pieces: z.array(goodPieces).min(1, 'needs at least one piece').max(20, 'is more than 20 sizes'),
  }),
  /** Carried elsewhere: frozen, thawed, taken to the stall and back. */
  z.strictObject({
    kind: z.literal('carry'),
    from: z.strictObject(someOfGood),
    to: place,
    massKg,
    count: pieceCount,
    typed: typedQuantity.nullable(),
  }),
  z.strictObject({
    kind: z.literal('take'),
    from: z.strictObject(someOfGood),
    for: z.enum(TAKEN_FOR),
    massKg,
    count: pieceCount,
    typed: typedQuantity.nullable(),
    /** What was paid for all of it. */
    price: price.nullable(),
    /** The make it went into. */
    into: ulid.nullable(),
    /** To whom, or why. */
    note: longText,
  }),
  /** Frozen goods that are wanted thawed by an instant; `null` when they are not wanted any more. */
  z.strictObject({
    kind: z.literal('thaw-for'),
    from: z.strictObject(someOfGood),
    massKg,
    count: pieceCount,
    typed: typedQuantity.nullable(),
    readyAt: instant.nullable(),
  }),
  /** What is really there, whatever the sums said. */
  z.strictObject({
    kind: z.literal('recount'),
    at: z.strictObject(someOfGood),
    massKg: z.number().min(0, 'cannot be negative').max(200, 'is more than 200 kg'),
    count: z.number().int().min(0).max(500).nullable(),
    typed: typedQuantity.nullable(),
  }),
]);
export type LarderMovement = z.infer<typeof larderMovement>;
export type LarderKind = LarderMovement['kind'];

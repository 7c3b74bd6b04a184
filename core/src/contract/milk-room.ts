import * as z from 'zod';
import { MILK_KINDS, TREATMENTS } from '../science/milk/index.ts';
import {
  deviceName,
  fraction,
  instant,
  longText,
  massKg,
  shortName,
  temperatureC,
  typedQuantity,
  ulid,
} from './quantities.ts';

/** Where milk and cream stand. */
export const LOT_PLACES = ['cold', 'counter', 'freezer'] as const;
/** What a lot is in the milk room. */
const LOT_ROLES = ['milk', 'cream', 'skimmed', 'pot', 'buttermilk', 'whey'] as const;
export const FEEDS = ['grass', 'hay', 'mixed'] as const;
/** Where what leaves the milk room goes, other than into a make. */
export const GIVEN_TO = ['used', 'away', 'animals', 'spoiled'] as const;

/** No animal gives richer milk. */
const MOST_MILK_FAT = 0.2;
const MILK_IS_CREAM = 'is cream, not milk (20 %)';
/** pH of cream, measured or as its taste says. */
export const creamPh = z
  .number('is not a pH')
  .min(3.8, 'is sourer than any cream (pH 3.8)')
  .max(6.9, 'is higher than any cream (pH 6.9)');
/** Milk of one lot, L. */
export const lotLitres = z
  .number('is not an amount')
  .min(0.05, 'is less than 50 mL')
  .max(300, 'is more than 300 L in one lot');
/** Where a lot stands: its own heat when somebody measured it. */
const standing = {
  place: z.enum(LOT_PLACES),
  /** What the place is at; left out, the usual of such a place. */
  placeC: temperatureC.max(45, 'is warmer than any room').nullable(),
  container: shortName.nullable(),
};

/** A milking or a purchase, as it came in. */
export const lotFacts = z
  .strictObject({
    name: shortName,
    /** Animal, herd or shop. */
    source: shortName,
    what: z.enum(['milk', 'cream']),
    kind: z.enum(MILK_KINDS),
    treatment: z.enum(TREATMENTS),
    homogenised: z.boolean(),
    /** `null` when nobody knows: the kind's usual fat, or 30 % in cream. */
    fatFraction: fraction.max(0.6, 'is richer than any cream (60 %)').nullable(),
    feed: z.enum(FEEDS).nullable(),
    costPerLitre: z.number().min(0, 'cannot be negative').max(1000, 'is too high').nullable(),
    /** How warm it was when it came in, when it was warmer than where it stands. */
    cameInC: temperatureC.min(0).max(45, 'is warmer than any animal (45 °C)').optional(),
    /** Sour already when it came in. */
    soured: z.boolean().optional(),
    /** How sour; left out, `soured` tells sweet from ripened. */
    ph: creamPh.optional(),
    ...standing,
  })
  .refine((lot) => lot.what === 'milk' || lot.fatFraction === null || lot.fatFraction >= 0.1, {
    error: 'is milk, not cream. Cream has at least 10 %',
    path: ['fatFraction'],
  })
  .refine((lot) => lot.what === 'cream' || lot.fatFraction === null || lot.fatFraction <= MOST_MILK_FAT, {
    error: MILK_IS_CREAM,
    path: ['fatFraction'],
  });
export type LotFacts = z.infer<typeof lotFacts>;

/** What a ruler says on a jar or a can, in its own unit. */
const height = z.number('is not a height').positive('must be above 0').max(200, 'is taller than any can');

/** A lot that comes into being with a movement. */
const newLot = z.strictObject({ lotId: ulid, name: shortName });

/** What may happen to a lot; the event's stream is the lot it happens to. */
export const milkMovement = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('intake'),
    lot: lotFacts,
    litres: lotLitres,
    typed: typedQuantity,
    /** Only for the record: it counts for what the animals give and is not in stock. */
    forRecord: z.boolean(),
    note: longText.optional(),
  }),
  /** The layer lifted: the lot ends and two begin. */
  z.strictObject({
    kind: z.literal('skim'),
    cream: newLot,
    rest: newLot,
    creamKg: massKg,
    fatFraction: fraction.min(0.02, 'is too lean for cream').max(0.6, 'is richer than any cream (60 %)'),
    /** Weighed, or as computed. */
    weighed: z.boolean(),
    typed: typedQuantity.nullable(),
  }),
  /** Poured together with others into a pot of cream, which begins with its first portion. */
  z.strictObject({
    kind: z.literal('pool'),
    into: newLot.extend({ place: z.enum(LOT_PLACES) }),
    massKg,
    soured: z.boolean(),
    typed: typedQuantity.nullable(),
  }),
  /** Carried elsewhere; `soured` when somebody found it sour by then, and how sour. */
  z.strictObject({
    kind: z.literal('move'),
    soured: z.boolean().optional(),
    ph: creamPh.optional(),
    ...standing,
  }),
  z.strictObject({ kind: z.literal('freeze') }),
  /** Some or all of what is frozen goes into the fridge as a lot of its own. */
  z.strictObject({
    kind: z.literal('thaw'),
    into: newLot,
    massKg,
    /** When it should be liquid. */
    readyAt: instant.nullable(),
    typed: typedQuantity.nullable(),
  }),
  z.strictObject({
    kind: z.literal('give'),
    to: z.enum(GIVEN_TO),
    massKg,
    typed: typedQuantity,
    note: longText,
    /** The make it went into, as its starter. */
    into: ulid.optional(),
  }),
  /** What is really there, whatever the sums said. */
  z.strictObject({
    kind: z.literal('recount'),
    massKg: z.number().min(0, 'cannot be negative').max(300, 'is more than 300 kg'),
    typed: typedQuantity,
  }),
  /** The cream line as measured: its height over the height of all. */
  z.strictObject({
    kind: z.literal('measure'),
    creamHeight: fraction.min(0.002, 'is too thin to be a layer').max(0.6, 'is more than half cream'),
    typed: typedQuantity,
    /** The two heights a ruler said, when the share was found from them. */
    heights: z
      .strictObject({ cream: height, all: height, unit: z.enum(['cm', 'in']) })
      .refine(({ cream, all }) => cream < all, {
        error: 'must be more than the height of the cream',
        path: ['all'],
      })
      .optional(),
  }),
  /** A weighed churning: what it says of the cream is learned. */
  z.strictObject({
    kind: z.literal('churn'),
    massKg,
    butterKg: massKg,
    buttermilkKg: massKg,
    /** The butter as typed. */
    typed: typedQuantity.nullable(),
    typedCream: typedQuantity.optional(),
    typedButtermilk: typedQuantity.optional(),
  }),
]);
export type MilkMovement = z.infer<typeof milkMovement>;
export type MovementKind = MilkMovement['kind'];
export type MovementOf<K extends MovementKind> = Extract<MilkMovement, { kind: K }>;

/** Milk poured into a make, as it really went in. */
export const milkPoured = z.strictObject({
  from: z
    .array(z.strictObject({ lotId: ulid, massKg, typed: typedQuantity }))
    .min(1)
    .max(8),
});

/** A share of a lot that a plan asks for. */
export const lotPour = z.strictObject({
  lotId: ulid,
  name: shortName,
  massKg,
  /** As it stood when the make was planned; `null` when nobody knows. */
  costPerKg: z.number().min(0).nullable(),
});
export type LotPour = z.infer<typeof lotPour>;

/** One row of a milkings file. */
export const milkingRow = z.strictObject({
  /** Line of the file, for what is told about it. */
  line: z.number().int().positive(),
  at: instant,
  source: shortName,
  kind: z.enum(MILK_KINDS),
  litres: lotLitres,
  fatFraction: fraction.max(MOST_MILK_FAT, MILK_IS_CREAM).nullable(),
  note: longText,
});
export type MilkingRow = z.infer<typeof milkingRow>;
export const milkingsUpload = z.strictObject({
  rows: z.array(milkingRow).min(1, 'has no rows').max(20_000, 'is more than 20,000 rows'),
  deviceId: deviceName,
});
export const milkingsStored = z.strictObject({ added: z.number().int(), already: z.number().int() });

/** kg of each part: sums over a ledger. */
const amount = z.strictObject({
  massKg: z.number(),
  fatKg: z.number(),
  proteinKg: z.number(),
  lactoseKg: z.number(),
  ashKg: z.number(),
});
export type Amount = z.infer<typeof amount>;

const spell = z.strictObject({ fromMs: z.number(), celsius: z.number() });

/** A lot as its ledger leaves it. */
export const lot = z.strictObject({
  id: ulid,
  name: z.string(),
  source: z.string(),
  role: z.enum(LOT_ROLES),
  kind: z.enum(MILK_KINDS),
  treatment: z.enum(TREATMENTS),
  homogenised: z.boolean(),
  feed: z.enum(FEEDS).nullable(),
  fatKnown: z.boolean(),
  takenInMs: z.number(),
  /** The oldest milk in it governs. */
  oldestMs: z.number(),
  place: z.enum(LOT_PLACES),
  container: z.string().nullable(),
  soured: z.boolean(),
  /** How sour it is; left out, only whether it is soured is known. */
  ph: z.number().optional(),
  mixedSourSweet: z.boolean(),
  thawed: z.boolean(),
  spells: z.array(spell),
  /** Since when it stands still in the cold, and the hours it has kept from before; `null` when it does not settle. */
  stillSinceMs: z.number().nullable(),
  settledH: z.number(),
  /** What a measured cream line said of it, against the book. */
  creamFactor: z.number().nullable(),
  has: amount,
  /** Its composition, kept when it is empty. */
  of: z.strictObject({
    fatFraction: z.number(),
    proteinFraction: z.number(),
    lactoseFraction: z.number(),
    ashFraction: z.number(),
  }),
  /** `null` when some of it has no price. */
  costPerKg: z.number().nullable(),
  /** More was poured than there was: somebody should look. */
  recount: z.boolean(),
  parents: z.array(ulid),
  portions: z.array(
    z.strictObject({
      eventId: ulid,
      name: z.string(),
      atMs: z.number(),
      oldestMs: z.number(),
      massKg: z.number(),
      fatFraction: z.number(),
      soured: z.boolean(),
    }),
  ),
  readyAtMs: z.number().nullable(),
  /** Asked for by makes that have not poured yet, kg. */
  spokenForKg: z.number(),
});
export type Lot = z.infer<typeof lot>;

/** One line of the ledger. */
export const ledgerLine = z.strictObject({
  eventId: ulid,
  /** The lot, or the make, whose entry it is. */
  streamId: ulid,
  seq: z.number().int(),
  atMs: z.number(),
  lotId: ulid,
  lotName: z.string(),
  kind: z.enum([
    'intake',
    'skimmed-off',
    'skimmed-from',
    'pooled-out',
    'pooled-in',
    'move',
    'freeze',
    'thawed-out',
    'thawed-in',
    'used',
    'away',
    'animals',
    'spoiled',
    'recount',
    'measure',
    'churn',
    'pour',
    'left-under',
    'put-up',
    'made',
  ]),
  /** What the lot is: milk is told by volume, cream by weight. */
  role: z.enum(LOT_ROLES),
  /** Into or out of the lot. */
  massKg: z.number(),
  litres: z.number(),
  /** What it leaves. */
  leavesKg: z.number(),
  leavesLitres: z.number(),
  /** The make it went into, or the lot at the other end. */
  otherId: ulid.nullable(),
  note: z.string(),
});
export type LedgerLine = z.infer<typeof ledgerLine>;

export const milkRoomResponse = z.strictObject({
  lots: z.array(lot),
  /** Learned of the cream of each source: ln of its fat against the estimate. */
  creamFactors: z.array(
    z.strictObject({ source: z.string(), mean: z.number(), sigma: z.number(), churnings: z.number().int() }),
  ),
  lines: z.number().int(),
  /** The latest entry of the log that is in it. */
  lastSeq: z.number().int(),
  now: instant,
});
export type MilkRoomResponse = z.infer<typeof milkRoomResponse>;
export const ledgerResponse = z.strictObject({ lines: z.array(ledgerLine), more: z.boolean(), now: instant });

/** A day's milk of a source, and what the makes of a day took. */
export const milkDaysResponse = z.strictObject({
  days: z.array(
    z.strictObject({ day: z.string(), source: z.string(), kind: z.enum(MILK_KINDS), litres: z.number() }),
  ),
  used: z.array(z.strictObject({ day: z.string(), litres: z.number() })),
  now: instant,
});
export type MilkDays = z.infer<typeof milkDaysResponse>;

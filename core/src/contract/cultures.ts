import * as z from 'zod';
import { STARTER_KINDS } from '../science/souring/index.ts';
import { TREATMENTS } from '../science/milk/index.ts';
import {
  fraction,
  instant,
  litres,
  longText,
  massKg,
  shortName,
  text,
  typedQuantity,
  ulid,
} from './quantities.ts';

export const CULTURE_KINDS = STARTER_KINDS.filter(
  (kind): kind is Exclude<(typeof STARTER_KINDS)[number], 'none'> => kind !== 'none',
);
export type CultureKind = (typeof CULTURE_KINDS)[number];
export const CULTURE_PLACES = ['cold', 'freezer', 'room'] as const;
/** Signs of contamination. */
export const BAD_SIGNS = ['mould', 'pink', 'gas', 'foul', 'yeasty'] as const;
export const DISCARD_REASONS = [...BAD_SIGNS, 'too-old', 'eaten', 'weak', 'other'] as const;

/** A dried packet. */
const packet = z.strictObject({
  lot: text(40).trim().nullable(),
  useBy: instant.nullable(),
  /** Milk one packet is meant for. */
  statedLitres: litres,
  packets: z.number().int('is not a whole number').min(1, 'needs at least one').max(500, 'is more than 500'),
  /** Left of the one that is open; 0 when none is. */
  openedLeft: fraction,
});

export const cultureFacts = z.strictObject({
  name: shortName,
  kind: z.enum(CULTURE_KINDS),
  /** Made again and again for ever. */
  heirloom: z.boolean(),
  /** Shop, friend, maker. */
  source: text(80).trim().nullable(),
  place: z.enum(CULTURE_PLACES),
  massKg: massKg.max(50, 'is more than 50 kg of culture').nullable(),
  packet: packet.nullable(),
  /** Made with milk that was never heated: carries its germs on. */
  rawMilk: z.boolean(),
});
export type CultureFacts = z.infer<typeof cultureFacts>;

const newCulture = z.strictObject({ cultureId: ulid, name: shortName, place: z.enum(CULTURE_PLACES) });

/** What may happen to a culture; the event's stream is the culture it happens to. */
export const cultureChange = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('taken-in'),
    culture: cultureFacts,
    /** Its amount, or what a packet is for, as typed. */
    typed: typedQuantity.optional(),
  }),
  /** Part of it goes on by itself: a fork, or a back-up in the freezer. */
  z.strictObject({
    kind: z.literal('split'),
    into: newCulture,
    massKg: massKg.max(50).nullable(),
    backUp: z.boolean(),
    typed: typedQuantity.optional(),
  }),
  z.strictObject({
    kind: z.literal('merge'),
    into: newCulture,
    with: z.array(ulid).min(1, 'needs at least one other culture').max(8),
    massKg: massKg.max(50).nullable(),
  }),
  z.strictObject({ kind: z.literal('freeze') }),
  /** Out of the freezer, or fed back to life. */
  z.strictObject({ kind: z.literal('revive'), place: z.enum(['cold', 'room']) }),
  z.strictObject({ kind: z.literal('put'), place: z.enum(['cold', 'room']) }),
  /** Fresh milk; for grains their weight as well. */
  z.strictObject({
    kind: z.literal('feed'),
    milkKg: massKg.max(50),
    massKg: massKg.max(50).nullable(),
    typed: typedQuantity,
    typedGrains: typedQuantity.optional(),
  }),
  z.strictObject({ kind: z.literal('weigh'), massKg: massKg.max(50), typed: typedQuantity }),
  z.strictObject({ kind: z.literal('sign'), sign: z.enum(BAD_SIGNS), note: longText }),
  z.strictObject({ kind: z.literal('discard'), reason: z.enum(DISCARD_REASONS), note: longText }),
  z.strictObject({ kind: z.literal('rename'), name: shortName }),
]);
export type CultureChange = z.infer<typeof cultureChange>;

const stay = z.strictObject({ fromMs: z.number(), place: z.enum(CULTURE_PLACES) });

/** A culture as its entries and its makes leave it. */
export const culture = z.strictObject({
  id: ulid,
  name: z.string(),
  kind: z.enum(CULTURE_KINDS),
  heirloom: z.boolean(),
  source: z.string().nullable(),
  rawMilk: z.boolean(),
  /** How many makes lie between it and where its line began. */
  turn: z.number().int(),
  /** The culture its line began with. */
  lineId: ulid,
  parents: z.array(ulid),
  /** The make that kept it. */
  bornOf: ulid.nullable(),
  bornMs: z.number(),
  stays: z.array(stay),
  /** `null` when nobody knows. */
  massKg: z.number().nullable(),
  packet: z
    .strictObject({
      lot: z.string().nullable(),
      useByMs: z.number().nullable(),
      statedLitres: z.number(),
      /** Whole and opened together. */
      packetsLeft: z.number(),
      opened: z.boolean(),
    })
    .nullable(),
  fedMs: z.number().nullable(),
  /** Weighings since something was last taken of it, for what grows: [ms, kg]. */
  weighings: z.array(z.tuple([z.number(), z.number()])),
  /** Growth before that: ln of the weight, and the days it took. */
  grown: z.strictObject({ ln: z.number(), days: z.number() }),
  /** Makes it was used in. */
  makes: z.array(z.strictObject({ makeId: ulid, name: z.string(), atMs: z.number() })),
  signs: z.array(z.strictObject({ sign: z.enum(BAD_SIGNS), atMs: z.number(), note: z.string() })),
  backUp: z.boolean(),
  gone: z.strictObject({ atMs: z.number(), reason: z.enum(DISCARD_REASONS), note: z.string() }).nullable(),
});
export type Culture = z.infer<typeof culture>;

/** A make under way, as far as its culture goes. */
const makeUnderWay = z.strictObject({
  id: ulid,
  name: z.string(),
  startedMs: z.number(),
  /** Something of it was kept for the next turn. */
  kept: z.boolean(),
});
export type MakeUnderWay = z.infer<typeof makeUnderWay>;

export const culturesResponse = z.strictObject({
  cultures: z.array(culture),
  underWay: z.array(makeUnderWay),
  lastSeq: z.number().int(),
  now: instant,
});
export type CulturesResponse = z.infer<typeof culturesResponse>;

/** A waking: growing feeds of a dried heirloom over several days. */
export const wakingPlan = z.strictObject({
  name: shortName,
  cultureId: ulid.nullable(),
  kind: z.enum(['dried-yogurt', 'dried-mesophilic']),
  /** Milk the packet is meant for; a litre when nobody says. */
  packetLitres: litres.optional(),
  treatment: z.enum(TREATMENTS),
  cartonLitres: litres.nullable(),
  firstFeedKg: massKg.min(0.02, 'is less than 20 g').max(2, 'is more than 2 kg for a first feed'),
  /** Each feed is this many times the one before. */
  growth: z
    .number()
    .min(1, 'is too small: each feed must be at least as large as the last')
    .max(6, 'is more than six times'),
  feeds: z.number().int().min(1, 'needs at least one feed').max(12, 'is more than twelve feeds'),
  /** Milk of each feed as its packet says; left out, each grows by the same share. */
  feedsKg: z.array(massKg.max(50)).min(1).max(12).optional(),
  /** Soaked in cold milk in the fridge first, h. */
  soakH: z.number().min(0).max(72, 'is more than three days').optional(),
  /** Heat it stands at. */
  celsius: z
    .number()
    .min(14, 'is too cold to wake a culture')
    .max(47, 'is too hot: it kills the culture')
    .default(22),
  restBetween: z.enum(['cold', 'warm']),
  startAt: instant,
});
export type WakingPlan = z.infer<typeof wakingPlan>;

/** What was done in a waking. */
export const wakingDone = z.strictObject({
  feed: z.number().int().min(1).max(12),
  did: z.enum(['fed', 'set', 'not-yet', 'rested']),
  massKg: massKg.max(50).nullable(),
  typed: typedQuantity.nullable(),
});
export type WakingDone = z.infer<typeof wakingDone>;

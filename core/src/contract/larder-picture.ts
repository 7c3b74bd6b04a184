import * as z from 'zod';
import { goodFacts, LARDER_PLACES, someOfGood, TAKEN_FOR } from './larder.ts';
import { instant, ulid } from './quantities.ts';

/** Pieces of one size at one place, as the ledger leaves them. */
export const goodStock = z.strictObject({
  ...someOfGood,
  massKg: z.number(),
  /** Since when they stand there. */
  sinceMs: z.number(),
  /** Shares of their life used up by then, for the short and the long end. */
  used: z.tuple([z.number(), z.number()]),
  thawed: z.boolean(),
  /** Of what is frozen, how much is wanted thawed by when; `null` when nothing is. */
  thawFor: z
    .strictObject({ massKg: z.number(), count: z.number().nullable(), readyMs: z.number() })
    .nullable(),
});
export type GoodStock = z.infer<typeof goodStock>;

/** A lot of goods as its ledger leaves it. */
export const good = z.strictObject({
  id: ulid,
  ...goodFacts.shape,
  madeMs: z.number(),
  putUpMs: z.number(),
  /** Mass of one piece of each size, kg. */
  sizesKg: z.array(z.number()),
  putUpKg: z.number(),
  stocks: z.array(goodStock),
});
export type Good = z.infer<typeof good>;

/** One line of the larder's ledger. */
export const larderLine = z.strictObject({
  eventId: ulid,
  goodId: ulid,
  atMs: z.number(),
  kind: z.enum(['put-up', 'carry', 'thaw-for', 'recount', ...TAKEN_FOR]),
  place: z.enum(LARDER_PLACES),
  to: z.enum(LARDER_PLACES).nullable(),
  size: z.number().int(),
  /** Into or out of the larder; of a carrying what was carried. */
  massKg: z.number(),
  count: z.number().nullable(),
  price: z.number().nullable(),
  into: ulid.nullable(),
  note: z.string(),
});
export type LarderLine = z.infer<typeof larderLine>;

export const larderResponse = z.strictObject({
  goods: z.array(good),
  lines: z.array(larderLine),
  /** The latest entry of the log that is in it. */
  lastSeq: z.number().int(),
  now: instant,
});
export type LarderResponse = z.infer<typeof larderResponse>;

/** What came of what: milk, makes and goods by their identities. */
export const larderTrace = z.strictObject({
  lots: z.array(
    z.strictObject({ id: ulid, name: z.string(), source: z.string(), role: z.string(), atMs: z.number() }),
  ),
  links: z.array(z.strictObject({ from: ulid, to: ulid })),
});
export type LarderTrace = z.infer<typeof larderTrace>;

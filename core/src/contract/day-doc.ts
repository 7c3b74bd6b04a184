import * as z from 'zod';
import { fraction, instant, shortName, text, ulid } from './quantities.ts';
import { methodId } from './method-doc.ts';
import { stepRef } from './methods.ts';
import { goodPart, makePlan } from './plan.ts';

/** Minutes from the day's zero. */
const minute = z.number().int().min(-1440).max(8640);
const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'is not a time of day');
const DAYS_MOST = 4;
/** A make in a day, or a skimming. */
const inDay = z.union([ulid, text(60)]);

/** Whatever a batch may be kept warm in where the warm place is another one's, the best first. */
export const KEEPS_WARM = ['insulated-box', 'thermos', 'towel', 'oven-lamp'] as const;

/** A make as it stands in a day. */
export const dayMake = z.strictObject({
  id: ulid,
  name: shortName,
  methodId,
  /** L; of butter, kg. */
  litres: z.number().min(0.1, 'is less than 0.1 L').max(60, 'is more than 60 L'),
  /** Wished to be done by then; `null` no matter when. */
  by: minute.nullable(),
  /** When a step's hands must begin, by step. */
  fixed: z.record(stepRef, minute),
  /** Which cook does it, by step. */
  who: z.record(stepRef, ulid),
  /** What its method aims at otherwise on this day: cooled in ice, kept warm in something else, more or less starter; left out, as the method says. */
  cooling: z.literal('iced-bath').optional(),
  place: z.enum(KEEPS_WARM).optional(),
  /** Of the milk, by weight. */
  starterShare: fraction.positive('must be above 0').max(0.5, 'is more than half the milk').optional(),
  /** What it is made of, where that stands in the larder. */
  goods: goodPart.pick({ goodId: true, place: true, size: true }).optional(),
  /** The batch of this day it is made from: it becomes a make when that has given what goes into it. */
  fedBy: ulid.optional(),
  /** Of what is made from another batch, once the day is begun: how it will be begun, by what that was thought to give. */
  plan: makePlan.optional(),
  /** The make it became; `null` until it is begun. */
  makeId: ulid.nullable(),
});

/** Each is made from another batch of the day, which feeds no second one, and none from what is made from it. */
const areFed = (makes: readonly { readonly id: string; readonly fedBy?: string | undefined }[]): boolean => {
  const feeders = makes.flatMap(({ fedBy }) => (fedBy === undefined ? [] : [fedBy]));
  const feederOf = new Map(makes.map(({ id, fedBy }) => [id, fedBy]));
  const ends = makes.every(({ id }) => {
    let at = feederOf.get(id);
    for (let links = 0; at !== undefined && links <= makes.length; links++) at = feederOf.get(at);
    return at === undefined;
  });
  return ends && new Set(feeders).size === feeders.length && feeders.every((id) => feederOf.has(id));
};

/** Hours wished free. */
export const keptFree = z
  .strictObject({ id: ulid, title: shortName, from: minute, to: minute, cook: ulid.nullable() })
  .refine(({ from, to }) => from < to, { error: 'ends before it begins', path: ['to'] });

/** Hands of a day, where they were laid. */
export const daySlot = z.strictObject({
  make: inDay,
  task: text(60),
  title: shortName,
  cook: ulid,
  from: minute,
  to: minute,
});
export type DaySlotDoc = z.infer<typeof daySlot>;

/** A day, or several, as somebody put it together: kept, or going on. */
export const dayDoc = z.strictObject({
  name: shortName,
  /** Each laying out has the next one: of two tablets at once the second is refused. */
  version: z.number().int().min(1).max(100_000),
  zeroAt: instant,
  days: z.number().int().min(1).max(DAYS_MOST),
  makes: z
    .array(dayMake)
    .min(1, 'needs at least one batch')
    .max(16, 'is more than sixteen batches')
    .refine(areFed, { error: 'has a batch made from one that cannot feed it' }),
  keptFree: z.array(keptFree).max(24),
  /** Times of the day between which hands are meant to be at it; left out, all hours are alike. */
  session: z.strictObject({ from: clock, to: clock }).optional(),
  skims: z.array(z.strictObject({ lotId: ulid, at: instant })).max(8),
  /** It proposes itself on this weekday, 0 Sunday; `null` it does not. */
  every: z.number().int().min(0).max(6).nullable(),
  /** `null` while it is only kept. */
  begunAt: instant.nullable(),
  slots: z.array(daySlot).max(400),
  /** As it was laid out when it began; left out, nothing was laid out anew. */
  first: z.array(daySlot).max(400).optional(),
  /** What the last laying out anew put elsewhere, and why. */
  moved: z.array(z.strictObject({ make: inDay, task: text(60), was: minute, now: minute })).max(400),
  because: text(200),
  /** Minutes by which what may not wait does wait. */
  broken: z.number().min(0).max(100_000),
});
export type DayDoc = z.infer<typeof dayDoc>;

/** What happens to a day. */
export const dayChange = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('laid'), day: dayDoc }),
  /** Over, or no longer wanted. */
  z.strictObject({ kind: z.literal('dropped') }),
]);

/** A day as the log leaves it. */
export const keptDay = z.strictObject({ id: ulid, at: instant, day: dayDoc });
export type KeptDay = z.infer<typeof keptDay>;
export const daysResponse = z.strictObject({ days: z.array(keptDay) });

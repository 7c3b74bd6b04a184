import * as z from 'zod';
import { draftEvent, EVENT_DATA, storedEvent } from './events.ts';
import { faultSettled } from './faults.ts';
import { kitchenSettings, zoneName } from './kitchen.ts';
import { instant, instantMs, shortName, temperatureC, text, ulid } from './quantities.ts';
import { FEEDS } from '../science/butter/index.ts';
import { MILK_KINDS } from '../science/milk/index.ts';
import { PRODUCT_IDS } from './methods.ts';
import { photoRow } from './photos.ts';
import { rawValue, TRACE_MOST_ROWS } from './trace.ts';

export const appendRequest = z.strictObject({ events: z.array(draftEvent).min(1).max(200) });
export const appendResponse = z.strictObject({ events: z.array(storedEvent) });

export const kitchenResponse = z.strictObject({
  id: ulid,
  name: z.string(),
  demo: z.boolean(),
  settings: kitchenSettings,
  /** Where the log stands; a page follows it from here. */
  lastSeq: z.number().int(),
  now: instant,
});
export type KitchenResponse = z.infer<typeof kitchenResponse>;

export const eventsResponse = z.strictObject({ events: z.array(storedEvent), now: instant });

/** A churning, to be compared with others. */
export const churned = z.strictObject({
  /** The churn with its speed. */
  churn: z.string(),
  /** As read when it began; `null` when nobody did. */
  startC: z.number().nullable(),
  /** Until it broke, of one load; and as forecast when the make began. */
  minutes: z.number(),
  forecastMin: z.number().nullable(),
  loads: z.number().int(),
  creamKg: z.number(),
  fatFraction: z.number(),
  ripened: z.boolean(),
  possibleKg: z.number(),
  butterKg: z.number().nullable(),
  buttermilkKg: z.number().nullable(),
  /** Share of the fat that is not in the butter; `null` until it is weighed. */
  lostFraction: z.number().nullable(),
  softness: z.enum(['hard', 'firm', 'soft', 'greasy']),
});
export type Churned = z.infer<typeof churned>;

/** How a make turned out, folded from its events. */
export const makeOutcome = z.strictObject({
  id: ulid,
  name: z.string(),
  startedAt: instant,
  finishedAt: instant.nullable(),
  /** `unreadable`: what is stored of it is whole, but nothing can be worked out from it. */
  status: z.enum(['under-way', 'kept', 'discarded', 'unreadable']),
  /** It passed the safety clock's limit: whatever the maker did with it, it is no food. */
  doNotEat: z.boolean(),
  /** Of a culture, not of something to eat. */
  waking: z.boolean(),
  product: z.enum(PRODUCT_IDS).nullable(),
  /** The method it was made by; `null` for a line that could not be read. */
  methodId: z.string().nullable(),
  litres: z.number(),
  milk: z.string(),
  starter: z.string(),
  /** Hours from inoculation to set: as forecast (P10, P50, P90), and as seen. */
  forecastSetH: z.tuple([z.number().nullable(), z.number().nullable(), z.number().nullable()]),
  seenSetH: z.number().nullable(),
  yieldKg: z.number().nullable(),
  sourness: z.string().nullable(),
  texture: z.string().nullable(),
  note: z.string().nullable(),
  /** `null` for what was not churned. */
  churned: churned.nullable(),
});
export type MakeOutcome = z.infer<typeof makeOutcome>;

const amount = z.number().nullable();
/** Ways of going about it in which makers differ, as a batch went. */
export const WAYS = [
  'touched',
  'held-hot',
  'scalded',
  'towels',
  'oven',
  'washed-little',
  'washed-much',
] as const;
export type Way = (typeof WAYS)[number];

/** What is asked of many makes together: what they were made of, by whom, and what they cost. */
export const makeFacts = z.strictObject({
  kind: z.enum(MILK_KINDS).nullable(),
  feed: z.enum(FEEDS).nullable(),
  intoKg: z.number(),
  method: z.string(),
  pot: z.string(),
  /** The culture's line and which turn of it, where it is in the register. */
  lineId: ulid.nullable(),
  turn: z.number().int().nullable(),
  /** Who wrote most of its entries. */
  cookId: ulid.nullable(),
  /** Why it was not kept. */
  reason: z.string(),
  /** As its steps usually want them, and as its burner draws. */
  handsMin: z.number(),
  energyKwh: z.number(),
  cost: amount,
  costPerKg: amount,
  savedPerKg: amount,
  /** What was wrong with it, where somebody said what it turned out to be; left out, nobody did. */
  faults: z.array(faultSettled).optional(),
  /** How it was gone about, where makers differ; left out, in none of these ways. */
  ways: z.array(z.enum(WAYS)).optional(),
  /** Where it soured; left out, nothing did. */
  place: z.string().optional(),
});
export type MakeFacts = z.infer<typeof makeFacts>;

/** One line of the Daybook, folded from a make's events by the server. */
export const makeSummary = z.strictObject({ ...makeOutcome.shape, ...makeFacts.shape });
export type MakeSummary = z.infer<typeof makeSummary>;
export const makesResponse = z.strictObject({ makes: z.array(makeSummary), now: instant });

/** A device's reading: one of celsius, fahrenheit and ph. */
export const deviceReading = z
  .strictObject({
    device: shortName,
    at: instant.optional(),
    celsius: temperatureC.optional(),
    fahrenheit: z.number().min(-22).max(392).optional(),
    ph: EVENT_DATA['ph-read'].shape.ph.optional(),
  })
  .refine((r) => [r.celsius, r.fahrenheit, r.ph].filter((v) => v !== undefined).length === 1, {
    error: 'give exactly one of celsius, fahrenheit or ph',
    path: ['celsius'],
  });
export const deviceReadingResponse = z.strictObject({ stored: z.boolean(), reason: z.string() });

/** A stored trace, whole: instants (ms since 1970) and values as written in its file, side by side. */
const traceRows = z
  .strictObject({
    traceId: ulid,
    at: z.array(instantMs).min(1).max(TRACE_MOST_ROWS),
    values: z.array(rawValue).min(1).max(TRACE_MOST_ROWS),
  })
  .refine((t) => t.at.length === t.values.length, {
    error: 'must have one value for each time',
    path: ['values'],
  });
export type TraceRows = z.infer<typeof traceRows>;

/** The open file format of a daybook. */
export const EXPORT_FORMAT = 'morning-crock-daybook';
export const EXPORT_VERSION = 1;
export const exportFile = z.strictObject({
  format: z.literal(EXPORT_FORMAT),
  version: z.literal(EXPORT_VERSION),
  exportedAt: instant,
  kitchen: z.string(),
  notice: z.string(),
  makes: z.array(z.strictObject({ id: ulid, events: z.array(storedEvent).min(1) })),
  /** Loggers' rows of those makes, whole. */
  traces: z.array(traceRows).optional(),
});
export type ExportFile = z.infer<typeof exportFile>;
export const importResponse = z.strictObject({ makes: z.number(), added: z.number(), already: z.number() });

/** The open file format of a whole kitchen: what it knows of itself, every make, every row of a logger. */
export const BACKUP_FORMAT = 'morning-crock-kitchen';
export const BACKUP_VERSION = 1;
export const backupFile = z.strictObject({
  format: z.literal(BACKUP_FORMAT),
  version: z.literal(BACKUP_VERSION),
  savedAt: instant,
  kitchen: z.strictObject({ id: ulid, name: shortName, zone: zoneName }),
  notice: z.string(),
  /** In the order of the log. */
  events: z.array(storedEvent),
  traces: z.array(traceRows),
  /** Pictures; left out by kitchens that were saved before there were any. */
  photos: z.array(photoRow).optional(),
});
export type BackupFile = z.infer<typeof backupFile>;
export const restoreResponse = z.strictObject({ makes: z.number(), events: z.number(), rows: z.number() });

export const joinRequest = z.strictObject({
  code: text(40).trim().min(1, 'needs the kitchen code'),
  name: shortName,
});
export const joinResponse = z.strictObject({ joined: z.literal(true) });
export const tablet = z.strictObject({ id: ulid, name: z.string(), joinedAt: instant, lastSeenAt: instant });
export type Tablet = z.infer<typeof tablet>;
export const tabletsResponse = z.strictObject({
  /** Whether other devices of the local network can reach this kitchen, and where. */
  address: z.string().nullable(),
  /** Where the same kitchen is secure. */
  secure: z.string().nullable(),
  tablets: z.array(tablet),
});
/** Whether calendars may ask for what is coming, and since when. */
export const calendarAddressResponse = z.strictObject({ since: instant.nullable() });
/** A new address for calendars, told this once: the way to it behind the kitchen's own address. */
export const newCalendarAddressResponse = z.strictObject({ path: z.string(), since: instant });

export const revokedCalendarResponse = z.strictObject({ revoked: z.literal(true) });

/** What a device needs to know before it trusts this kitchen. */
export const secureResponse = z.strictObject({
  /** Where the same kitchen is secure; `null` where it is nowhere. */
  secure: z.string().nullable(),
  /** SHA-256 of the authority's certificate in groups of four hexadecimal digits. */
  fingerprint: z.string().nullable(),
  /** When the authority ends. */
  until: instant.nullable(),
});
export const revokeResponse = z.strictObject({ revoked: z.literal(true), code: z.string().nullable() });
export const newCodeResponse = z.strictObject({ code: z.string(), address: z.string() });

export const streamMessage = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('event'), event: storedEvent }),
  z.strictObject({ kind: z.literal('time'), now: instant }),
]);

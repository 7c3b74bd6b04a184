import { z } from 'zod';
import { draftEvent, storedEvent } from './events.ts';
import { kitchenSettings } from './kitchen.ts';
import { instant, shortName, temperatureC, ulid } from './quantities.ts';

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

/** One line of the Daybook, folded from a make's events by the server. */
export const makeSummary = z.strictObject({
  id: ulid,
  name: z.string(),
  startedAt: instant,
  finishedAt: instant.nullable(),
  status: z.enum(['under-way', 'kept', 'discarded']),
  /** It passed the safety clock's limit: whatever the maker did with it, it is no food. */
  doNotEat: z.boolean(),
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
});
export type MakeSummary = z.infer<typeof makeSummary>;
export const makesResponse = z.strictObject({ makes: z.array(makeSummary), now: instant });

/** A device's temperature reading: one of celsius and fahrenheit. */
export const deviceReading = z
  .strictObject({
    device: shortName,
    at: instant.optional(),
    celsius: temperatureC.optional(),
    fahrenheit: z.number().min(-22).max(392).optional(),
  })
  .refine((r) => (r.celsius === undefined) !== (r.fahrenheit === undefined), {
    error: 'give either celsius or fahrenheit',
    path: ['celsius'],
  });
export const deviceReadingResponse = z.strictObject({ stored: z.boolean(), reason: z.string() });

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
});
export type ExportFile = z.infer<typeof exportFile>;
export const importResponse = z.strictObject({ makes: z.number(), added: z.number(), already: z.number() });

export const streamMessage = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('event'), event: storedEvent }),
  z.strictObject({ kind: z.literal('time'), now: instant }),
]);

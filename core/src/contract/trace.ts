import * as z from 'zod';
import { deviceName, instant, instantMs, shortName, text, ulid } from './quantities.ts';

/** The most rows a logger's file may have, and how many of them a fold sees. */
export const TRACE_MOST_ROWS = 1_000_000;
export const TRACE_SAMPLE = 600;

export const TRACE_QUANTITIES = ['temperature', 'ph'] as const;
export type TraceQuantity = (typeof TRACE_QUANTITIES)[number];

const correction = z.strictObject({
  thermometerId: ulid,
  offsetC: z.number().min(-30).max(30),
  slope: z.number().min(0.5).max(2),
});

/** What an instrument writes in °C, °F or pH: anything beyond is a fault of the instrument. */
export const rawValue = z
  .number('is not a number')
  .min(-500, 'is neither a temperature nor a pH')
  .max(1000, 'is neither a temperature nor a pH');

/** What the log keeps of a stored trace. */
export const traceFacts = z.strictObject({
  traceId: ulid,
  quantity: z.enum(TRACE_QUANTITIES),
  instrument: shortName,
  fileName: text(200),
  /** SHA-256 of the rows as sent, hexadecimal: the same file again changes nothing. */
  contentHash: z.string().regex(/^[0-9a-f]{64}$/),
  rows: z.number().int().positive().max(TRACE_MOST_ROWS),
  from: instant,
  to: instant,
  /** The unit in the file; values are kept as written there. */
  unit: z.enum(['C', 'F', 'pH']),
  correction: correction.nullable(),
  /** [ms since 1970, value in °C (corrected) or pH], thinned so that its shape stays. */
  sample: z
    .array(z.tuple([instantMs, rawValue]))
    .min(1)
    .max(TRACE_SAMPLE),
});
export type TraceFacts = z.infer<typeof traceFacts>;

/** A trace on its way in: instants and raw values side by side, in time order. */
export const traceUpload = z.strictObject({
  quantity: z.enum(TRACE_QUANTITIES),
  instrument: shortName,
  fileName: text(200),
  unit: z.enum(['C', 'F', 'pH']),
  thermometerId: ulid.nullable(),
  deviceId: deviceName,
  /** ms since 1970. */
  at: z.array(instantMs).min(1, 'has no rows').max(TRACE_MOST_ROWS, 'has more than a million rows'),
  /** As written in the file, in `unit`. */
  values: z.array(rawValue).min(1).max(TRACE_MOST_ROWS),
});
export type TraceUpload = z.infer<typeof traceUpload>;

export const traceStored = z.strictObject({
  /** Rows that are new; 0 when this file, or all its rows, were here already. */
  added: z.number().int(),
  already: z.number().int(),
  /** Rows dated outside of the make, left out. */
  outside: z.number().int(),
});
export type TraceStored = z.infer<typeof traceStored>;

/** A part of a stored trace, thinned to what can be drawn. */
export const tracePart = z.strictObject({
  rows: z.number().int(),
  points: z.array(z.tuple([z.number().int(), z.number()])),
});

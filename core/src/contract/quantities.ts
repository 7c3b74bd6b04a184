import * as z from 'zod';
import { KILOGRAMS_PER, MILLILITRES_PER, type MassUnit, type VolumeUnit } from '../science/units/index.ts';

/** Identity of a make, an event or a thing of the kitchen: 26 characters, made by whoever makes the thing. */
export const ulid = z.string().regex(/^[0-7][0-9A-HJKMNP-TV-Z]{25}$/, 'is not an ID (26 characters)');
/** No record is older, and none is of a day this far ahead: every store and every clock agrees on what lies between. */
const FIRST_YEAR = 1970;
const LAST_YEAR = 2199;
export const FIRST_MS = Date.UTC(FIRST_YEAR, 0, 1);
export const LAST_MS = Date.UTC(LAST_YEAR + 1, 0, 1) - 1;
/** An instant in UTC with milliseconds. */
export const instant = z.iso
  .datetime({
    offset: false,
    precision: 3,
    error: 'is not a date and time like 2026-01-31T06:30:00.000Z',
  })
  .refine((at) => Date.parse(at) >= FIRST_MS && Date.parse(at) <= LAST_MS, {
    error: `is not in the years ${FIRST_YEAR} to ${LAST_YEAR}`,
  });
/** The same as ms since 1970. */
export const instantMs = z
  .number()
  .int()
  .min(FIRST_MS, `is before ${FIRST_YEAR}`)
  .max(LAST_MS, `is after ${LAST_YEAR}`);

const MEASURE_UNITS = [
  ...(Object.keys(MILLILITRES_PER) as VolumeUnit[]),
  ...(Object.keys(KILOGRAMS_PER) as MassUnit[]),
] as const;
/** What a person typed, as typed: never changed, only read. */
export const typedQuantity = z.strictObject({
  value: z.number().min(-1e6, 'is too small').max(1e6, 'is too large'),
  unit: z.enum(['C', 'F', 'pH', '%', 'packet', ...MEASURE_UNITS]),
});
export type TypedQuantity = z.infer<typeof typedQuantity>;

/** Half of a pair that stands alone is no character: no file and no database keeps it. */
const LONE_SURROGATE = /\p{Surrogate}/u;
/** Any text that can be stored and read again. */
export const text = (max: number) =>
  z
    .string()
    .max(max, `is longer than ${max} characters`)
    .refine((value) => !LONE_SURROGATE.test(value), { error: 'contains a broken character' });
/** Who sent it: a tablet, or a device by its name. */
export const deviceName = text(64).min(1);
const words = (max: number) => text(max).trim();
export const shortName = words(80).min(1, 'Enter a name');
export const longText = words(2000);

export const temperatureC = z
  .number('is not a temperature')
  .min(-30, 'is colder than a freezer (−30 °C)')
  .max(200, 'is hotter than hot fat (200 °C)');
export const massKg = z.number('is not a weight').positive('must be above 0').max(200, 'is more than 200 kg');
export const litres = z
  .number('is not an amount')
  .min(0.05, 'is less than 50 mL')
  .max(60, 'is more than 60 L, the most Morning Crock plans for');
export const fraction = z.number().min(0).max(1);
/** Wall-clock time of day, 24 h. */
export const timeOfDay = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'is not a time like 22:30');

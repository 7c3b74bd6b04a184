import { z } from 'zod';
import { KILOGRAMS_PER, MILLILITRES_PER } from '../units/index.ts';

/** Identity of a make, an event or a thing of the kitchen: 26 characters, made by whoever makes the thing. */
export const ulid = z.string().regex(/^[0-7][0-9A-HJKMNP-TV-Z]{25}$/, 'is not an identity (26 characters)');
/** An instant in UTC with milliseconds. */
export const instant = z.iso.datetime({
  offset: false,
  precision: 3,
  error: 'is not an instant like 2026-01-31T06:30:00.000Z',
});

const MEASURE_UNITS = [...Object.keys(MILLILITRES_PER), ...Object.keys(KILOGRAMS_PER)];
/** What a person typed, as typed: never changed, only read. */
export const typedQuantity = z.strictObject({
  value: z.number(),
  unit: z.enum(['C', 'F', 'pH', '%', 'packet', ...MEASURE_UNITS]),
});
export type TypedQuantity = z.infer<typeof typedQuantity>;

const words = (max: number) => z.string().trim().max(max, `is longer than ${max} characters`);
export const shortName = words(80).min(1, 'needs a name');
export const longText = words(2000);

export const temperatureC = z
  .number('is not a temperature')
  .min(-30, 'is colder than a freezer (−30 °C)')
  .max(200, 'is hotter than hot fat (200 °C)');
export const massKg = z.number('is not a weight').positive('must be above 0').max(200, 'is more than 200 kg');
export const litres = z
  .number('is not an amount')
  .min(0.05, 'is less than 50 mL')
  .max(60, 'is more than 60 litres, which this kitchen tool is not made for');
export const fraction = z.number().min(0).max(1);
/** Wall-clock time of day, 24 h. */
export const timeOfDay = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'is not a time like 22:30');

import { z } from 'zod';
import { SOURNESS, STARTER_KINDS } from '../culture/index.ts';
import { MILK_KINDS } from '../milk/index.ts';
import { burner, pot, warmPlace } from './kitchen.ts';
import { fraction, instant, litres, shortName, temperatureC, typedQuantity, ulid } from './quantities.ts';

export const TREATMENTS = ['raw', 'pasteurised', 'ultra-heated'] as const;
export const HEAT_KINDS = ['none', 'touch', 'hold', 'boil'] as const;
export const THICKNESS = ['pourable', 'spoonable', 'firm'] as const;

export const milkPour = z.strictObject({
  litres,
  typed: typedQuantity,
  kind: z.enum(MILK_KINDS),
  treatment: z.enum(TREATMENTS),
  /** `null` when nobody knows: the kind's usual range is taken. */
  fatFraction: fraction.max(0.2, 'is cream, not milk (20 %)').nullable(),
  startC: temperatureC.max(60, 'is hot already'),
});

export const starterPlan = z.strictObject({
  kind: z.enum(STARTER_KINDS),
  /** Days kept cold; `null` when unknown. */
  ageD: z.number().min(0, 'cannot be negative').max(400, 'is more than a year').nullable(),
  /** For starters dosed by mass. */
  massKg: z.number().min(0).max(20).nullable(),
  /** For dried ones: share of the packet's stated dose for this volume. */
  statedRatio: z.number().min(0).max(50).nullable(),
  typed: typedQuantity.nullable(),
});

export const heatPlan = z.strictObject({
  kind: z.enum(HEAT_KINDS),
  targetC: temperatureC,
  holdMin: z.number().min(0, 'cannot be negative').max(240, 'is more than four hours'),
});

/**
 * A make as it was decided, with the kitchen's facts of that moment inside, so that history never changes when
 * the kitchen does.
 */
export const makePlan = z.strictObject({
  product: z.literal('yogurt'),
  name: shortName,
  milk: milkPour,
  wanted: z.strictObject({ sourness: z.enum(SOURNESS), thickness: z.enum(THICKNESS) }),
  starter: starterPlan,
  heat: heatPlan,
  inoculateC: temperatureC,
  pot,
  burner,
  place: warmPlace,
  roomC: z.number().min(0).max(45),
  altitudeM: z.number().min(-400).max(5500),
  startAt: instant,
  repeatOf: ulid.nullable(),
});

export type MakePlan = z.infer<typeof makePlan>;
export type Thickness = (typeof THICKNESS)[number];

/** Middle and P10–P90 of an instant, ms since 1970; `null` beyond the horizon. */
const instantBand = z.strictObject({
  p10: z.number().nullable(),
  p50: z.number().nullable(),
  p90: z.number().nullable(),
});

/** What was forecast when the make began; stored, never recomputed. */
export const plannedForecast = z.strictObject({
  model: z.string(),
  seed: z.number(),
  members: z.number(),
  factors: z.record(z.string(), z.number()),
  steps: z.array(z.strictObject({ step: z.string(), end: instantBand })),
  set: instantBand,
  pickUp: instantBand,
  sourness: z.enum(SOURNESS),
  firmness: z.number(),
  denatured: z.number(),
  /** [hours since inoculation, p10, p50, p90] of pH. */
  phBand: z.array(z.tuple([z.number(), z.number(), z.number(), z.number()])),
});
export type PlannedForecast = z.infer<typeof plannedForecast>;
export type InstantBand = z.infer<typeof instantBand>;

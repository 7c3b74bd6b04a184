import { z } from 'zod';

const fraction = z.number().min(0).max(1);
const celsius = z.number().min(-30).max(150);
const composition = z
  .strictObject({
    fatFraction: fraction,
    proteinFraction: fraction,
    lactoseFraction: fraction,
    ashFraction: fraction,
  })
  .refine((c) => c.fatFraction + c.proteinFraction + c.lactoseFraction + c.ashFraction <= 1, {
    error: 'the parts add up to more than the whole',
    path: ['fatFraction'],
  });
const groups = z.strictObject({
  st: z.number().optional(),
  lb: z.number().optional(),
  lc: z.number().optional(),
});
const rising = (points: readonly (readonly [number, number])[]): boolean =>
  points.every(([x], i) => i === 0 || x > points[i - 1]![0]);

const temperature = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('constant'), celsius }),
  z.strictObject({
    kind: z.literal('newton'),
    startC: celsius,
    ambientC: celsius,
    tauH: z.number().positive(),
  }),
  z.strictObject({
    kind: z.literal('points'),
    hoursAndCelsius: z
      .array(z.tuple([z.number().min(0), celsius]))
      .min(1)
      .refine(rising, 'hours must rise from point to point'),
  }),
]);

const fermentFields = {
  temperature,
  log10CfuPerMl: groups.refine(
    (g) => Object.values(g).some((v) => v !== undefined),
    'needs at least one group',
  ),
  lagH: groups,
  startAcidMmolPerKg: z.number().min(0).max(280),
  plasmaSnfPercent: z.number().min(1).max(40),
};

/** What each sum takes. Field names and units as in the published cases. */
export const SUM_INPUTS = {
  ferment: z.strictObject(fermentFields),
  denature: z.strictObject({
    secondsAndCelsius: z
      .array(z.tuple([z.number().min(0), celsius]))
      .min(1)
      .refine(rising, 'seconds must rise from point to point'),
    cream: z.boolean(),
  }),
  cool: z.strictObject({
    composition,
    litres: z.number().min(0.05).max(100),
    startC: celsius,
    airC: celsius,
    untilC: celsius,
    lidded: z.boolean(),
  }),
  composition,
  boil: z.strictObject({ altitudeM: z.number().min(-400).max(6000) }),
  butter: z
    .strictObject({
      creamKg: z.number().min(0),
      creamFatFraction: fraction,
      buttermilkFatFraction: fraction,
      butterFatFraction: fraction,
    })
    .refine((b) => b.butterFatFraction > b.buttermilkFatFraction, {
      error: 'butter must be fatter than buttermilk',
      path: ['butterFatFraction'],
    }),
  forecast: z.strictObject({
    ...fermentFields,
    horizonH: z.number().min(1).max(240).default(24),
    members: z.number().int().min(100).max(20_000).default(1000),
    seed: z.number().int().default(1),
    biasSigmaC: z.number().min(0).max(10).default(1),
    wild: z.boolean().default(false),
    denaturedFraction: fraction.default(0.9),
    readings: z
      .array(
        z.discriminatedUnion('kind', [
          z.strictObject({
            kind: z.literal('ph'),
            hour: z.number().min(0),
            ph: z.number().min(2.5).max(8.5),
            sigma: z.number().positive().default(0.1),
            instrument: z.string().default('meter'),
          }),
          z.strictObject({
            kind: z.literal('cue'),
            hour: z.number().min(0),
            cue: z.enum(['liquid', 'trembles', 'set', 'whey-shows']),
          }),
        ]),
      )
      .default([]),
  }),
} as const;

export type SumName = keyof typeof SUM_INPUTS;
export type SumInput<N extends SumName> = z.infer<(typeof SUM_INPUTS)[N]>;

const hours = z.number().nullable();
const quantiles = z.strictObject({ p10: hours, p50: hours, p90: hours });

/** What each sum gives back; `null` means "not reached". */
export const SUM_OUTPUTS = {
  ferment: z.strictObject({
    hoursToPh: z.record(z.string(), hours),
    phAtHours: z.record(z.string(), z.number()),
    acidAt24HoursMmolPerKg: z.number(),
  }),
  denature: z.strictObject({ denaturedFraction: z.number(), pasteurisationMinutes: z.number() }),
  cool: z.strictObject({ minutes: hours }),
  composition: z.strictObject({
    densityKgPerM3: z.number(),
    specificHeatAt20CKjPerKgK: z.number(),
    specificHeatAt60CKjPerKgK: z.number(),
  }),
  boil: z.strictObject({ celsius: z.number() }),
  butter: z.strictObject({ butterKg: z.number(), buttermilkKg: z.number() }),
  forecast: z.strictObject({
    hoursToPh: z.record(z.string(), quantiles),
    effectiveMembers: z.number(),
    contradiction: z.enum(['slower', 'faster']).nullable(),
  }),
} as const;
export type SumOutput<N extends SumName> = z.infer<(typeof SUM_OUTPUTS)[N]>;

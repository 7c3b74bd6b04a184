import * as z from 'zod';
import { SOURNESS, STARTER_KINDS } from '../science/souring/index.ts';
import { instant, kitchenSettings, method } from '../contract/index.ts';
import { RENNET_UNITS } from '../science/curd/index.ts';
import { TREATMENTS } from '../science/milk/index.ts';

const fraction = z.number().min(0).max(1);
const celsius = z.number().min(-10).max(100);

/** What the sums of curd, cream and methods take. */
export const CURD_INPUTS = {
  drain: z
    .strictObject({
      massKg: z.number().positive('must be above 0').max(200, 'is more than 200 kg'),
      fatFraction: fraction.max(0.7, 'is too rich for curd (70 % fat at most)'),
      proteinFraction: fraction
        .min(0.005, 'is too little to hold together')
        .max(0.3, 'is drier than any cheese (30 % protein)'),
      heated: z.boolean(),
      hours: z.number().min(0, 'cannot be negative').max(168, 'is longer than a week: the curd would spoil'),
      tauAt6CH: z.number().min(0.05, 'is too quick').max(100, 'is too slow'),
      celsius,
      targetProteinFraction: fraction.min(0.01).max(0.4),
    })
    .refine((d) => d.fatFraction + d.proteinFraction < 0.9, {
      error: 'leaves no room for water beside the fat',
      path: ['proteinFraction'],
    }),
  rennet: z.strictObject({
    imcuPerLitre: z.number().positive('must be above 0').max(300, 'is too much (300 IMCU per litre at most)'),
    celsius: celsius.min(15, 'is too cold: rennet hardly works').max(60, 'is too hot: rennet stops working'),
    ph: z.number().min(5, 'is too low: milk curdles by itself').max(7.2, 'is too high for milk'),
    denaturedFraction: fraction,
    /** To be told the amount: how much milk, and what the label says; `null` when it says nothing. */
    litres: z.number().positive().max(200).optional(),
    unit: z.enum(RENNET_UNITS).optional(),
    strengthImcu: z
      .number()
      .min(0.5, 'is too weak for rennet')
      .max(5000, 'is stronger than any rennet')
      .nullable()
      .optional(),
  }),
  press: z.strictObject({
    weightKg: z.number().min(0).max(1000),
    diameterCm: z.number().min(4, 'is narrower than 4 cm').max(60, 'is wider than 60 cm'),
    wheelKg: z.number().positive('must be above 0').max(60),
    brineFraction: fraction
      .min(0.01, 'is too weak for brine')
      .max(0.27, 'is more salt than water can dissolve (27 %)'),
    brineWaterKg: z.number().min(0).max(500),
  }),
  swap: z.strictObject({
    massKg: z.number().positive('must be above 0').max(200),
    celsius: celsius.min(10).max(60),
    drawFraction: fraction.min(0.02).max(0.8, 'is too much to draw off'),
    toC: celsius.min(10).max(60),
  }),
  ripen: z.strictObject({
    litres: z.number().min(0.1).max(60),
    fatFraction: fraction.min(0.1, 'is milk, not cream').max(0.6, 'is richer than any cream (60 %)'),
    treatment: z.enum(TREATMENTS),
    homogenised: z.boolean().default(false),
    startC: celsius.min(0).max(60),
    starter: z.enum(STARTER_KINDS),
    /** Of the cream, by weight; of the stated dose for a dried one; left out for none. */
    dose: z.number().min(0).max(20).nullable(),
    ageD: z.number().min(0).max(400).nullable().default(null),
    /** Room heat at each hour of the day, from midnight. */
    roomByHour: z.array(z.number().min(0).max(45)).length(24),
    /** Hour of the day it is put up. */
    startHour: z.number().min(0).max(24),
    sourness: z.enum(SOURNESS).default('mild'),
    members: z.number().int().min(100).max(5000).default(1000),
    seed: z.number().int().default(1),
  }),
  method: z.strictObject({
    method,
    /** Left out, a kitchen nobody has told anything. */
    kitchen: kitchenSettings.optional(),
    litres: z.number().min(0.1).max(60).optional(),
    startAt: instant,
  }),
} as const;

const band = z.strictObject({
  p10: z.number().nullable(),
  p50: z.number().nullable(),
  p90: z.number().nullable(),
});

/** What they give. Hours from the beginning. */
export const CURD_OUTPUTS = {
  drain: z.strictObject({
    wheyKg: z.number(),
    proteinFraction: z.number(),
    fatFraction: z.number(),
    /** `null` when it never gets there. */
    hoursToTarget: z.number().nullable(),
    wheyBackKg: z.number(),
  }),
  rennet: z.strictObject({
    minutesToCleanBreak: z.number(),
    /** Units of rennet, between which two; `null` when not asked for. */
    units: z.tuple([z.number(), z.number()]).nullable(),
  }),
  press: z.strictObject({
    kpa: z.number(),
    heightCm: z.number(),
    briningHours: z.tuple([z.number(), z.number()]),
    saltKg: z.number(),
    weakBrine: z.boolean(),
  }),
  swap: z.strictObject({
    /** `null` when even boiling water does not. */
    waterC: z.number().nullable(),
    waterKg: z.number(),
  }),
  ripen: z.strictObject({
    /** What speaks against it at all; then there is no forecast. */
    refused: z.string().nullable(),
    thickH: band,
    readyH: band,
    neverFraction: z.number(),
    /** After a night in the cold, 0..100, about. */
    thickness: z.number(),
    thicknessWord: z.string(),
    safeLimitH: z.number().nullable(),
  }),
  method: z.strictObject({
    steps: z.array(
      z.strictObject({
        id: z.string(),
        title: z.string(),
        startMin: z.number(),
        endMin: z.number(),
        handsMin: z.number(),
        mustAct: z.boolean(),
        endless: z.boolean(),
      }),
    ),
    hours: z.number(),
    handsMin: z.number(),
    ph: z.number().nullable(),
    /** What is reached and when, where the aim is not; hours from the beginning. */
    reaches: z.array(z.strictObject({ what: z.string(), hours: z.number() })),
    /** Where else the aim would be reached. */
    instead: z.strictObject({ place: z.string(), hours: z.number() }).nullable(),
    outKg: z.number(),
    wheyKg: z.number(),
    things: z.array(z.string()),
    cautions: z.array(z.strictObject({ id: z.string(), text: z.string() })),
    advice: z.array(z.strictObject({ severity: z.string(), field: z.string(), text: z.string() })),
  }),
} as const;

type CurdSum = keyof typeof CURD_INPUTS;
export type CurdSums = {
  readonly [N in CurdSum]: (input: z.infer<(typeof CURD_INPUTS)[N]>) => z.infer<(typeof CURD_OUTPUTS)[N]>;
};

import * as z from 'zod';
import { FEEDS } from '../science/butter/index.ts';
import { FLAMES } from '../science/heat/index.ts';
import { SOURNESS, STARTER_KINDS } from '../science/souring/index.ts';
import { MILK_KINDS, POWDER_KINDS, TREATMENTS } from '../science/milk/index.ts';
import { absence, burner, cook, pot, warmPlace, zoneName } from './kitchen.ts';
import { methodSnapshot, PRODUCT_IDS, PRODUCT_TAKES, type ProductId } from './methods.ts';
import { creamPh, lotPour } from './milk-room.ts';
import { planPrices } from './prices.ts';
import {
  FIRST_MS,
  fraction,
  instant,
  LAST_MS,
  litres,
  longText,
  massKg,
  shortName,
  temperatureC,
  text,
  typedQuantity,
  ulid,
} from './quantities.ts';

export const HEAT_KINDS = ['none', 'touch', 'hold', 'boil'] as const;
export const COOLING_KINDS = ['counter', 'bath', 'iced-bath'] as const;
export const THICKNESS = ['pourable', 'spoonable', 'firm'] as const;

/** Milk and cream are water for the rest, butter hardly. */
const MOST_SOLIDS = { milk: 0.7, cream: 0.7, butter: 0.98 } as const;

/** A second milk poured in with the first. */
export const secondMilk = z.strictObject({
  litres,
  typed: typedQuantity,
  kind: z.enum(MILK_KINDS),
  /** Cream is added as well. */
  fatFraction: fraction.max(0.6, 'is richer than any cream (60 %)').nullable(),
});

/** Milk powder stirred in. */
export const powderDose = z.strictObject({
  kind: z.enum(POWDER_KINDS),
  massKg: massKg.max(10, 'is more than 10 kg of powder'),
  typed: typedQuantity,
  /** Stirred in with the starter, once it is cool; left out, into the cold milk. */
  withStarter: z.boolean().optional(),
});

/** What milk or cream is made of besides water, by mass. */
export const composition = z.strictObject({
  fatFraction: fraction,
  proteinFraction: fraction,
  lactoseFraction: fraction,
  ashFraction: fraction,
});

/** Some goods of the larder that go into a make. */
export const goodPart = z.strictObject({
  goodId: ulid,
  name: shortName,
  place: z.enum(['cold', 'freezer', 'cellar', 'stall']),
  size: z.number().int().min(0).max(19),
  massKg,
});
export type GoodPart = z.infer<typeof goodPart>;

export const milkPour = z.strictObject({
  litres,
  typed: typedQuantity,
  /** Told by how full a pot or jar is, not measured. */
  byLevel: z.boolean().optional(),
  kind: z.enum(MILK_KINDS),
  treatment: z.enum(TREATMENTS),
  /** `null` when nobody knows: the kind's usual range is taken, or that of cream. */
  fatFraction: fraction.max(0.6, 'is richer than any cream (60 %)').nullable(),
  startC: temperatureC.max(60, 'is already hot'),
  homogenised: z.boolean().optional(),
  /** Soured already when it is poured. */
  soured: z.boolean().optional(),
  /** pH of cream, measured or as its taste says; left out, `soured` tells sweet from ripened. */
  ph: creamPh.optional(),
  /** Soured milk that is churned whole, its cream not taken off. */
  wholeCurd: z.boolean().optional(),
  /** What the animals were fed on: grass makes softer fat than hay; left out when nobody knows. */
  feed: z.enum(FEEDS).optional(),
  second: secondMilk.optional(),
  powder: powderDose.optional(),
  /** Taken from these lots of the milk room, with what they are made of; left out, the kind's usual counts. */
  lots: z.array(lotPour).min(1).max(8).optional(),
  composition: composition.optional(),
  /** Taken from the larder. */
  goods: z.array(goodPart).min(1).max(8).optional(),
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
  /** Taken from the larder. */
  good: goodPart.optional(),
  /** Taken from the milk room. */
  lot: lotPour.optional(),
  /** What a packet's label says: all of it, or some teaspoons, for so much milk. */
  label: z
    .strictObject({
      litres: litres,
      tsp: z.number().positive('must be above 0').max(100, 'is more than 100 teaspoons').nullable(),
    })
    .optional(),
  /** A culture of the register, the line it belongs to, its turn, and log10 of its count besides its age. */
  cultureId: ulid.optional(),
  lineId: ulid.optional(),
  turn: z.number().int().min(0).max(10_000).optional(),
  log10Off: z.number().min(-6).max(1).optional(),
  /** Another that goes in with it, by mass. */
  also: z
    .strictObject({
      kind: z.enum(STARTER_KINDS),
      ageD: z.number().min(0, 'cannot be negative').max(400, 'is more than a year').nullable(),
      massKg: z.number().positive('must be above 0').max(20, 'is more than 20 kg'),
      typed: typedQuantity,
    })
    .optional(),
});

export const heatPlan = z.strictObject({
  kind: z.enum(HEAT_KINDS),
  targetC: temperatureC,
  holdMin: z.number().min(0, 'cannot be negative').max(240, 'is more than four hours'),
  /** How far the burner is turned up; left out by plans of before that was a choice: all of its power. */
  flame: z.enum(FLAMES).optional(),
  /** Heated with the lid on; left out, open. */
  lidOn: z.boolean().optional(),
});

/** How the milk comes down to inoculating heat: left to stand, or stood in cold or iced water. */
export const coolingPlan = z.strictObject({
  kind: z.enum(COOLING_KINDS),
  waterLitres: z.number().min(0.2, 'is too little water').max(200, 'is more than 200 L'),
  waterC: z
    .number()
    .min(0, 'is below 0 °C. Enter the weight of ice instead')
    .max(40, 'is too warm to cool the milk'),
  iceKg: z.number().min(0, 'cannot be negative').max(50, 'is more than 50 kg'),
  stirred: z.boolean(),
  /** It cools with its lid on; left out, open, or as its pot was stored. */
  lidOn: z.boolean().optional(),
});

/** Bottles of hot water that go into the warm place with the milk. */
export const hotBottles = z.strictObject({
  litres: z.number().min(0.1, 'is too little water').max(60, 'is more than 60 L'),
  celsius: z.number().min(30, 'is too cool to warm anything').max(100, 'is hotter than boiling water'),
});

/** One jar of a make. */
export const jar = z.strictObject({ id: ulid, name: shortName, litres: z.number().min(0.03).max(20) });

const factorUsed = z.strictObject({
  /** ln of the factor, or K for the heat of a place; against what was typed. */
  value: z.number().min(-20).max(20),
  sigma: z.number().min(0).max(20),
  makes: z.number().int().min(0).max(1e6),
});

/** What this kitchen's own makes had taught when the plan was made; the typed facts beside it stay as typed. */
export const factorsUsed = z.strictObject({
  rate: factorUsed.optional(),
  placeHeat: factorUsed.optional(),
  placeTau: factorUsed.optional(),
  cooling: factorUsed.optional(),
  burner: factorUsed.optional(),
  churn: factorUsed.optional(),
  cloth: factorUsed.optional(),
});

const planShape = {
  name: shortName,
  milk: milkPour,
  wanted: z.strictObject({
    sourness: z.enum(SOURNESS),
    thickness: z.enum(THICKNESS),
    /** In the warm for so many hours at least, by choice, however sour it is by then. */
    leastH: z.number().min(1, 'is less than an hour').max(48, 'is more than two days').optional(),
  }),
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
  /** Parted off another make, whose entries up to then are copied into it. */
  splitFrom: ulid.optional(),
  cooling: coolingPlan.optional(),
  bottles: hotBottles.optional(),
  jars: z.array(jar).max(200).optional(),
  /** Share of each jar left empty. */
  headspace: z.number().min(0).max(0.5).optional(),
  /** Room heat at each hour of the day in UTC, when the room follows a day curve. */
  roomByUtcHour: z.array(z.number().min(0).max(45)).length(24).optional(),
  factors: factorsUsed.optional(),
  prices: planPrices.optional(),
  /** When somebody is there, where steps are fitted to it. */
  presence: z
    .strictObject({
      zone: zoneName,
      cooks: z.array(cook).min(1).max(12),
      absences: z.array(absence).max(60),
    })
    .optional(),
};

/** What goes into each product: its fat tells milk from cream. A packet is fed with milk. */
const madeOf = (product: ProductId): keyof typeof MOST_SOLIDS => {
  const takes = PRODUCT_TAKES[product];
  return takes === 'packet' ? 'milk' : takes;
};
const MOST_FAT_OF_MILK = 0.2;
const LEAST_FAT_OF_CREAM = 0.1;

/** Milk that is cream, or cream that is milk; `null` when it is what the product is made of. */
export function fatFault(
  product: ProductId,
  { fatFraction, wholeCurd }: Pick<z.infer<typeof milkPour>, 'fatFraction' | 'wholeCurd'>,
): string | null {
  if (fatFraction === null || madeOf(product) === 'butter' || wholeCurd) return null;
  if (madeOf(product) === 'milk') return fatFraction > MOST_FAT_OF_MILK ? 'is cream, not milk (20 %)' : null;
  return fatFraction < LEAST_FAT_OF_CREAM ? 'is milk, not cream. Cream has at least 10 %' : null;
}

/** More solids than leave the water there must be; `null` when it is well. */
function solidsFault(product: ProductId, of: z.infer<typeof milkPour>['composition']): string | null {
  if (!of) return madeOf(product) === 'butter' ? 'is missing. Enter what the butter is made of' : null;
  const most = MOST_SOLIDS[madeOf(product)];
  return of.fatFraction + of.proteinFraction + of.lactoseFraction + of.ashFraction > most
    ? `leaves no room for water: the parts add up to more than ${Math.round(most * 100)} %`
    : null;
}

/** A plan of the first version: one product, made one way. */
export const makePlanV1 = z
  .strictObject({ product: z.literal('yogurt'), ...planShape })
  .refine((plan) => fatFault(plan.product, plan.milk) === null, {
    error: 'is cream, not milk (20 %)',
    path: ['milk', 'fatFraction'],
  })
  .refine((plan) => solidsFault(plan.product, plan.milk.composition) === null, {
    error: 'leaves no room for water: the parts add up to more than 70 %',
    path: ['milk', 'composition', 'fatFraction'],
  });

/**
 * A make as it was decided, with the kitchen's facts of that moment and the method inside, so that history never changes
 * when the kitchen or a method does.
 */
export const makePlan = z
  .strictObject({ product: z.enum(PRODUCT_IDS), method: methodSnapshot, ...planShape })
  .superRefine((plan, context) => {
    const fault = fatFault(plan.product, plan.milk);
    if (fault !== null) context.addIssue({ code: 'custom', message: fault, path: ['milk', 'fatFraction'] });
    const solids = solidsFault(plan.product, plan.milk.composition);
    if (solids !== null)
      context.addIssue({ code: 'custom', message: solids, path: ['milk', 'composition', 'fatFraction'] });
  });

/** The parts of a plan that may still be changed while the make is under way; `null` takes one away again. */
export const planChange = z.strictObject({
  cooling: coolingPlan.optional(),
  bottles: hotBottles.nullable().optional(),
  place: warmPlace.optional(),
  factors: factorsUsed.optional(),
  heat: heatPlan.optional(),
  inoculateC: temperatureC.optional(),
  starter: starterPlan.optional(),
  powder: powderDose.nullable().optional(),
  wanted: planShape.wanted.optional(),
  jars: z.array(jar).max(200).optional(),
  headspace: z.number().min(0).max(0.5).optional(),
  why: longText,
});
export type PlanChange = z.infer<typeof planChange>;
export type CoolingPlan = z.infer<typeof coolingPlan>;
export type Jar = z.infer<typeof jar>;
export type FactorsUsed = z.infer<typeof factorsUsed>;

export type MakePlan = z.infer<typeof makePlan>;
export type Thickness = (typeof THICKNESS)[number];

/** An instant worked out: between two milliseconds. */
const forecastMs = z.number().min(FIRST_MS).max(LAST_MS);

/** Middle and P10–P90 of an instant, ms since 1970; `null` beyond the horizon. */
const instantBand = z.strictObject({
  p10: forecastMs.nullable(),
  p50: forecastMs.nullable(),
  p90: forecastMs.nullable(),
});

const bandPh = z.number().min(0).max(14);

/** What was forecast when the make began; stored, never recomputed. */
export const plannedForecast = z.strictObject({
  model: text(80),
  seed: z.number().min(-1e16).max(1e16),
  members: z.number().int().min(0).max(1e6),
  factors: z.record(text(80), z.number().min(-1e6).max(1e6)),
  steps: z.array(z.strictObject({ step: text(40), end: instantBand })).max(200),
  set: instantBand,
  pickUp: instantBand,
  /** What it was to pass; left out in what was stored before marks had names. */
  marks: z
    .array(
      z.strictObject({
        id: text(40),
        role: z.enum(['gel', 'safe', 'body', 'ready', 'past', 'passing']),
        words: text(80),
        step: text(40),
        band: instantBand,
      }),
    )
    .max(200)
    .optional(),
  sourness: z.enum(SOURNESS),
  firmness: z.number().min(0).max(1000),
  denatured: z.number().min(0).max(1),
  /** [hours since inoculation, p10, p50, p90] of pH. */
  phBand: z.array(z.tuple([z.number().min(-1000).max(1000), bandPh, bandPh, bandPh])).max(5000),
});
export type PlannedForecast = z.infer<typeof plannedForecast>;
export type InstantBand = z.infer<typeof instantBand>;

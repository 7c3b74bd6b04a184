import * as z from 'zod';
import { CURD_INPUTS, CURD_OUTPUTS } from './curd-schemas.ts';
import { DAY_INPUTS, DAY_OUTPUTS } from './day-schemas.ts';
import { WHY_INPUTS, WHY_OUTPUTS } from './why-schemas.ts';
import { CREAM_TREATMENTS } from '../science/souring/index.ts';
import { CHURN_KINDS, CHURN_SPEEDS } from '../science/butter/index.ts';
import { CULTURE_KINDS, kitchenSettings, makePlan, factor, storedEvent, ulid } from '../contract/index.ts';
import {
  BURNER_EFFICIENCY,
  BURNER_KINDS,
  DEFAULT_BURNER_KW,
  FLAMES,
  THAW_PLACES,
  thermometerFault,
  USUAL_FLAME,
} from '../science/heat/index.ts';
import { MILK_KINDS, POWDER_KINDS, TREATMENTS } from '../science/milk/index.ts';

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
const litres = z.number().min(0.05).max(200);
const pot = { composition, litres, airC: celsius };
/** The pan: its inner width, or what it holds; left out, the milk stands in a cylinder of its own. */
const width = {
  widthCm: z.number().min(4, 'is narrower than 4 cm').max(120, 'is wider than 120 cm').optional(),
  potLitres: litres.optional(),
};
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
  ...CURD_INPUTS,
  ...DAY_INPUTS,
  ...WHY_INPUTS,
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
    lidded: z.boolean().default(false),
    ...width,
  }),
  /** Milk on a burner. */
  heat: z.strictObject({
    composition,
    litres: z.number().min(0.05).max(100),
    startC: celsius,
    airC: celsius,
    untilC: celsius,
    burnerKw: z.number().positive().max(20).default(DEFAULT_BURNER_KW),
    /** Share of its power that reaches the milk. */
    efficiency: fraction.min(0.05).default(BURNER_EFFICIENCY),
    flame: z.enum(FLAMES).default(USUAL_FLAME),
    burner: z.enum(BURNER_KINDS).default('flame'),
    lidded: z.boolean().default(false),
    ...width,
  }),
  composition,
  boil: z.strictObject({ altitudeM: z.number().min(-400).max(6000) }),
  temper: z.strictObject({
    composition,
    litres: z.number().min(0.05).max(100),
    startC: celsius,
    airC: celsius,
    untilC: celsius,
  }),
  churn: z.strictObject({
    churn: z.enum(CHURN_KINDS),
    speed: z.enum(CHURN_SPEEDS).default('medium'),
    /** In place of the speed: which of how many settings. */
    setting: z
      .strictObject({ at: z.number().int().min(1), of: z.number().int().min(1).max(40) })
      .refine(({ at, of }) => at <= of, { error: 'is more than the machine has', path: ['at'] })
      .optional(),
    startC: celsius.min(0, 'is frozen').max(40, 'is too warm to churn: the fat is melted'),
    fatFraction: fraction.min(0.02, 'is too little fat').max(0.7, 'is more than any cream (70 %)'),
    fillFraction: fraction.min(0.02, 'is too little'),
    litres: z.number().min(0.05).max(100),
    roomC: celsius.min(-10).max(45),
    ripened: z.boolean(),
    /** pH, where it is between sweet and ripened; and whether it stands as a dollop. */
    ph: z.number().min(3.8).max(6.9).optional(),
    thick: z.boolean().default(false),
    wholeCurd: z.boolean(),
    treatment: z.enum(TREATMENTS),
    agedCold: z.boolean(),
  }),
  wash: z.strictObject({
    carriedKgPerKg: z.number().positive().max(5),
    waterKgPerKg: z.number().min(0).max(20),
    exchangeFraction: fraction,
    washes: z.number().int().min(0).max(50),
  }),
  salt: z.strictObject({
    butterKg: z.number().positive().max(100),
    moistureFraction: fraction,
    saltKg: z.number().min(0).max(10),
  }),
  ghee: z
    .strictObject({
      butterKg: z.number().positive('must be above 0').max(100),
      moistureFraction: fraction.max(0.35, 'is more water than butter holds (35 %)'),
      fatFraction: fraction.min(0.4, 'is too little fat for butter (at least 40 %)'),
      startC: celsius.max(60, 'is already melted'),
      burnerKw: z.number().positive().max(20),
      flameFraction: fraction.min(0.02, 'is too low a flame'),
      doneC: celsius.min(101, 'is too low: water would still be left in the ghee').max(160, 'smokes'),
      altitudeM: z.number().min(-400).max(6000),
      skimmed: z.boolean(),
    })
    .refine((of) => of.fatFraction + of.moistureFraction <= 1, {
      error: 'leaves no room for the water',
      path: ['fatFraction'],
    }),
  yield: z
    .strictObject({
      creamKg: z.number().positive('must be above 0').max(200),
      creamFatFraction: fraction.min(0.02, 'is too little fat').max(0.7, 'is more than any cream (70 %)'),
      /** Without its salt. */
      butterKg: z.number().positive('must be above 0').max(200).nullable(),
      /** By a pan test; `null` when nobody made one. */
      moistureFraction: fraction.max(0.4, 'is too wet for butter (40 % water at most)').nullable(),
      buttermilkKg: z.number().min(0).max(200).nullable(),
      /** By the heat it broke at; `null` takes 0.8 %. */
      buttermilkFatFraction: fraction.max(0.1, 'is more fat than buttermilk holds (10 % at most)').nullable(),
    })
    .refine((of) => of.butterKg === null || of.butterKg <= of.creamKg, {
      error: 'is more than the cream weighed',
      path: ['butterKg'],
    }),
  pays: z.strictObject({
    creamKg: z.number().positive('must be above 0').max(200),
    fatFraction: fraction
      .min(0.1, 'is milk, not cream. Cream has at least 10 %')
      .max(0.6, 'is richer than any cream (60 %)'),
    /** Of all of the cream. */
    creamCost: z.number().min(0, 'cannot be negative').max(1e6),
    butterCostPerKg: z.number().min(0, 'cannot be negative').max(1e5),
    buttermilkCostPerKg: z.number().min(0, 'cannot be negative').max(1e5),
    buttermilkFatFraction: fraction
      .max(0.05, 'is more fat than buttermilk holds (5 % at most)')
      .default(0.006),
  }),
  thickness: z.strictObject({
    fatFraction: fraction.max(0.7, 'is more than any cream (70 %)'),
    ph: z.number().min(3).max(7),
    coldH: z.number().min(0).max(1000),
    treatment: z.enum(CREAM_TREATMENTS),
    homogenised: z.boolean(),
  }),
  butter: z
    .strictObject({
      creamKg: z.number().min(0),
      creamFatFraction: fraction,
      buttermilkFatFraction: fraction,
      butterFatFraction: fraction,
    })
    .refine((b) => b.butterFatFraction > b.buttermilkFatFraction, {
      error: 'butter must have more fat than buttermilk',
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
  /** Milks (and creams) poured together, by mass. */
  mix: z.strictObject({
    parts: z
      .array(
        z.strictObject({
          composition,
          massKg: z.number().positive(),
          costPerKg: z.number().min(0).optional(),
        }),
      )
      .min(1)
      .max(20),
  }),
  /** Milk powder to a protein content, or what some powder does. */
  powder: z
    .strictObject({
      composition,
      massKg: z.number().positive(),
      powder: z.enum(POWDER_KINDS),
      proteinFraction: fraction.optional(),
      powderKg: z.number().min(0).optional(),
    })
    .refine((p) => (p.proteinFraction === undefined) !== (p.powderKg === undefined), {
      error: 'give either proteinFraction or powderKg',
      path: ['proteinFraction'],
    }),
  bath: z.strictObject({
    ...pot,
    startC: celsius,
    targetC: celsius,
    waterLitres: litres,
    waterC: z.number().min(0).max(60),
    iceKg: z.number().min(0).max(100).default(0),
    stirred: z.boolean().default(true),
  }),
  box: z.strictObject({
    composition,
    litres,
    startC: celsius,
    roomC: celsius,
    tauH: z.number().positive().max(200),
    bottlesC: z.number().min(30).max(100),
    floorC: celsius.default(40),
    hours: z.number().positive().max(48),
  }),
  thermometer: z
    .strictObject({
      iceC: celsius.nullable().default(null),
      boilingC: celsius.nullable().default(null),
      altitudeM: z.number().min(-400).max(6000),
      readingsC: z.array(celsius).max(1000).default([]),
    })
    .superRefine((check, context) => {
      const fault = thermometerFault(check);
      if (fault !== null) context.addIssue({ code: 'custom', message: fault, path: ['iceC'] });
    }),
  /** Planning backwards from when it is wanted. */
  plan: z.strictObject({
    plan: makePlan,
    kitchen: kitchenSettings,
    factors: z.array(factor).default([]),
    goal: z.enum(['eat', 'set']),
    by: z.iso.datetime(),
    now: z.iso.datetime(),
    allowed: z
      .strictObject({
        dose: z.boolean(),
        place: z.boolean(),
        heat: z.boolean(),
        bath: z.boolean(),
        sourer: z.boolean(),
      })
      .default({ dose: true, place: true, heat: true, bath: true, sourer: true }),
  }),
  /** What skimming gives after some still, cold hours. */
  skim: z.strictObject({
    composition,
    massKg: z.number().positive().max(500),
    kind: z.enum(MILK_KINDS),
    treatment: z.enum(TREATMENTS),
    homogenised: z.boolean().default(false),
    hours: z.number().min(0).max(240),
    /** 1 takes the layer; less leaves some, more takes milk along. */
    depth: z.number().min(0.1).max(2).default(1),
  }),
  /** Two milks to a fat target, by mass. */
  standardise: z.strictObject({
    a: composition,
    b: composition,
    fatFraction: fraction,
    massKg: z.number().positive().max(1000),
  }),
  /** When something frozen is liquid. */
  thaw: z.strictObject({
    composition,
    pieceKg: z.number().positive().max(50),
    freezerC: z.number().min(-40).max(0).default(-18),
    /** Of the air, or of the water it lies in. */
    airC: z.number().min(0.6).max(45),
    where: z.enum(THAW_PLACES).default('fridge'),
  }),
  /** The dose of a kept culture that sets when a fresh one would. */
  dose: z.strictObject({
    kind: z.enum(CULTURE_KINDS),
    coldD: z.number().min(0).max(2000).default(0),
    roomD: z.number().min(0).max(400).default(0),
    frozenD: z.number().min(0).max(2000).default(0),
    freezings: z.number().int().min(0).max(20).default(0),
    opened: z.boolean().default(false),
    rate: z.number().min(0.2).max(3).default(1),
    /** Of a fresh one: share of the milk's mass, or of a packet's stated dose. */
    freshRatio: z.number().positive().max(6),
    temperature,
    plasmaSnfPercent: z.number().min(1).max(40),
    ph: z.number().min(3.6).max(6).default(4.6),
  }),
  /** Days of milk in, a lactation curve out. */
  lactation: z.strictObject({
    kind: z.enum(MILK_KINDS),
    daysAndLitres: z.array(z.tuple([z.number().positive().max(1000), z.number().positive().max(500)])).min(5),
    askDays: z.array(z.number().positive().max(1000)).max(400).default([]),
  }),
  /** Finished makes in (their events, as the daybook exports them), factors out. */
  learn: z.strictObject({
    kitchen: kitchenSettings,
    makes: z.array(z.object({ id: ulid, events: z.array(storedEvent).min(1) })).max(2000),
  }),
} as const;

export type SumName = keyof typeof SUM_INPUTS;
export type SumInput<N extends SumName> = z.infer<(typeof SUM_INPUTS)[N]>;

const hours = z.number().nullable();
const quantiles = z.strictObject({ p10: hours, p50: hours, p90: hours });

/** What each sum gives back; `null` means "not reached". */
export const SUM_OUTPUTS = {
  ...CURD_OUTPUTS,
  ...DAY_OUTPUTS,
  ...WHY_OUTPUTS,
  ferment: z.strictObject({
    hoursToPh: z.record(z.string(), hours),
    phAtHours: z.record(z.string(), z.number()),
    acidAt24HoursMmolPerKg: z.number(),
  }),
  denature: z.strictObject({ denaturedFraction: z.number(), pasteurisationMinutes: z.number() }),
  cool: z.strictObject({ minutes: hours }),
  heat: z.strictObject({
    minutes: hours,
    /** As warm as it gets, where it does not come to the target. */
    mostC: z.number().nullable(),
    /** When a plate that stays hot is switched off, and how warm the milk is then. */
    offMinutes: hours,
    offC: z.number().nullable(),
  }),
  composition: z.strictObject({
    densityKgPerM3: z.number(),
    specificHeatAt20CKjPerKgK: z.number(),
    specificHeatAt60CKjPerKgK: z.number(),
  }),
  boil: z.strictObject({ celsius: z.number() }),
  temper: z.strictObject({ minutes: hours }),
  churn: z.strictObject({ minutes: z.number(), breakC: z.number(), buttermilkFatFraction: z.number() }),
  wash: z.strictObject({ serumLeftFraction: z.number(), washesToKeep: z.number().nullable() }),
  salt: z.strictObject({ saltFraction: z.number(), brineFraction: z.number() }),
  ghee: z.strictObject({ waterKg: z.number(), minutes: z.number(), gheeKg: z.number() }),
  yield: z.strictObject({
    fatKg: z.number(),
    possibleKg: z.number(),
    likelyKg: z.number(),
    inButterKg: z.number().nullable(),
    inButtermilkKg: z.number().nullable(),
    elsewhereKg: z.number().nullable(),
    overrunFraction: z.number().nullable(),
  }),
  pays: z.strictObject({
    butterKg: z.number(),
    buttermilkKg: z.number(),
    ownCostPerKg: z.number(),
    savedCost: z.number(),
    breakEvenCost: z.number(),
  }),
  thickness: z.strictObject({ index: z.number(), word: z.string() }),
  butter: z.strictObject({ butterKg: z.number(), buttermilkKg: z.number() }),
  forecast: z.strictObject({
    hoursToPh: z.record(z.string(), quantiles),
    effectiveMembers: z.number(),
    contradiction: z.enum(['slower', 'faster']).nullable(),
  }),
  mix: z.strictObject({
    composition,
    massKg: z.number(),
    litres: z.number(),
    plasmaSnfPercent: z.number(),
    cost: z.number().nullable(),
  }),
  powder: z.strictObject({
    /** `null` when this powder cannot reach the goal. */
    powderKg: z.number().nullable(),
    composition: composition.nullable(),
    litres: z.number().nullable(),
    plasmaSnfPercent: z.number().nullable(),
  }),
  bath: z.strictObject({
    minutes: hours,
    bathEndC: z.number(),
    iceLeftKg: z.number(),
    /** Ice to have ready for this much water. */
    iceNeededKg: z.number(),
  }),
  box: z.strictObject({
    outcome: z.enum(['no-bottles', 'bottles', 'cannot']),
    bottleLitres: z.number(),
    coolestC: z.number(),
    warmestC: z.number(),
    tooWarm: z.boolean(),
  }),
  thermometer: z.strictObject({ offsetC: z.number(), slope: z.number(), correctedC: z.array(z.number()) }),
  plan: z.strictObject({
    outcome: z.enum(['found', 'none']),
    reason: z.string().nullable(),
    earliest: z.string().nullable(),
    offers: z.array(
      z.strictObject({
        start: z.string(),
        setP10P50P90: z.array(z.string().nullable()),
        pickUpP10P50P90: z.array(z.string().nullable()),
        takenOut: z.string(),
        ready: z.string(),
        overnight: z.boolean(),
        sourness: z.string(),
        sure: z.boolean(),
        prices: z.array(z.looseObject({ kind: z.string() })),
      }),
    ),
  }),
  skim: z.strictObject({
    creamKg: z.number(),
    creamFatFraction: z.number(),
    restKg: z.number(),
    restFatFraction: z.number(),
    /** Cream line over the height of all. */
    creamHeight: z.number(),
    /** ± this share of the cream, one σ of an estimate. */
    spread: z.number(),
  }),
  standardise: z.strictObject({
    /** `null` when the target lies outside of both. */
    aKg: z.number().nullable(),
    bKg: z.number().nullable(),
    composition: composition.nullable(),
  }),
  thaw: z.strictObject({
    /** Until it is soft enough to pour. */
    softHours: z.number(),
    hours: z.number(),
    spread: z.number(),
  }),
  dose: z.strictObject({
    /** Living share of a fresh one, an estimate. */
    living: z.number(),
    freshH: z.number(),
    /** `null` when no reasonable dose does it. */
    ratio: z.number().nullable(),
  }),
  lactation: z.strictObject({
    a: z.number(),
    b: z.number(),
    c: z.number(),
    peakDay: z.number(),
    peakLitres: z.number(),
    dayLnSigma: z.number(),
    expected: z.array(z.strictObject({ day: z.number(), p10: z.number(), p50: z.number(), p90: z.number() })),
  }),
  learn: z.strictObject({
    factors: z.array(factor.extend({ words: z.string() })),
    /** Makes that were finished and so could teach. */
    makes: z.number(),
  }),
} as const;
export type SumOutput<N extends SumName> = z.infer<(typeof SUM_OUTPUTS)[N]>;

import * as z from 'zod';
import { CHURN_KINDS, CHURN_SPEEDS } from '../science/butter/index.ts';
import { FLAMES } from '../science/heat/index.ts';
import { DRAIN_WAYS, RENNET_UNITS } from '../science/curd/index.ts';
import { fraction, massKg, shortName, temperatureC, text } from './quantities.ts';

/** What can be made, and what goes in: milk or cream, butter, or a packet that is fed. What each is stands in `products/`. */
export const PRODUCT_TAKES = {
  yogurt: 'milk',
  'cultured-cream': 'cream',
  butter: 'cream',
  ghee: 'butter',
  waking: 'packet',
  skyr: 'milk',
  'jar-of-two': 'milk',
  buttermilk: 'milk',
  kefir: 'milk',
  clabber: 'milk',
  'fresh-cheese': 'milk',
  cheese: 'milk',
  creamer: 'cream',
  'whipped-cream': 'cream',
  'frozen-yogurt': 'milk',
} as const satisfies Readonly<Record<string, 'milk' | 'cream' | 'butter' | 'packet'>>;
export type ProductId = keyof typeof PRODUCT_TAKES;
export const PRODUCT_IDS = Object.keys(PRODUCT_TAKES) as [ProductId, ...ProductId[]];

/** Kinds of steps that a plan says all about that is to be known. */
const PLAIN_STEPS = [
  'pour',
  'heat',
  'hold',
  'cool',
  'inoculate',
  'incubate',
  'chill',
  'weigh',
  'taste',
  'reserve',
  'scald',
  'ripen',
  'thicken',
  'take-out',
  'drain',
  'stand',
  'settle',
  'filter',
  'coagulate',
  'ladle',
  'pour-off',
  'grains-out',
  'whip',
] as const;

/** Machines that frozen yogurt is churned in. */
export const FREEZING_MACHINES = ['frozen-bowl', 'compressor', 'ice-and-salt'] as const;
export type FreezingMachine = (typeof FREEZING_MACHINES)[number];

/** A step within its method: "rest", "rest-2". */
export const stepRef = text(40).regex(/^[a-z]+(-[a-z0-9]+)*$/, 'is not a valid step name');

/** Where something stands while it waits: as warm as it is, in the room, in a cellar, or in the cold. */
export const STANDS = ['as-it-is', 'room', 'cellar', 'cold'] as const;
export type Stands = (typeof STANDS)[number];
/** What every step has: its name within the method, and what its maker wants to be told with it. */
const ownWords = { id: stepRef, note: text(400).trim().optional() };

/** One step of a method with what was decided for it; what each kind is stands in `steps/`. */
export const stepInstance = z.discriminatedUnion('kind', [
  z.strictObject({ ...ownWords, kind: z.enum(PLAIN_STEPS) }),
  /** Brought to the heat it churns at, by standing in the room, in the cold, or in a bath. */
  z.strictObject({
    ...ownWords,
    kind: z.literal('temper'),
    toC: temperatureC.min(5, 'is too cold to churn').max(24, 'is too warm: the butter would be greasy'),
    standing: z.enum(['room', 'cold', 'bath']),
  }),
  z.strictObject({
    ...ownWords,
    kind: z.literal('churn'),
    churn: z.enum(CHURN_KINDS),
    speed: z.enum(CHURN_SPEEDS),
    /** Which of how many settings of the machine; takes the place of the speed. */
    setting: z
      .strictObject({
        at: z.number().int('is not a whole number').min(1, 'is less than the lowest setting'),
        of: z.number().int('is not a whole number').min(1).max(40, 'is more than forty settings'),
      })
      .refine(({ at, of }) => at <= of, { error: 'is more than the machine has', path: ['at'] })
      .optional(),
    name: shortName,
    /** What it holds, full to the brim. */
    litres: z.number().min(0.2, 'is less than 0.2 L').max(100, 'is more than 100 L'),
    /** Churned one after another, each an equal part; left out, all at once. */
    loads: z
      .number()
      .int('is not a whole number')
      .min(1, 'needs at least one')
      .max(40, 'is more than forty')
      .optional(),
  }),
  z.strictObject({
    ...ownWords,
    kind: z.literal('wash'),
    washes: z.number().int('is not a whole number').min(0).max(12, 'is more than twelve'),
    /** Water of one wash, kg per kg of butter. */
    waterKgPerKg: z.number().min(0.1, 'is too little water').max(10, 'is more than ten times the butter'),
    /** How well one wash mixes. */
    exchangeFraction: fraction.min(0.05),
  }),
  z.strictObject({
    ...ownWords,
    kind: z.literal('work'),
    /** Salt of the whole; 0 is unsalted. */
    saltFraction: fraction.max(0.1, 'is more than 10 % salt'),
  }),
  /** Butter on the fire until it is ghee. */
  z.strictObject({
    ...ownWords,
    kind: z.literal('clarify'),
    /** Water in the butter. */
    moistureFraction: fraction
      .min(0.02, 'is too little water')
      .max(0.35, 'is more water than butter holds (35 %)'),
    flame: z.enum(FLAMES),
    /** Stirred all along, or left still and skimmed. */
    school: z.enum(['stir', 'skim']),
    doneC: temperatureC
      .min(102, 'is too low: water would still be left in the ghee')
      .max(120, 'is too hot: ghee browns from 120 °C'),
  }),
  /** Cooled so that it comes coarse, or smooth. */
  z.strictObject({ ...ownWords, kind: z.literal('cool-ghee'), as: z.enum(['coarse', 'smooth']) }),
  /** Milk given to a culture that is waking. */
  z.strictObject({
    ...ownWords,
    kind: z.literal('feed'),
    massKg: massKg.max(50, 'is more than 50 kg'),
    /** Until it suits, the culture rests cold; or it is fed as soon as it is set. */
    rest: z.enum(['cold', 'warm']),
  }),
  /** Rennet stirred in: how much of it, and how strong it is; `null` when its label does not say. */
  z.strictObject({
    ...ownWords,
    kind: z.literal('add-rennet'),
    imcuPerLitre: z
      .number()
      .min(1, 'is too little to set milk')
      .max(300, 'is too much (300 IMCU per litre at most): the cheese turns bitter and rubbery'),
    unit: z.enum(RENNET_UNITS),
    strengthImcu: z
      .number()
      .min(0.5, 'is too weak for rennet (at least 0.5 IMCU)')
      .max(5000, 'is stronger than any rennet sold (5,000 IMCU)')
      .nullable(),
  }),
  z.strictObject({
    ...ownWords,
    kind: z.literal('ripen-milk'),
    minutes: z
      .number()
      .min(0)
      .max(24 * 60, 'is more than a day'),
  }),
  z.strictObject({
    ...ownWords,
    kind: z.literal('cut'),
    sizeCm: z
      .number()
      .min(0.3, 'is finer than a knife can cut (at least 3 mm)')
      .max(10, 'is too large (10 cm at most)'),
  }),
  /** Stands, or lies: as warm as it is, in the room, or in the cold. */
  z.strictObject({
    ...ownWords,
    kind: z.literal('rest'),
    minutes: z
      .number()
      .min(1, 'is too short')
      .max(14 * 24 * 60, 'is more than two weeks'),
    stands: z.enum(STANDS),
  }),
  /** Stirred while it is warmed, evenly over the time. */
  z.strictObject({
    ...ownWords,
    kind: z.literal('stir'),
    toC: temperatureC.min(4, 'is too cold').max(65, 'is too hot to stir curd (65 °C at most)').nullable(),
    minutes: z.number().min(1, 'is too short').max(240, 'is more than four hours'),
  }),
  /** Some whey drawn off and as much hot water poured in. */
  z.strictObject({
    ...ownWords,
    kind: z.literal('swap-whey'),
    drawFraction: fraction.min(0.05, 'is too little').max(0.7, 'is too much (70 % at most)'),
    toC: temperatureC.min(25, 'is too cold').max(45, 'is too hot for the culture (45 °C at most)'),
  }),
  /** Whey runs off until the curd is as thick as wanted: by its protein, or, of cream, by its fat. */
  z.strictObject({
    ...ownWords,
    kind: z.literal('strain'),
    way: z.enum(DRAIN_WAYS),
    stands: z.enum(['cold', 'room']),
    of: z.enum(['protein', 'fat']),
    fraction: fraction
      .min(0.035, 'is no thicker than milk, so there is nothing to drain')
      .max(0.6, 'is drier than a cloth can drain it'),
  }),
  z.strictObject({
    ...ownWords,
    kind: z.literal('press'),
    weightKg: z.number().min(0, 'cannot be negative').max(300, 'is more than 300 kg'),
    diameterCm: z.number().min(4, 'is narrower than 4 cm').max(60, 'is wider than 60 cm'),
    hours: z.number().min(0.25, 'is too short to press').max(72, 'is more than three days'),
    turns: z.number().int('is not a whole number').min(0).max(20, 'is more than twenty'),
    moistureFraction: fraction
      .min(0.3, 'is drier than any cheese (30 %)')
      .max(0.75, 'is too wet for cheese (75 % water at most)'),
  }),
  /** Salt rubbed on, or mixed in: share of the cheese. */
  z.strictObject({
    ...ownWords,
    kind: z.literal('salt'),
    saltFraction: fraction.min(0.002, 'is too little').max(0.06, 'is more than 6 %: too salty to eat'),
    how: z.enum(['rubbed', 'mixed']),
  }),
  z.strictObject({
    ...ownWords,
    kind: z.literal('brine'),
    brineFraction: fraction
      .min(0.02, 'is too weak for brine (at least 2 %)')
      .max(0.27, 'is more salt than water can dissolve (27 %)'),
    /** `null` takes what the wheel's weight and height ask for. */
    hours: z.number().min(0.25).max(720, 'is more than a month').nullable(),
    diameterCm: z.number().min(4, 'is narrower than 4 cm').max(60, 'is wider than 60 cm'),
  }),
  /** Days on the shelf, turned every so often: to dry, or to age. */
  z.strictObject({
    ...ownWords,
    kind: z.enum(['dry', 'age']),
    days: z.number().min(0.5, 'is less than half a day').max(400, 'is more than a year'),
    turnEveryH: z.number().min(1, 'is more often than once an hour').max(720, 'is less than once a month'),
    stands: z.enum(['room', 'cellar', 'cold']),
  }),
  /** Hot milk set by something sour. */
  z.strictObject({
    ...ownWords,
    kind: z.literal('acidify'),
    with: z.enum(['lemon', 'vinegar', 'buttermilk']),
    mlPerLitre: z
      .number()
      .min(5, 'is too little to curdle the milk')
      .max(400, 'is more than 400 mL per litre'),
  }),
  /** Grains are out: it sours on by itself, in its closed bottle. */
  z.strictObject({
    ...ownWords,
    kind: z.literal('second-ripen'),
    hours: z.number().min(1, 'is too short').max(48, 'is more than two days'),
    stands: z.enum(['room', 'cold']),
  }),
  /** Something stirred in: share of what it goes into. */
  z.strictObject({
    ...ownWords,
    kind: z.literal('mix-in'),
    what: shortName,
    fraction: fraction.min(0.001, 'is too little'),
    keepsD: z.number().min(0.5).max(60, 'is more than two months').nullable(),
    /** Spirits in it: it is told, and it freezes softer. */
    alcohol: z.boolean(),
  }),
  /** Something that goes in by what its label says. */
  z.strictObject({
    ...ownWords,
    kind: z.literal('add-dose'),
    what: z.enum(['calcium-chloride', 'lipase']),
    perLitre: z.number().min(0.001, 'is too little to measure').max(20, 'is more than 20 per litre of milk'),
    unit: z.enum(['mL', 'g', 'drops']),
  }),
  z.strictObject({
    ...ownWords,
    kind: z.literal('freeze'),
    hours: z.number().min(0.3, 'is too short to freeze').max(72, 'is more than three days'),
    stirEveryMin: z.number().min(5).max(240).nullable(),
    /** Churned in a machine first, and then hardened; left out, spread flat and stirred by hand. */
    machine: z.enum(FREEZING_MACHINES).optional(),
  }),
  /** A step of the maker's own. */
  z.strictObject({
    ...ownWords,
    kind: z.literal('own'),
    title: shortName,
    doing: text(400).trim(),
    handsMin: z.number().min(0, 'cannot be negative').max(480, 'is more than eight hours'),
    waitMin: z
      .number()
      .min(0, 'cannot be negative')
      .max(30 * 24 * 60, 'is more than a month'),
    stands: z.enum(STANDS),
  }),
]);
export type StepInstance = z.infer<typeof stepInstance>;
export type StepKind = StepInstance['kind'];
/** Every kind of step there is. */
export const STEP_KINDS: readonly StepKind[] = stepInstance.options.flatMap(({ shape: { kind } }) =>
  'value' in kind ? [kind.value] : kind.options,
);
/** A step's name within its make. */
export type StepId = string;

/** The steps of a method, in order, each with a name of its own. */
export const methodSteps = z
  .array(stepInstance)
  .min(1, 'has no steps')
  .max(60, 'has more than 60 steps')
  .refine((steps) => new Set(steps.map((s) => s.id)).size === steps.length, {
    error: 'has two steps with the same name',
  });

/** How a make goes, as it was decided: kept with the make, so that no later change of a method changes it. */
export const methodSnapshot = z.strictObject({
  id: text(60).min(1),
  version: z.number().int().min(1).max(10_000),
  /** As it was called; left out by makes from before methods had names. */
  name: shortName.optional(),
  steps: methodSteps,
});
export type MethodSnapshot = z.infer<typeof methodSnapshot>;

/** How every make of the first version went. */
export const FIRST_METHOD: MethodSnapshot = {
  id: 'yogurt',
  version: 1,
  steps: (
    ['pour', 'heat', 'hold', 'cool', 'inoculate', 'incubate', 'chill', 'weigh', 'taste', 'reserve'] as const
  ).map((kind) => ({ id: kind, kind })),
};

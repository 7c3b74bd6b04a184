import * as z from 'zod';
import { CHURN_KINDS, CHURN_SPEEDS, FLAMES } from '../butter/index.ts';
import { fraction, massKg, shortName, temperatureC, text } from './quantities.ts';

/** What can be made. What each is stands in `products/`. */
export const PRODUCT_IDS = ['yogurt', 'cultured-cream', 'butter', 'ghee', 'waking'] as const;
export type ProductId = (typeof PRODUCT_IDS)[number];

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
] as const;

/** A step within its method: "rest", "rest-2". */
export const stepRef = text(40).regex(/^[a-z]+(-[a-z0-9]+)*$/, 'is no name of a step');

/** One step of a method with what was decided for it; what each kind is stands in `steps/`. */
export const stepInstance = z.discriminatedUnion('kind', [
  z.strictObject({ id: stepRef, kind: z.enum(PLAIN_STEPS) }),
  /** Brought to the heat it churns at, by standing in the room, in the cold, or in a bath. */
  z.strictObject({
    id: stepRef,
    kind: z.literal('temper'),
    toC: temperatureC.min(5, 'is too cold to churn').max(24, 'is too warm: the butter would be grease'),
    standing: z.enum(['room', 'cold', 'bath']),
  }),
  z.strictObject({
    id: stepRef,
    kind: z.literal('churn'),
    churn: z.enum(CHURN_KINDS),
    speed: z.enum(CHURN_SPEEDS),
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
    id: stepRef,
    kind: z.literal('wash'),
    washes: z.number().int('is not a whole number').min(0).max(12, 'is more than twelve'),
    /** Water of one wash, kg per kg of butter. */
    waterKgPerKg: z.number().min(0.1, 'is hardly any water').max(10, 'is more than ten times the butter'),
    /** How well one wash mixes. */
    exchangeFraction: fraction.min(0.05),
  }),
  z.strictObject({
    id: stepRef,
    kind: z.literal('work'),
    /** Salt of the whole; 0 is unsalted. */
    saltFraction: fraction.max(0.1, 'is more than 10 % salt'),
  }),
  /** Butter on the fire until it is ghee. */
  z.strictObject({
    id: stepRef,
    kind: z.literal('clarify'),
    /** Water in the butter. */
    moistureFraction: fraction
      .min(0.02, 'is hardly any water')
      .max(0.35, 'is more water than butter holds (35 %)'),
    flame: z.enum(FLAMES),
    /** Stirred all along, or left still and skimmed. */
    school: z.enum(['stir', 'skim']),
    doneC: temperatureC
      .min(102, 'is not done: its water is still in it')
      .max(120, 'is too hot: it browns from 120 °C'),
  }),
  /** Cooled so that it comes coarse, or smooth. */
  z.strictObject({ id: stepRef, kind: z.literal('cool-ghee'), as: z.enum(['coarse', 'smooth']) }),
  /** Milk given to a culture that is waking. */
  z.strictObject({
    id: stepRef,
    kind: z.literal('feed'),
    massKg: massKg.max(50, 'is more than 50 kg'),
    /** Until it suits, the culture rests cold; or it is fed as soon as it is set. */
    rest: z.enum(['cold', 'warm']),
  }),
]);
export type StepInstance = z.infer<typeof stepInstance>;
export type StepKind = StepInstance['kind'];
/** Every kind of step there is. */
export const STEP_KINDS: readonly StepKind[] = [
  ...PLAIN_STEPS,
  'temper',
  'churn',
  'wash',
  'work',
  'clarify',
  'cool-ghee',
  'feed',
];
/** A step's name within its make. */
export type StepId = string;

/** How a make goes, as it was decided: kept with the make, so that no later change of a method changes it. */
export const methodSnapshot = z.strictObject({
  id: text(60).min(1),
  version: z.number().int().min(1).max(10_000),
  steps: z
    .array(stepInstance)
    .min(1, 'has no steps')
    .max(60, 'has more than 60 steps')
    .refine((steps) => new Set(steps.map((s) => s.id)).size === steps.length, {
      error: 'has two steps of one name',
    }),
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

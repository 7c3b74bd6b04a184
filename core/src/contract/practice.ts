import * as z from 'zod';
import { FLAMES } from '../science/heat/index.ts';
import { draftEvent } from './events.ts';
import { text } from './quantities.ts';

/** Water a pot or a jar stands in. */
export const PRACTICE_BATHS = ['none', 'cold', 'iced', 'warm'] as const;
export type PracticeBath = (typeof PRACTICE_BATHS)[number];
/** Where a batch may be put. */
export const PRACTICE_PLACES = ['planned', 'counter', 'cupboard', 'lamp-oven', 'fridge'] as const;
export type PracticePlace = (typeof PRACTICE_PLACES)[number];
export const PRACTICE_FLAMES = ['off', ...FLAMES] as const;
export type PracticeFlame = (typeof PRACTICE_FLAMES)[number];

const at = { atMs: z.number().int().nonnegative() };

/** What hands did in practice: to the stove and the crock, or an entry of the batch as it is written in earnest. */
export const practiceHand = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('flame'), ...at, to: z.enum(PRACTICE_FLAMES) }),
  z.strictObject({ kind: z.literal('lid'), ...at, on: z.boolean() }),
  z.strictObject({ kind: z.literal('stir'), ...at }),
  z.strictObject({ kind: z.literal('bath'), ...at, to: z.enum(PRACTICE_BATHS) }),
  z.strictObject({ kind: z.literal('move'), ...at, to: z.enum(PRACTICE_PLACES) }),
  z.strictObject({ kind: z.literal('told'), ...at, event: draftEvent }),
]);
export type PracticeHand = z.infer<typeof practiceHand>;

/** Troubles a world may have, besides the scatter that every batch has. */
export const TROUBLES = [
  'cold-place',
  'warm-place',
  'weak-starter',
  'strong-burner',
  'weak-burner',
  'cold-kitchen',
  'warm-kitchen',
  'thermometer-high',
  'thin-cream',
  'slow-churn',
  'fast-cloth',
  'slow-cloth',
  'weak-rennet',
  'wet-butter',
] as const;
export type Trouble = (typeof TROUBLES)[number];

/** Kitchens to practise in: a usual one, a stone dairy in winter, a kitchen in summer, one up a mountain, one with an electric plate. */
export const PRACTICE_KITCHENS = ['usual', 'stone-dairy', 'summer', 'mountain', 'plate'] as const;
export type PracticeKitchen = (typeof PRACTICE_KITCHENS)[number];

/** What is practised: a lesson by its name, or a product with the troubles somebody chose. The same number makes the same world. */
export const practiceSubject = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('lesson'), lesson: text(40).min(1) }),
  z.strictObject({
    kind: z.literal('free'),
    method: text(60).min(1),
    kitchen: z.enum(PRACTICE_KITCHENS),
    /** `surprise`: drawn with the world. */
    troubles: z.union([z.literal('surprise'), z.array(z.enum(TROUBLES)).max(4)]),
    /** 1: the forecast is shown; 2: on request; 3: and nothing is called out. */
    level: z.union([z.literal(1), z.literal(2), z.literal(3)]),
  }),
]);
export type PracticeSubject = z.infer<typeof practiceSubject>;

/** A practice as a file of its own: its world by a number, and what hands did in it. */
export const practiceFile = z.strictObject({
  format: z.literal('morning-crock-practice'),
  version: z.literal(1),
  notice: text(600).optional(),
  subject: practiceSubject,
  seed: z.number().int().min(0).max(4_294_967_295),
  /** When it began, ms since 1970. */
  startMs: z.number().int(),
  /** One list for each batch of it. */
  hands: z.array(z.array(practiceHand).max(2000)).min(1).max(2),
  /** How often somebody stepped back. */
  backs: z.number().int().nonnegative(),
  /** How often the forecast or the coach was asked. */
  asked: z.number().int().nonnegative(),
  /** How far its clock went, ms since it began. */
  untilMs: z.number().int().nonnegative(),
});
export type PracticeFile = z.infer<typeof practiceFile>;

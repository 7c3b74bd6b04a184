import * as z from 'zod';
import { SOURNESS, STARTER_FACTS, STARTER_KINDS } from '../science/souring/index.ts';
import { WARM_PLACE_KINDS } from '../science/heat/index.ts';
import { MILK_KINDS, TREATMENTS } from '../science/milk/index.ts';
import { methodSteps, PRODUCT_IDS, type StepKind } from './methods.ts';
import { COOLING_KINDS, fatFault, heatPlan } from './plan.ts';
import { fraction, instant, longText, shortName, temperatureC, text, ulid } from './quantities.ts';

/** What a method decides of a make besides its steps; what it leaves out, the kitchen's usual decides. */
export const methodAims = z
  .strictObject({
    milk: z
      .strictObject({
        kind: z.enum(MILK_KINDS).optional(),
        treatment: z.enum(TREATMENTS).optional(),
        fatFraction: fraction.max(0.6, 'is richer than any cream (60 %)').optional(),
        startC: temperatureC.max(60, 'is already hot').optional(),
        /** Soured already, and churned whole. */
        soured: z.boolean().optional(),
        wholeCurd: z.boolean().optional(),
      })
      .optional(),
    heat: heatPlan.optional(),
    cooling: z.enum(COOLING_KINDS).optional(),
    inoculateC: temperatureC.optional(),
    starter: z
      .strictObject({
        kind: z.enum(STARTER_KINDS),
        /** Of the milk, by weight; for those dosed so. */
        share: fraction.max(0.5, 'is more than half the milk').nullable(),
        /** Of a packet's stated dose; for dried ones. */
        statedRatio: z.number().min(0.05).max(20).nullable(),
        /** Another that goes in with it. */
        also: z
          .strictObject({
            kind: z.enum(STARTER_KINDS),
            share: fraction.positive('must be above 0').max(0.5, 'is more than half the milk'),
          })
          .optional(),
      })
      .superRefine(({ kind, share, statedRatio }, context) => {
        const { dosing } = STARTER_FACTS[kind];
        const say = (path: string, message: string): void =>
          context.addIssue({ code: 'custom', message, path: [path] });
        if (dosing === 'mass' && !(share! > 0)) say('share', 'is missing. Enter how much goes in');
        if (dosing === 'stated' && statedRatio === null)
          say('statedRatio', 'is missing. Enter how much of the stated dose goes in');
      })
      .optional(),
    powderShare: fraction.max(0.12, 'is more than 12 % powder').optional(),
    place: z.strictObject({ kind: z.enum(WARM_PLACE_KINDS), setPointC: temperatureC.optional() }).optional(),
    sourness: z.enum(SOURNESS).optional(),
  })
  .strict();
export type MethodAims = z.infer<typeof methodAims>;

/** A method is known by the identity its maker's device gave it, or, when it came with the product, by its name. */
export const methodId = z.union([
  ulid,
  text(60).regex(/^[a-z]+(-[a-z0-9]+)*$/, 'is not a valid method name'),
]);

const methodShape = {
  id: methodId,
  version: z.number().int().min(1).max(10_000),
  name: shortName,
  product: z.enum(PRODUCT_IDS),
  /** What it was made from. */
  basedOn: z.strictObject({ id: methodId, version: z.number().int().min(1) }).nullable(),
  /** What it is good for, in a line. */
  goodFor: text(200).trim(),
  notes: longText,
  aims: methodAims,
  steps: methodSteps,
};

/** Steps that go on from another: without it nobody knows what they are about. */
const NEEDS_BEFORE: Readonly<Partial<Record<StepKind, { readonly kind: StepKind; readonly words: string }>>> =
  {
    coagulate: { kind: 'add-rennet', words: 'waits for a set, but no rennet goes in before this step' },
    stand: { kind: 'feed', words: 'waits for a feed to set, but there is no feed before this step' },
  };

/** A way of making something: its steps and what it decides, whole. */
export const method = z.strictObject(methodShape).superRefine(({ product, aims, steps }, context) => {
  const say = (path: (string | number)[], message: string): void =>
    context.addIssue({ code: 'custom', message, path });
  if (product === 'waking')
    say(['product'], 'has no method. Wake a dried culture from its packet, under Cultures');
  const fat = fatFault(product, {
    fatFraction: aims.milk?.fatFraction ?? null,
    wholeCurd: aims.milk?.wholeCurd,
  });
  if (fat !== null) say(['aims', 'milk', 'fatFraction'], fat);
  steps.forEach((step, i) => {
    const needs = NEEDS_BEFORE[step.kind];
    if (needs && !steps.slice(0, i).some(({ kind }) => kind === needs.kind))
      say(['steps', i, 'kind'], needs.words);
  });
});
export type Method = z.infer<typeof method>;

/** What happens to a method of the kitchen's own. */
export const methodChange = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('saved'), method }),
  /** No longer shown; makes keep theirs, and it can be taken back. */
  z.strictObject({ kind: z.literal('dropped') }),
]);

/** A method with its versions, the latest first. */
export const keptMethod = z.strictObject({
  id: ulid,
  dropped: z.boolean(),
  versions: z.array(z.strictObject({ at: instant, method })).min(1),
});
export type KeptMethod = z.infer<typeof keptMethod>;
export const methodsResponse = z.strictObject({ methods: z.array(keptMethod), lastSeq: z.number().int() });

/** A method as a file of its own. */
export const methodFile = z.strictObject({
  format: z.literal('morning-crock-method'),
  version: z.literal(1),
  notice: text(600).optional(),
  method,
});

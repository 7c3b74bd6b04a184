import * as z from 'zod';
import { clueAnswers, instant, makePlan, storedEvent, ulid } from '../contract/index.ts';
import { CAUSE_IDS, CLUE_IDS, COMPLAINT_IDS } from '../science/causes/index.ts';

const suspect = z.enum([...CAUSE_IDS, 'none']);

/** What the sum of what went wrong takes and gives. */
export const WHY_INPUTS = {
  /** A batch and a complaint in; causes, what would tell, rescues out. */
  why: z
    .strictObject({
      /** A batch as the daybook exports it. */
      make: z.object({ id: ulid, events: z.array(storedEvent).min(1) }).optional(),
      /** One that was never entered: its plan, and since when it sours or is churned; without that, it is over. */
      plan: makePlan.optional(),
      since: instant.optional(),
      complaint: z.enum(COMPLAINT_IDS),
      answers: clueAnswers.default({}),
      now: instant,
      /** What earlier complaints of this kind turned out to be. */
      settled: z.array(suspect).max(1000).default([]),
    })
    .refine(({ make, plan }) => (make === undefined) !== (plan === undefined), {
      error: 'needs either a batch or a plan',
      path: ['make'],
    }),
} as const;

export const WHY_OUTPUTS = {
  why: z.strictObject({
    /** What comes first: it is not to be eaten. */
    discard: z.string().nullable(),
    causes: z.array(
      z.strictObject({
        cause: suspect,
        title: z.string(),
        share: z.number(),
        evidence: z.array(z.strictObject({ words: z.string(), at: instant.nullable(), nats: z.number() })),
      }),
    ),
    ask: z
      .strictObject({
        bits: z.number(),
        clue: z.enum(CLUE_IDS).nullable(),
        reading: z.enum(['cue', 'temperature', 'ph']).nullable(),
        asks: z.string().nullable(),
        answers: z.array(z.string()),
      })
      .nullable(),
    rescues: z.array(
      z.strictObject({
        what: z.enum(['wait', 'warm-bath', 'more-starter', 'warm-bath-and-starter']),
        chance: z.number(),
        set: z.strictObject({ p10: instant.nullable(), p50: instant.nullable(), p90: instant.nullable() }),
      }),
    ),
    stillGood: z.string(),
    next: z.string().nullable(),
    limitAt: instant.nullable(),
    /** Why nothing can be said; `null` where something can. */
    fault: z.string().nullable(),
  }),
} as const;

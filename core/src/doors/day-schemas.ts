import * as z from 'zod';
import { instant, kitchenSettings, method, methodId, shortName } from '../contract/index.ts';
import { DAY_MIN } from '../science/units/index.ts';

const minute = z
  .number()
  .int()
  .min(0)
  .max(4 * DAY_MIN);

/** What the sum of a day takes and gives. Minutes from the start. */
export const DAY_INPUTS = {
  day: z.strictObject({
    makes: z
      .array(
        z.strictObject({
          name: shortName,
          /** A whole method, or the name of one that comes with the product. */
          method: z.union([method, methodId]),
          litres: z.number().min(0.1).max(60).optional(),
          from: minute.default(0),
          by: minute.nullable().default(null),
          /** When a step's hands must begin, by step. */
          fixed: z.record(z.string().max(60), minute).default({}),
          /** Which cook of the kitchen does a step, by step. */
          who: z.record(z.string().max(60), z.string().max(40)).default({}),
        }),
      )
      .min(1, 'needs at least one batch')
      .max(16, 'is more than sixteen batches'),
    /** Left out, a kitchen nobody has told anything. */
    kitchen: kitchenSettings.optional(),
    startAt: instant,
    days: z.number().int().min(1).max(4),
    /** Hours wished free, of everybody, the dearest first. */
    keptFree: z
      .array(
        z
          .strictObject({ title: shortName, from: minute, to: minute })
          .refine(({ from, to }) => from < to, { error: 'ends before it begins', path: ['to'] }),
      )
      .max(8)
      .default([]),
    /** Hours meant to be spent at it; outside of them only short looks are laid where it can be. */
    session: z
      .array(z.tuple([minute, minute]))
      .max(8)
      .optional(),
    seed: z.number().int().default(1),
  }),
} as const;

export const DAY_OUTPUTS = {
  day: z.strictObject({
    slots: z.array(
      z.strictObject({
        make: z.string(),
        step: z.string(),
        title: z.string(),
        from: z.number(),
        to: z.number(),
        cook: z.string(),
      }),
    ),
    finish: z.number().nullable(),
    /** No timetable finishes earlier. */
    bound: z.number().nullable(),
    late: z.number(),
    /** Minutes of hands outside the session, short looks not counted. */
    outside: z.number(),
    /** Which pot each batch has. */
    pots: z.array(z.strictObject({ make: z.string(), pot: z.string() })),
    /** Hours wished free that could not be. */
    givenUp: z.array(z.string()),
    /** What each wish costs: a batch is done so much sooner on average without it. */
    prices: z.array(z.strictObject({ title: z.string(), soonerMin: z.number(), lessLateMin: z.number() })),
    /** Of so many simulated days, those on which something waited too long. */
    simulated: z
      .strictObject({ days: z.number(), clashing: z.number(), finish: z.tuple([z.number(), z.number()]) })
      .nullable(),
    /** What goes on after the days chosen: the first thing to do then, and about when. */
    after: z.array(z.strictObject({ make: z.string(), title: z.string(), at: z.number() })),
    /** Why it cannot be laid out, or that no way was found; `null` when it is. */
    clash: z.string().nullable(),
    clashing: z.array(z.string()),
  }),
} as const;

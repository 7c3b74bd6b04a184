import * as z from 'zod';
import { CAUSE_IDS, CLUE_IDS, CLUES, COMPLAINT_IDS, type ClueId } from '../science/causes/index.ts';

/** Answers to questions about a batch: which of a clue's answers, from 0. */
export const clueAnswers = z
  .partialRecord(z.enum(CLUE_IDS), z.number().int().min(0))
  .superRefine((answers, context) => {
    for (const [clue, answer] of Object.entries(answers) as [ClueId, number][])
      if (answer >= CLUES[clue].answers.length)
        context.addIssue({
          code: 'custom',
          message: `has ${CLUES[clue].answers.length} answers, counted from 0`,
          path: [clue],
        });
  });

/** What somebody complains of, what they answered, and what it turned out to be. */
export const faultTold = z.strictObject({
  complaint: z.enum(COMPLAINT_IDS),
  answers: clueAnswers,
  /** `null` as long as nobody says so; `none` where no known cause fits. */
  settled: z.enum([...CAUSE_IDS, 'none']).nullable(),
});
/** A complaint that turned out to be something. */
export const faultSettled = faultTold
  .pick({ complaint: true })
  .extend({ settled: faultTold.shape.settled.unwrap() });
export type FaultTold = z.infer<typeof faultTold>;

import * as z from 'zod';

/** Every kind of error there is. Apart from what each says: a page is told, and needs no words of its own. */
const CODES = [
  'bad-input',
  'not-found',
  'same-id-other-body',
  'ahead-of-clock',
  'clock-behind',
  'make-finished',
  'no-such-make',
  'already-started',
  'laid-meanwhile',
  'bad-target',
  'wrong-file',
  'newer-file',
  'too-large',
  'not-allowed-here',
  'no-network',
  'code-needed',
  'wrong-code',
  'too-many-tries',
  'not-empty',
  'not-enough',
  'in-use',
  'database-away',
  'disk-full',
  'read-only',
  'busy',
  'internal',
] as const;
export type ErrorCode = (typeof CODES)[number];

export const errorDetail = z.strictObject({ path: z.string(), message: z.string() });
export const errorBody = z.strictObject({
  code: z.enum(CODES),
  message: z.string(),
  next: z.string(),
  details: z.array(errorDetail),
});
export type ErrorBody = z.infer<typeof errorBody>;
export type ErrorDetail = z.infer<typeof errorDetail>;

/** Turns a schema's issues into details with readable paths. */
export function detailsOf(error: z.ZodError): ErrorDetail[] {
  return error.issues
    .slice(0, 20)
    .map((issue) => ({ path: issue.path.map(String).join('.'), message: issue.message }));
}

import type { z } from 'zod';

/** Deeper than anything a page sends, and far from what overflows a stack. */
const MOST_DEPTH = 12;
const MOST_PARTS = 20_000;
/** Beyond this, sums and squares of numbers stop being numbers. */
const MOST_NUMBER = 1e16;
const LONE_SURROGATE = /\p{Surrogate}/u;

/**
 * For the parts of an entry whose shape is not known at this place: whatever is in them must come back from the
 * database as it went in.
 * @example z.record(z.string(), z.unknown()).superRefine(unstorable)
 */
export function unstorable(value: unknown, context: z.RefinementCtx): void {
  let parts = 0;
  const look = (part: unknown, depth: number): string | null => {
    if (++parts > MOST_PARTS) return 'has too many parts';
    if (typeof part === 'string') return LONE_SURROGATE.test(part) ? 'contains a broken character' : null;
    if (typeof part === 'number')
      return Math.abs(part) <= MOST_NUMBER ? null : 'contains a number that is too large';
    if (typeof part !== 'object' || part === null) return null;
    if (depth === MOST_DEPTH) return 'is nested too deeply';
    for (const [key, inner] of Object.entries(part)) {
      const fault = LONE_SURROGATE.test(key) ? 'contains a broken character' : look(inner, depth + 1);
      if (fault !== null) return fault;
    }
    return null;
  };
  const message = look(value, 0);
  if (message !== null) context.addIssue({ code: 'custom', message });
}

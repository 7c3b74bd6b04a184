import type * as Contract from '@morning-crock/core/contract';
import type { z } from 'zod';

type Names = {
  [K in keyof typeof Contract]: (typeof Contract)[K] extends z.ZodType ? K : never;
}[keyof typeof Contract];
/** What a schema of the contract reads. */
export type Read<K extends Names> = (typeof Contract)[K] extends z.ZodType<infer T> ? T : never;

const fetched = (): Promise<typeof Contract> => import('@morning-crock/core/contract');
// They are on their way before the first answer is there; the first view stands without them.
void fetched().catch(() => undefined);

/**
 * Reads what came over the wire by the contract.
 * @param name of a schema
 * @throws ZodError for what is not so
 */
export async function readBy<K extends Names>(name: K, body: unknown): Promise<Read<K>> {
  const schema: z.ZodType = (await fetched())[name];
  return schema.parse(body) as Read<K>;
}

/** A log of more entries is long: a probe has sent most of them. */
const LONG_LOG = 500;
/** So many entries at either end of a long log are read, and of the others one in so many. */
const READ_AT_ENDS = 100;
const READ_ONE_IN = 16;

/**
 * Reads a log that came over the wire. Each of its entries was held against the contract when it was stored, so of a long
 * one only some are read again: a page and a server that do not understand each other differ at its ends already, and what
 * cannot be folded is said where it is folded.
 * @throws ZodError for what is not so
 */
export async function readLog(body: unknown): Promise<Read<'eventsResponse'>> {
  const events: unknown = typeof body === 'object' && body !== null && 'events' in body ? body.events : null;
  if (!Array.isArray(events) || events.length <= LONG_LOG) return readBy('eventsResponse', body);
  const some = events.filter(
    (_, i) => i < READ_AT_ENDS || i >= events.length - READ_AT_ENDS || i % READ_ONE_IN === 0,
  );
  await readBy('eventsResponse', { ...(body as object), events: some });
  return body as Read<'eventsResponse'>;
}

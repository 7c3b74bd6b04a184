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
